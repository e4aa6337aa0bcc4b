/**
 * What somebody finds in the first hour: keys pressed too early or where one already is, a day that
 * is mistyped, a server that is gone for a moment, a draft taken up the next day.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let clerk: Desk;

const address = async (title: string): Promise<string> => {
	await clerk.go(`/matters?who=all&q=${encodeURIComponent(title)}`);
	return (await clerk.attribute('a[data-row]', 'href'))!;
};
const isOpen = () => clerk.page.$('[role="dialog"]').then((dialog) => dialog !== null);
const closed = () =>
	clerk.page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);

describe('the first hour on the docket', { timeout: 300_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		clerk = await sit(browser, house.origin, 'castellan');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('a key for a new event opens it wherever one is, and the keys after it are for the form', async () => {
		const matter = await address('Pier 9');
		await clerk.go(matter);
		await clerk.page.keyboard.press('e');
		// "s" goes to the second check and "d" to the docket: not while the form is on its way.
		await clerk.page.keyboard.type('sd');
		await clerk.sees('What happened');
		assert.equal(new URL(clerk.page.url()).pathname, `${matter}/docket`);
		await clerk.page.waitForFunction(() => location.search === '');
		await clerk.page.keyboard.press('Escape');
		if (await isOpen()) await clerk.page.keyboard.press('Escape');
		await closed();
		for (const _time of ['once', 'and again']) {
			await clerk.page.keyboard.press('e');
			await clerk.sees('What happened');
			await clerk.page.keyboard.press('Escape');
			if (await isOpen()) await clerk.page.keyboard.press('Escape');
			await closed();
		}
	});

	it('a date that was not ticked stays so though the day was mistyped meanwhile', async () => {
		await clerk.go(`${await address('Dock 4')}/docket`);
		await clerk.press('Enter an event');
		await clerk.choose('What happened', 'motion filed', 'Motion filed');
		await clerk.fill('On', '20 nov 2026');
		await clerk.sees('Docket 2 dates');
		await clerk.click('input[aria-label="Docket reply"]');
		await clerk.sees('Docket 1 date');
		await clerk.fill('On', '30 feb');
		await clerk.sees('is not a date that exists');
		await clerk.fill('On', '19 nov 2026');
		await clerk.sees('Docket 1 date');
	});

	it('a server that is gone says so, and counts once it is back', async () => {
		await clerk.page.setOfflineMode(true);
		await clerk.fill('On', '18 nov 2026');
		await clerk.sees('The server could not be reached. What you typed is kept.');
		await clerk.page.setOfflineMode(false);
		await clerk.fill('On', '17 nov 2026');
		await clerk.sees('Docket 1 date');
	});

	it('a draft of yesterday still means yesterday when it is taken up tomorrow', async () => {
		await clerk.fill('On', 'yesterday');
		await clerk.page.keyboard.press('Tab');
		await clerk.page.reload();
		await clerk.settled();
		await clerk.press('Enter an event');
		await clerk.sees('You left something here: Motion filed, Sunday 22 November 2026.');
	});

	it('a hearing on a day the court does not sit says so while it is entered', async () => {
		await clerk.press('take it up');
		await clerk.choose('What happened', 'hearing of a motion', 'Hearing of a motion');
		await clerk.fill('On', '25 dec 2026');
		await clerk.sees('Falls on a day the court does not sit');
		await clerk.page.keyboard.press('Escape');
		await closed();
		await clerk.page.keyboard.press('/');
		await clerk.page.keyboard.type('deposition of Dr. Quill 25 dec 2026 9:30 am');
		await clerk.sees('Falls on a day the court does not sit');
		await clerk.page.keyboard.press('Enter');
		await clerk.sees(/Deposition of Dr\. Quill on .* December 2026: it is docketed/);
		await clerk.press('Take back');
		await clerk.sees('Taken back');
	});

	it('what moves an event begins in its day, and shows its button without scrolling', async () => {
		await clerk.go(`${await address('Slip 4')}/docket`);
		await clerk.press('move or correct');
		await clerk.page.waitForSelector('aside[aria-label="If the event moves"]');
		await clerk.page.keyboard.press('Escape');
		await clerk.misses('nothing is saved yet');
		await clerk.press('move or correct');
		await clerk.sees('nothing is saved yet');
		await clerk.page.keyboard.type('11/14/26');
		await clerk.sees('Move all');
		const bottom = await clerk.page.$eval(
			'aside[aria-label="If the event moves"] .btn.go',
			(button) => button.getBoundingClientRect().bottom
		);
		assert.ok(bottom < 752, `the button ends at ${bottom}`);
		await clerk.press('Cancel', 'aside[aria-label="If the event moves"]');
	});

	it('a closed matter offers nothing that would be refused', async () => {
		await clerk.go('/matters?who=all&status=closed');
		await clerk.click('a[data-row]');
		await clerk.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		const matter = new URL(clerk.page.url()).pathname;
		await clerk.go(`${matter}/docket`);
		const offered = await clerk.text();
		assert.doesNotMatch(offered, /Enter an event|By hand|Scheduling order/);
		await clerk.page.keyboard.press('e');
		await clerk.settled();
		assert.equal(await isOpen(), false);
	});

	it('what was said of a field goes when the field is mended, and a closure says whom it moves', async () => {
		await clerk.go('/docket/closures');
		await clerk.press('Add a closure');
		await clerk.select('Court', 'Federal courts (civil)');
		await clerk.fill('Reason', 'Flood of the courthouse');
		await clerk.fill('Day', '31/31/26');
		await clerk.press('Add the closure');
		await clerk.sees('31/31/26 is not a date');
		await clerk.fill('Day', '12/10/26');
		await clerk.sees('Thursday 10 December 2026');
		await clerk.misses('is not a date');
		const row = await clerk.page.waitForSelector('tr[data-effect]');
		assert.match(await row!.evaluate((line) => line.textContent!), /10 Dec.*1[1-4] Dec/s);
		await clerk.page.keyboard.press('Escape');
	});

	it("a court's list finds any number of a matter, and nobody sees agreement where they see nothing", async () => {
		await clerk.go('/docket/reconcile');
		await clerk.paste("The court's list", 'Tue 12/1/2026 10:00 AM HM 26-40918 Motion to strike');
		await clerk.press('Compare with our docket');
		await clerk.sees('Everything is as the court has it');
		await clerk.paste(
			"The court's list",
			'Thu 12/17/2026 9:00 AM HM-26-40918 Mediation\nWed 12/1/2026 HM-26-40918 Motion to strike'
		);
		await clerk.press('Compare with our docket');
		await clerk.sees('12/1/2026 is a Tuesday');
		await clerk.sees('Thu 17 Dec, 09:00 Mediation');
		assert.equal(
			await clerk.page.$$eval('[data-group="differs"] .text-spruce', (all) => all.length),
			0
		);
		await clerk.paste("The court's list", '1/15/2027 ZZ 99-0000 Status conference');
		await clerk.press('Compare with our docket');
		await clerk.sees('Of no matter that you see: 1');
		const counsel = await sit(browser, house.origin, 'okafor');
		await counsel.page.goto(clerk.page.url());
		await counsel.sees('Nothing of this comparison is yours to see');
	});
});
