/** A docket clerk's work, through the real interface: checked by event, many at once. */
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk;

describe("a docket clerk's work", { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('checks the dates of an event on one sheet, by keys and at once', async () => {
		await io.go('/docket/check');
		await io.page.$$eval('a[data-item]', (all) =>
			(all.find((link) => link.textContent!.includes('Motion return date')) as HTMLElement).click()
		);
		await io.sees('Confirm all');
		const opened = () =>
			io.page.$eval('[data-sheet] [aria-expanded="true"]', (link) => link.getAttribute('href'));
		const first = await opened();
		await io.page.keyboard.press('.');
		await io.page.waitForFunction(
			(before) =>
				document.querySelector('[data-sheet] [aria-expanded="true"]')?.getAttribute('href') !==
				before,
			{},
			first
		);
		await io.page.keyboard.press(',');
		await io.page.waitForFunction(
			(before) =>
				document.querySelector('[data-sheet] [aria-expanded="true"]')?.getAttribute('href') ===
				before,
			{},
			first
		);
		await io.page.keyboard.press('x');
		await io.page.waitForFunction(
			() => (document.activeElement as HTMLTextAreaElement | null)?.name === 'reason'
		);
		await io.page.keyboard.type('not c, n or d: these are words');
		await io.press('Cancel');
		await io.page.keyboard.press('c');
		await io.sees(': confirmed.');
		await io.sees('checked by IO');
		await io.press('Confirm all');
		await io.sees('dates confirmed.');
	});

	it('confirms no date among others whose rule asks what nobody answered', async () => {
		const clerk = await sit(browser, house.origin, 'castellan');
		await clerk.go('/docket/check');
		await clerk.sees('Notice of removal filed');
		await clerk.sees('agrees, but not all was answered');
		await clerk.sees('The rule asks what nobody answered.');
		assert.ok(!(await clerk.text()).includes('Confirm all'));
		await clerk.press('Confirm Mon 23 Nov');
		await clerk.sees('Answer, if none before removal: confirmed.');
	});

	it('gives many dates of several matters to a colleague, shown before it is done', async () => {
		await io.go('/docket?who=mine');
		const boxes = await io.page.$$('tbody input[type="checkbox"]');
		for (const box of boxes.slice(0, 4)) await box.evaluate((one) => (one as HTMLElement).click());
		await io.sees('4 dates chosen');
		await io.press('Give them to somebody');
		await io.select('Responsible', 'Sunniva Reyes');
		await io.press('Show what it would do');
		await io.page.waitForSelector('[data-fates]');
		await io.press('Give 4 dates to somebody');
		await io.sees('Give them to somebody: 4 dates.');
		await io.misses('4 dates chosen');
		await io.go('/docket?who=stf_reyes');
		await io.sees('SR');
	});

	it('hands one date to a colleague and a stand-in where it stands', async () => {
		await io.go('/matters?who=all&q=Pier%209');
		const pier = await io.page.$eval('a[data-row]', (row) => row.getAttribute('href')!);
		await io.go(`${pier}/docket`);
		await io.press('Answer or Rule 12 motion');
		await io.press('Whose it is');
		await io.select('Responsible', 'Tamsin Wardle');
		await io.select('Stand-in', 'Tamsin Wardle');
		await io.press('Save', '[role="dialog"]');
		await io.sees('Nobody stands in for themselves.');
		await io.select('Stand-in', 'Mateo Quiroga');
		await io.press('Save', '[role="dialog"]');
		await io.sees('held by TW, MQ stands in');
	});

	it('undoes what was done by a slip, where it is said', async () => {
		await io.go('/matters?who=all&q=Pier%209');
		const pier = await io.page.$eval('a[data-row]', (row) => row.getAttribute('href')!);
		await io.go(`${pier}/docket`);
		await io.press('Mediation statement');
		await io.press('Vacate');
		await io.fill('Reason', 'Another date was meant');
		await io.press('Vacate', '[role="dialog"]');
		await io.page.waitForSelector('[data-deadline="Mediation statement"][data-state="vacated"]');
		await io.press('Undo');
		await io.sees('Undone: it stands again.');
		await io.page.waitForSelector('[data-deadline="Mediation statement"][data-state="docketed"]');
	});

	it('is told what a colleague changed meanwhile, and goes on from there', async () => {
		const clerk = await sit(browser, house.origin, 'castellan');
		const panel = 'aside[aria-label="If the event moves"]';
		await io.go('/matters/LF-2026-0010/docket');
		await io.change('trial-date');
		await io.fill('to', '18 Oct 2027');
		await io.fill('Reason', 'Stipulation');
		await clerk.go('/matters/LF-2026-0010/docket');
		await clerk.change('trial-date');
		await clerk.fill('to', '4 Oct 2027');
		await clerk.fill('Reason', 'Notice of the clerk');
		await clerk.press('Move', panel);
		await clerk.misses('If this moves');
		await io.press('Move', panel);
		await io.sees('Dorit Castellan changed this while you wrote.');
		await io.sees('now Monday 4 October 2027; you wrote Monday 18 October 2027');
		assert.equal(
			await io.page.$eval(
				'aside input[name="reason"]',
				(input) => (input as HTMLInputElement).value
			),
			'Stipulation'
		);
		await io.press('Move', panel);
		await io.misses('If this moves');
		await io.sees('Mon 18 Oct 2027');
	});

	it('goes by keys to the docket, the second check and a new event, and never from a field', async () => {
		await io.go('/matters?who=all&q=Pier%209');
		await io.page.$eval('a[data-row]', (row) => (row as HTMLElement).click());
		await io.sees('Who works on it');
		await io.page.keyboard.press('e');
		await io.sees('What happened');
		await io.page.keyboard.type('sed');
		assert.match(io.page.url(), /\/docket$/);
		// The first closes what was found, the second the drawer.
		await io.page.keyboard.press('Escape');
		await io.page.keyboard.press('Escape');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
		await io.page.keyboard.press('d');
		await io.page.waitForFunction(() => location.pathname === '/docket');
		await io.page.keyboard.press('s');
		await io.page.waitForFunction(() => location.pathname === '/docket/check');
	});

	it('signs off the dates of the weeks ahead, sends one back, and is shown to have done so', async () => {
		await io.go('/docket/sign-off');
		await io.sees('Seen and right');
		await io.page.$eval('[data-own="Petition to appeal"] button', (one) => one.click());
		await io.press('Sign off: ');
		await io.sees('Say what is not right of “Petition to appeal”.');
		await io.fill('What is not right of Petition to appeal', 'The motion was withdrawn');
		await io.press('Sign off: ');
		await io.sees('1 gone back to be put right.');
		await io.sees('You signed off');
		await io.sees('returned by IO');
		const clerk = await sit(browser, house.origin, 'castellan');
		await clerk.go('/docket/sign-off');
		await clerk.sees('1 not right');
		await clerk.press('Week of');
		await clerk.sees('The motion was withdrawn');
	});

	it('makes of a paper that came in an event with its dates, the paper filed as its source', async () => {
		const clerk = await sit(browser, house.origin, 'castellan');
		await clerk.go('/docket/papers');
		await clerk.sees('LF-2025-0007 Turnstile patent');
		await clerk.page.waitForSelector('canvas[data-drawn]');
		await clerk.press('Interrogatories served');
		await clerk.press('20 November 2026');
		await clerk.select('Served by', 'lectronic');
		await clerk.sees('Answers and objections');
		await clerk.fill('Name it', 'second set');
		await clerk.press('Docket 1 date');
		await clerk.sees('Docketed 1 date on LF-2025-0007.');
		await clerk.go('/docket/papers');
		await clerk.sees('no matter yet');
		await clerk.misses('Turnstile patent');
		await clerk.go('/matters/LF-2025-0007/docket');
		await clerk.sees('second set');
		await clerk.sees("Plaintiff's second set of interrogatories");
	});

	it('takes a paper in, finds no matter, is told which, keeps what is wrong beside the field', async () => {
		const clerk = await sit(browser, house.origin, 'castellan');
		await clerk.go('/docket/papers');
		const folder = mkdtempSync(join(tmpdir(), 'kite-paper-'));
		const path = join(folder, 'order.txt');
		writeFileSync(path, 'ORDER. The hearing of the motion is continued to January 29, 2027.');
		const field = await clerk.page.$('input[type="file"]');
		await (field as ElementHandle<HTMLInputElement>).uploadFile(path);
		await clerk.sees('1 paper came in.');
		await clerk.sees('its number of the court stands in no open matter of yours');
		await clerk.settled();
		await clerk.choose('Matter', 'Pier 9', 'Pier 9');
		await clerk.sees('LF-2026-0010');
		await clerk.choose('What happened', 'complaint filed', 'Complaint filed');
		await clerk.press('January 29, 2027');
		await clerk.sees('has not come yet');
		await clerk.press('give it to a colleague');
		await clerk.select('Who has it now', 'Joss Abernathy');
		await clerk.press('Give it');
		await clerk.sees('Joss Abernathy has it');
		await clerk.press('nothing to docket in it');
		await clerk.press('Put it aside');
		await clerk.sees('missing');
		await clerk.fill('Why there is nothing to docket', 'Copied to us only');
		await clerk.press('Put it aside');
		await clerk.sees('Put aside, with the reason.');
		await clerk.misses('order.txt');
	});
});
