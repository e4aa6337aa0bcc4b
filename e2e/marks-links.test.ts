/**
 * The department's own words on dates, and what a date points to, through the real interface; the
 * docket report with the columns, order and receivers one wants.
 */
import assert from 'node:assert/strict';
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

describe('the department’s words on its dates', { timeout: 300_000 }, () => {
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
		await clerk.press('Add it');
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
});
