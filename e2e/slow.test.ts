/** An answer that comes late takes away nothing that was typed meanwhile. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let clerk: Desk;
const LATE = 700;
const value = (label: string) =>
	clerk.control(label).then((field) => field.evaluate((input) => input.value));
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('a slow line', { timeout: 120_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		clerk = await sit(browser, house.origin, 'castellan');
		await clerk.page.setRequestInterception(true);
		clerk.page.on('request', (request) => {
			const wait = request.url().includes('__data.json') ? LATE : 0;
			void pause(wait).then(() => request.continue());
		});
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('keeps what is typed into the calculator while it counts', async () => {
		await clerk.go('/docket/calculator');
		const amount = await clerk.control('How many');
		await amount.focus();
		await clerk.page.keyboard.type('1');
		await pause(400); // The first figure is asked for; its answer is under way.
		await clerk.page.keyboard.type('4');
		await clerk.page.waitForSelector('[data-result="2026-12-07"]');
		assert.equal(await value('How many'), '14');
	});

	it('keeps a date that is typed with pauses', async () => {
		const from = await clerk.control('From');
		await from.evaluate((field) => field.select());
		for (const part of ['4', ' D', 'ec']) {
			await clerk.page.keyboard.type(part);
			await pause(400);
		}
		await clerk.page.waitForSelector('[data-result="2026-12-18"]');
		assert.equal(await value('From'), '4 Dec');
	});

	it('reads a sign as the way, and follows an address', async () => {
		await clerk.fill('How many', '-5');
		await clerk.page.waitForSelector('[data-result="2026-11-27"]');
		assert.equal(await value('How many'), '5');
		assert.equal(await value('Which way'), 'before');
		await clerk.follow('/docket/calculator?from=2026-12-04&count=%2B2d');
		assert.equal(await value('How many'), '2');
		assert.equal(await value('Which way'), 'after');
	});
});
