/** A working day at the desk: what the thread does not touch, through the real interface. */
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk;
let clerk: Desk;
const scratch = mkdtempSync(join(tmpdir(), 'kite-desk-'));
const kiteOf = (desk: Desk, title: string) =>
	desk.page.$eval(`[data-deadline="${title}"] [data-kite]`, (element) =>
		element.getAttribute('data-kite')
	);

/** The address of a matter by its title. */
async function matter(desk: Desk, title: string): Promise<string> {
	await desk.go(`/matters?who=all&q=${encodeURIComponent(title)}`);
	return (await desk.page.$eval('a[data-row]', (a) => a.getAttribute('href')))!;
}

describe('a day at the desk', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
		clerk = await sit(browser, house.origin, 'castellan');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('dockets a proposal, which another person then checks', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(`${pier}/docket`);
		assert.equal(await kiteOf(io, 'Offer of judgment'), 'proposed');
		await io.press('docket it', '[data-deadline="Offer of judgment"]');
		await io.page.waitForSelector('[data-deadline="Offer of judgment"][data-state="docketed"]');
		assert.equal(await kiteOf(io, 'Offer of judgment'), 'half');
		await clerk.go(`${pier}/docket`);
		await clerk.press('check it', '[data-deadline="Offer of judgment"]');
		await clerk.press('Confirm');
		await clerk.sees('confirmed.');
		await clerk.go(`${pier}/docket`);
		await clerk.sees('checked by DC');
		await clerk.page.waitForSelector('[data-deadline="Offer of judgment"] [data-kite="solid"]');
	});

	it('meets a date with its proof, and vacates another with a reason', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(`${pier}/docket`);
		await io.press('Answer or Rule 12 motion');
		await io.press('It was met');
		await io.fill('Met on', '24 Dec 2026');
		await io.press('Record it as met');
		await io.sees('That day has not come yet.');
		await io.fill('Met on', 'today');
		await io.fill('Proof', 'ECF 12');
		await io.press('Record it as met');
		await io.sees('met Mon 23 Nov, ECF 12');
		assert.equal(await kiteOf(io, 'Answer or Rule 12 motion'), 'met');
		await io.press('Expert disclosures');
		await io.press('Vacate it');
		await io.press('Vacate the date');
		await io.sees('The reason is missing.');
		await io.fill('Reason', 'Stipulated away');
		await io.press('Vacate the date');
		await io.sees('vacated: Stipulated away');
		assert.equal(await kiteOf(io, 'Expert disclosures'), 'vacated');
		await io.go('/docket?show=all&matter=LF-2026-0010');
		await io.sees('vacated');
		await io.go('/docket');
		await io.misses('Expert disclosures Pier 9');
	});

	it('shows what was missed, broken and red, until someone settles it', async () => {
		const desk = await sit(browser, house.origin, 'lindqvist');
		await desk.sees('1 missed');
		await desk.go('/docket?show=missed');
		assert.equal(await kiteOf(desk, 'Notice of appeal'), 'missed');
		await desk.sees('Left luggage robbery');
		await desk.page.browserContext().close();
	});

	it('moves only the chosen dates of an event', async () => {
		const hull = await matter(io, 'Sablewood');
		await io.go(`${hull}/docket`);
		await io.change('trial-date');
		const before = await io.page.$eval(
			'[data-deadline="Pretrial disclosures"] [data-date]',
			(element) => element.getAttribute('data-date')
		);
		await io.fill('to', '2027-09-13');
		await io.sees('3 dates');
		await io.press('Choose', 'aside[aria-label="If the event moves"]');
		await io.page.evaluate(() =>
			[...document.querySelectorAll<HTMLInputElement>('input[name="only"][type="checkbox"]')]
				.find((i) => i.closest('label')!.textContent!.includes('Pretrial'))!
				.click()
		);
		await io.fill('Reason', 'Order of the court, ECF 40');
		await io.press('Move 2 dates');
		await io.misses('nothing is saved yet');
		await io.settled();
		assert.equal(
			await io.page.$eval('[data-deadline="Pretrial disclosures"] [data-date]', (element) =>
				element.getAttribute('data-date')
			),
			before
		);
		assert.equal(
			await io.page.$eval('[data-deadline="Expert disclosures"] [data-date]', (element) =>
				element.getAttribute('data-date')
			),
			'2027-06-15'
		);
	});

	it('keeps notes and finds them again in the logbook', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(`${pier}/logbook`);
		await io.press('Note it');
		await io.sees('The note is missing.');
		await io.fill('Write a note', 'The harbor master has a second camera.');
		await io.press('Note it');
		await io.sees('The harbor master has a second camera.');
		await io.go(`${pier}/logbook?q=second+camera`);
		assert.equal((await io.page.$$('main .row')).length, 1);
		await io.go(`${pier}/logbook?kind=note&q=nothing+like+it`);
		await io.sees('Nothing fits.');
	});

	it('adds people to a matter, once, and shows their card', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(pier);
		await io.press('Add someone');
		await io.press('Add', 'form[action="?/role"]');
		await io.sees('Choose a person.');
		await io.choose('Person or organization', 'wiremu', 'Wiremu');
		await io.select('Role', 'expert');
		await io.press('Add', 'form[action="?/role"]');
		await io.sees(/Wiremu \S+ added as expert\./);
		await io.press('Wiremu');
		await io.page.waitForFunction(() => location.pathname.startsWith('/people/'));
		await io.sees('Pier 9 passenger fall');
		await io.sees('expert');
	});

	it('files an upload, shows it, and finds it by what is in it', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(`${pier}/documents`);
		await io.press('Add a file');
		await io.press('File it');
		await io.sees('Choose a file.');
		writeFileSync(join(scratch, 'statement.txt'), 'The gangplank was slippery with kelp.');
		await (await io.control('File')).uploadFile(join(scratch, 'statement.txt'));
		await io.select('Mark', 'privileged');
		await io.press('File it');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
		await io.press('statement');
		await io.sees('The gangplank was slippery with kelp.');
		await io.sees('privileged');
		await io.sees('SHA-256');
		await io.page.keyboard.press('/');
		await io.page.keyboard.type('slippery kelp');
		await io.page.waitForFunction(() =>
			document.querySelector('[role="listbox"]')?.textContent?.includes('statement')
		);
		await io.page.keyboard.press('Enter');
		await io.page.waitForFunction(() => location.pathname.startsWith('/documents/'));
	});

	it('withdraws a document from its signers', async () => {
		await io.go('/');
		await io.press('Confidentiality agreement');
		await io.page.waitForFunction(() => location.pathname.startsWith('/documents/'));
		await io.sees('with signers');
		await io.press('withdraw');
		await io.sees('withdrawn');
		await io.sees('Send for signing');
	});

	it('declines a document inside, with a reason that the sender reads', async () => {
		await io.go('/');
		await io.press('1 document to sign');
		await io.page.waitForFunction(() => location.pathname.startsWith('/signing/'));
		await io.settled();
		await io.press('Decline');
		await io.press('Decline to sign');
		await io.sees('The reason is missing.');
		await io.fill('Why do you decline?', 'The date is wrong.');
		await io.press('Decline to sign');
		await io.sees('You declined to sign this.');
	});

	it('changes, releases and takes back time', async () => {
		const wardle = await sit(browser, house.origin, 'wardle');
		await wardle.page.keyboard.press('/');
		await wardle.page.keyboard.type('0.3 LF-2026-0005 letter to the union');
		await wardle.page.keyboard.press('Enter');
		await wardle.sees('0.3 h logged on Bremner wage claim.');
		await wardle.go('/time');
		await wardle.press('change', '[data-entry="letter to the union"]');
		await wardle.fill('New hours', '0.5');
		await wardle.press('Save');
		await wardle.page.waitForFunction(() =>
			document.querySelector('[data-entry="letter to the union"]')!.textContent!.includes('0.5')
		);
		await wardle.press('Release');
		await wardle.sees('released');
		await wardle.press('take back', '[data-entry="letter to the union"]');
		await wardle.page.waitForFunction(() =>
			document.querySelector('[data-entry="letter to the union"]')!.textContent!.includes('draft')
		);
		await wardle.press('Remove letter to the union');
		await wardle.page.waitForFunction(
			() => !document.querySelector('[data-entry="letter to the union"]')
		);
		await wardle.page.browserContext().close();
	});

	it('keeps what is typed for the next entry while the one before is still being saved', async () => {
		const desk = await sit(browser, house.origin, 'wardle');
		await desk.go('/time');
		await desk.choose('Matter', 'Bremner');
		await desk.fill('Hours', '0.2');
		await desk.fill('What was done', 'first of two');
		await desk.page.evaluate(() => {
			const plain = window.fetch;
			window.fetch = async (...of) => {
				window.fetch = plain;
				await new Promise((resolve) => setTimeout(resolve, 1500));
				return plain(...of);
			};
		});
		await desk.press('Log', 'main');
		await desk.fill('What was done', 'second, typed meanwhile');
		await desk.page.waitForSelector('[data-entry="first of two"]');
		await desk.settled();
		const read = async (label: string) =>
			(await desk.control(label)).evaluate((field) => field.value);
		assert.equal(await read('What was done'), 'second, typed meanwhile');
		assert.equal(await read('Hours'), '', 'what was sent is cleared');
		await desk.choose('Matter', 'Bremner');
		await desk.fill('Hours', '0.3');
		await desk.press('Log', 'main');
		await desk.page.waitForSelector('[data-entry="second, typed meanwhile"]');
		await desk.page.browserContext().close();
	});

	it('chooses a day from a month by the keyboard, and goes back to where one was', async () => {
		const desk = await sit(browser, house.origin, 'wardle');
		await desk.go('/time');
		await desk.fill('Day', '18 Nov 2026');
		await desk.press('Choose day from a calendar');
		await desk.page.waitForSelector('.month-day[data-selected]');
		await desk.page.waitForFunction(() => document.activeElement?.className.includes('month-day'));
		await desk.page.keyboard.press('ArrowUp');
		await desk.page.keyboard.press('Enter');
		await desk.sees('Wednesday 11 November 2026');
		await desk.page.waitForFunction(
			() => document.activeElement?.getAttribute('aria-label') === 'Choose day from a calendar'
		);
		await desk.page.browserContext().close();
	});
});
