/**
 * The department's own words on dates, and what a date points to, through the real interface; the
 * docket report with the columns, order and receivers one wants.
 */
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk, clerk: Desk;
let pier = '';

const ANSWER = '[data-deadline="Answer or Rule 12 motion"]';
async function openAnswer(desk: Desk): Promise<void> {
	await desk.go(`${pier}/docket`);
	const button = `${ANSWER} button[aria-expanded]`;
	await desk.click(button);
	await desk.page.waitForSelector(`${ANSWER} button[aria-expanded="true"]`);
}

describe('words on dates, and the docket report', { timeout: 300_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
		clerk = await sit(browser, house.origin, 'castellan');
		await io.go('/matters?who=all&q=pier');
		pier = (await io.page.$eval('a[data-row]', (row) => row.getAttribute('href')))!;
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('are kept by the clerk, put on a date with one click, found, and renamed', async () => {
		await clerk.go('/staff');
		await clerk.fill('A further mark', 'with the insurer');
		await clerk.press('Add it', 'form[action="?/addMark"]');
		await clerk.page.waitForSelector('[data-kept="with the insurer"]');
		await openAnswer(io);
		await io.press('with the insurer', ANSWER);
		await io.page.waitForSelector(`${ANSWER} [data-working-mark="with the insurer"]`);
		await io.go('/docket');
		await io.select('Any mark', 'with the insurer');
		await io.page.waitForFunction(() => location.search.includes('mark='));
		await io.settled();
		assert.equal((await io.page.$$('[data-deadline]')).length, 1);
		await io.page.waitForSelector('[data-working-mark="with the insurer"]');
		await clerk.press('rename', '[data-kept="with the insurer"]');
		await clerk.fill('New words for “with the insurer”', 'insurer asked');
		await clerk.press('Keep', '[data-kept="with the insurer"]');
		await clerk.page.waitForSelector('[data-kept="insurer asked"]');
		await io.go('/docket?view=month&show=all');
		await openAnswer(io);
		await io.press('insurer asked', `${ANSWER} [role="group"]`);
		await io.page.waitForFunction(
			(row) => !document.querySelector(`${row} [data-working-mark]`),
			{},
			ANSWER
		);
	});

	it('stand beside the folders and the mail a date points to', async () => {
		await openAnswer(io);
		await io.press('Details', ANSWER);
		await io.page.waitForSelector('input[name="folders"]');
		await io.click('input[name="folders"][value="Correspondence"]');
		await io.click('input[name="mails"]');
		await io.press('Keep');
		await io.page.waitForSelector(`${ANSWER} [data-links]`);
		await io.click(`${ANSWER} [data-links] a[href*="/mail/"]`);
		await io.page.waitForFunction(() => /\/mail\/mal_/.test(location.pathname));
		await io.sees('to ');
		await openAnswer(io);
		await io.press('Correspondence', `${ANSWER} [data-links]`);
		await io.sees('Documents in Correspondence');
		await io.press('all folders');
		await io.misses('Documents in Correspondence');
	});

	it('makes a report put together as one chooses, with the columns one chooses, and stays so', async () => {
		await io.go('/docket/report');
		await io.click('summary.act');
		await io.page.$$eval('input[type="checkbox"]', (boxes) => {
			for (const box of boxes)
				if (['Case number', 'Judge'].includes(box.parentElement!.innerText.trim())) box.click();
		});
		await io.select('Order', 'By lawyer');
		await io.press('Show');
		await io.page.waitForFunction(() => location.search.includes('order=person'));
		await io.settled();
		const heads = await io.page.$$eval('caption', (all) => all.map((one) => one.innerText));
		assert.ok(
			heads.some((head) => head.startsWith('Ines Okafor')),
			heads.join()
		);
		await io.sees('Case number');
		await io.sees('Judge');
		await io.page.reload();
		await io.sees('Case number');
	});

	it('sends it outside with a word, refused beside the field where an address is none', async () => {
		await io.press('By mail');
		await io.fill('To mail addresses outside', 'not an address');
		await io.fill('A word to them', 'As we said on the telephone.');
		await io.press('Send outside');
		await io.sees('is not a mail address');
		await io.fill('To mail addresses outside', 'counsel@example.com');
		await io.press('Send outside');
		await io.sees('Sent to 1 address.');
		await clerk.go(`${pier}/logbook`);
		await clerk.sees('sent to counsel@example.com');
	});

	it('prints it with whole titles, repeated heads, who printed it, and which page it is', async () => {
		await io.go('/docket/report?go=1&show=all&order=matter&long=1');
		await io.page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
		const printed = await io.page.evaluate(() =>
			getComputedStyle(document.documentElement).getPropertyValue('--printed')
		);
		assert.match(
			printed,
			/^"Printed by Ines Okafor, 23 November 2026|^"Printed by Ines Okafor, \d/
		);
		await io.page.emulateMediaType('print');
		const cut = await io.page.$$eval('td, .truncate', (all) =>
			all
				.filter((one) => one.clientWidth > 0 && one.scrollWidth > one.clientWidth + 2)
				.map((one) => one.textContent!.trim())
		);
		assert.deepEqual(cut, []);
		const buttons = await io.page.$$eval('button, .act, .btn', (all) =>
			all.filter((one) => (one as HTMLElement).offsetParent !== null).map((one) => one.textContent)
		);
		assert.deepEqual(buttons, []);
		await io.page.emulateMediaType();
	});

	it('takes the file of an exhibit where the exhibit is added', async () => {
		const path = join(mkdtempSync(join(tmpdir(), 'kite-exhibit-')), 'handrail.txt');
		writeFileSync(path, 'A photograph of the old handrail.');
		await io.go(`${pier}/trial`);
		await io.press('Add an exhibit');
		await io.fill('What it is', 'The old handrail');
		await io.give('input[type="file"]', path);
		await io.page.waitForFunction(() =>
			[...document.querySelectorAll('option')].some(
				({ selected, text }) => selected && text === 'handrail'
			)
		);
		await io.press('Add the exhibit');
		await io.page.waitForSelector('[data-exhibit="4"] a[href^="/documents/"]');
	});
});
