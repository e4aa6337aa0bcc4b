/** Words in a field that finds are chosen, made new, or refused beside it: never dropped. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk;
const focused = () =>
	io.page.evaluate(() => (document.activeElement as HTMLInputElement | null)?.value);
const closed = () =>
	io.page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);

describe('names that were typed and not chosen', { timeout: 300_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('are refused beside the field of a card, and can be emptied', async () => {
		await io.go('/people?q=Halyard');
		await io.click('a[data-row]');
		await io.page.waitForFunction(() => location.pathname.startsWith('/people/'));
		await io.settled();
		await io.press('Change');
		await io.fill('Parent organization', 'Quillfeather Holdings');
		await io.page.keyboard.press('Tab');
		await io.press('Save the ');
		await io.sees('“Quillfeather Holdings” was not chosen. Choose it from the list, or empty the');
		await io.page.waitForFunction(() => document.activeElement?.tagName === 'INPUT');
		assert.equal(await focused(), 'Quillfeather Holdings');
		await io.fill('Parent organization', '');
		await io.press('Save the ');
		await closed();
	});

	it('are taken where they are the whole name of one', async () => {
		const name = await io.page.$eval('h1', (head) => head.textContent!.trim());
		const parent = await io.page.evaluate(async (own) => {
			const response = await fetch('/api/people?q=insur');
			const found = (await response.json()) as { name: string; kind: string }[];
			return found.find((card) => card.kind === 'organization' && card.name !== own)!.name;
		}, name);
		await io.press('Change');
		await io.fill('Parent organization', parent);
		await io.page.waitForFunction((words) => option(words) !== null, {}, parent);
		await io.settled();
		await io.page.keyboard.press('Tab');
		await io.press('Save the ');
		await closed();
		await io.sees(parent);
		// Changed and not chosen again: neither the old one nor none is kept in silence.
		await io.press('Change');
		await io.fill('Parent organization', `${parent} North`);
		await io.page.keyboard.press('Tab');
		await io.press('Save the ');
		await io.sees(`“${parent} North” was not chosen.`);
		await io.page.keyboard.press('Escape');
		if (await io.page.$('[role="dialog"]')) await io.page.keyboard.press('Escape');
		await closed();
		await io.page.reload();
		await io.settled();
		await io.sees(parent);
	});

	it('of a fact are offered as a new card, or refused', async () => {
		await io.go('/matters?who=all&q=Pier%209');
		await io.click('a[data-row]');
		await io.page.waitForFunction(() => location.pathname.startsWith('/matters/'));
		await io.settled();
		await io.press('Change');
		const field = await io.page.waitForSelector('[role="dialog"] [data-combobox-input]');
		const label = await field!.evaluate(
			(input) => input.closest('div')!.querySelector('label')!.textContent!
		);
		await io.fill(label, 'Odalys Fenwright');
		await io.page.keyboard.press('Tab');
		await io.press('Save the ');
		await io.sees('“Odalys Fenwright” was not chosen.');
		await io.choose(label, 'Odalys Fenwright');
		await io.press('Save the ');
		await closed();
		await io.go('/people?q=Fenwright');
		await io.sees('Odalys Fenwright');
	});
});
