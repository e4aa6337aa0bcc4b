/** A line of the pen is corrected where it stands: whose, until when, on which matter. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let desk: Desk;
const write = async (line: string) => {
	await desk.page.keyboard.press('/');
	await desk.page.keyboard.type(line);
};

describe('the pen line', { timeout: 240_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		desk = await sit(browser, house.origin, 'okafor');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('takes a matter by words of its title, and its task to whom and until when one corrects it', async () => {
		await desk.go('/');
		await write('task turnstile draft the reply by friday');
		await desk.sees('Turnstile');
		await desk.select('For whom', 'Lena Fairweather');
		await desk.fill('Until which day', '30 feb');
		await desk.page.keyboard.press('Enter');
		await desk.sees('30 feb is not a date that exists');
		await desk.fill('Until which day', '4 dec');
		await desk.page.keyboard.press('Enter');
		await desk.page.waitForFunction(
			() =>
				document.querySelector<HTMLInputElement>('[aria-label="Until which day"]')?.value ===
				'Fri 4 Dec'
		);
		await desk.page.keyboard.press('Enter');
		await desk.sees(
			/Draft the reply: a task for Lena Fairweather on .*, due Friday 4 December 2026/
		);
	});

	it('asks which of several matters is meant, and enters nothing before', async () => {
		await desk.go('/');
		await write('note lease the lift is broken');
		await desk.sees('Which matter is meant?');
		await desk.page.keyboard.press('Enter');
		await desk.sees('Which matter is meant?');
		const [, first] = await desk.page.$$eval('[aria-label="Which matter"] option', (all) =>
			all.map((one) => one.textContent!.trim())
		);
		assert.ok(first);
		await desk.select('Which matter', first.slice(0, 12));
		await desk.misses('Which matter is meant?');
		await desk.page.focus('[aria-label="Which matter"]');
		await desk.page.keyboard.press('Enter');
		await desk.sees('Noted on');
	});

	it('logs time on the day that one puts in its place', async () => {
		await desk.go('/');
		await write('0.4 turnstile call with the expert yesterday');
		await desk.sees('Turnstile');
		await desk.fill('On which day', 'thu');
		await desk.page.keyboard.press('Tab');
		await desk.page.waitForFunction(
			() =>
				document
					.querySelector<HTMLInputElement>('[aria-label="On which day"]')
					?.value.startsWith('Thu') ?? false
		);
		await desk.page.focus('[aria-label="On which day"]');
		await desk.page.keyboard.press('Enter');
		await desk.sees(/0\.4 h logged on .* for Thursday/);
	});

	it('finds a date of the docket by its words', async () => {
		await desk.go('/');
		await write('expert disclosures');
		await desk.sees(/date Expert disclosures .*2027, docketed/);
	});
});
