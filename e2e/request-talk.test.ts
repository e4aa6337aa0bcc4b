/** A request lives on: both sides talk while a matter is at work on it, and see what holds. */
import assert from 'node:assert/strict';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk;
let wes: Desk;

describe('a request', { timeout: 300_000 }, () => {
	let path = '';
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
		wes = await sit(browser, house.origin, 'tarrant');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('is handed to a colleague and found by unit, and its writer reads where it stands', async () => {
		await wes.go('/requests');
		await wes.fill('What is it about?', 'Charter of a second tug');
		await wes.select('Business unit', 'Freight');
		await wes.fill('Wanted by', '14 Dec');
		await wes.press('Send the request');
		await wes.page.waitForFunction(() => /^\/requests\/req_/.test(location.pathname));
		path = await wes.page.evaluate(() => location.pathname);
		await io.go('/requests?unit=unit_1');
		await io.sees('Charter of a second tug');
		await io.go('/requests?unit=unit_0');
		await io.misses('Charter of a second tug');
		await io.go(path);
		await io.select('Give it to', 'Sunniva Reyes');
		await io.press('Give it');
		await io.sees('Sunniva Reyes looks at it');
		await io.select('It is', 'Being looked at');
		await io.press('Say so');
		await io.sees('is told.');
		await wes.go('/requests');
		await wes.sees('being looked at');
	});

	it('is talked about after it became a matter, and the logbook says who reads it', async () => {
		await io.go(path);
		await io.press('Open a matter', 'aside');
		await io.press('Open the matter');
		await io.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		const matter = await io.page.evaluate(() => location.pathname);
		await io.go(`${matter}/docket`);
		await io.sees('Wanted by Wes Tarrant');
		await io.go(path);
		await io.fill('A word to Wes Tarrant', 'Which berth will she use?');
		await io.press('Send it');
		await io.sees('Which berth will she use?');
		await io.sees('Wes Tarrant has not read the last of it yet');
		await wes.go(path);
		await wes.sees('Which berth will she use?');
		const file = join(house.data, 'berth.txt');
		writeFileSync(file, 'Berth 9, from the north.');
		const empty = join(house.data, 'plan.txt');
		writeFileSync(empty, '');
		await wes.fill('Add something', 'Berth 9.');
		const input = () => wes.control('Files');
		await (await input()).uploadFile(empty);
		await wes.press('Send it');
		await wes.sees('plan.txt is empty');
		await (await input()).uploadFile(file);
		await wes.press('Send it');
		await wes.sees('Wes Tarrant writes:');
		await io.go(`${matter}/logbook`);
		await io.sees('Wes Tarrant: Berth 9.');
		await io.sees('Wes Tarrant reads this too, seen');
		await io.sees('berth.txt filed as');
		assert.equal(
			await wes.page.evaluate(() => document.body.innerText.includes('LF-')),
			false,
			'its writer is not told which matter'
		);
	});
});
