/** A matter from its opening with everyone who belongs to it, by its stages, to how it ended. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

describe('a matter with everyone who belongs to it', { timeout: 300_000 }, () => {
	let house: House;
	let browser: Browser;
	let paralegal: Desk;
	let path = '';
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		paralegal = await sit(browser, house.origin, 'abernathy');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});
	const optionsOf = async (label: string) =>
		(await paralegal.control(label)).evaluate((field) =>
			[...(field as unknown as HTMLSelectElement).options].map(({ text }) => text)
		);

	it('is opened with parties, a team and colleagues; faults stand beside their fields', async () => {
		await paralegal.press('Open a matter');
		await paralegal.fill('Title', 'Gangway collapse');
		assert.ok(
			!(await optionsOf('Responsible lawyer')).includes('Dorit Castellan'),
			'only lawyers are offered'
		);
		await paralegal.select('Business unit', 'Passenger');
		await paralegal.fill('Opponent', 'Stellan Ironwod');
		await paralegal.page.keyboard.press('Tab');
		// Near to who is known: nobody makes a second card unseen.
		await paralegal.press('Stellan Ironwood', '[data-near]');
		await paralegal.press('Counsel, judge, insurer');
		await paralegal.fill('Who, 1', 'Sorrel Vane');
		await paralegal.page.keyboard.press('Tab');
		await paralegal.press('A second lawyer');
		await paralegal.select('Colleague 1', 'Sunniva Reyes');
		await paralegal.fill('As', 'second lawyer');
		await paralegal.select('Team', 'Disputes');
		await paralegal.select('Origin', 'Papers served');
		await paralegal.fill('Description', 'The gangway gave way at low tide.');
		await paralegal.press('Open the matter');
		await paralegal.sees('Choose the responsible lawyer.');
		await paralegal.sees('Choose the role.');
		await paralegal.select('Responsible lawyer', 'Tamsin Wardle');
		await paralegal.select('Role', 'opposing counsel');
		await paralegal.press('Open the matter');
		await paralegal.page.waitForFunction(() => /\/matters\/LF/.test(location.pathname));
		path = new URL(paralegal.page.url()).pathname;
		await paralegal.sees('opposing counsel, from 23 Nov');
		await paralegal.sees('Stellan Ironwood');
		await paralegal.sees('Sunniva Reyes second lawyer');
		await paralegal.sees('Priya Lindqvist second lawyer');
		await paralegal.sees('The gangway gave way at low tide.');
	});

	it('says what was done where it lies over nothing', async () => {
		await paralegal.press('Change');
		await paralegal.fill('Title', 'Gangway collapse at Pier 9');
		await paralegal.press('Save the facts');
		await paralegal.sees(/LF-2026-\d{4} Gangway collapse at Pier 9/);
		const clerk = await sit(browser, house.origin, 'castellan');
		await clerk.go('/staff');
		await clerk.fill('A further mark', 'asked');
		await clerk.press('Add it', 'form[action="?/addMark"]');
		const said = await clerk.page.waitForSelector('[data-said]');
		const isCovered = await said!.evaluate((words) => {
			const { left, top, width, height } = words.getBoundingClientRect();
			const on = document.elementFromPoint(left + width / 2, top + height / 2);
			return !(on === words || words.contains(on)) || words.closest('footer') === null;
		});
		assert.equal(isCovered, false);
		await clerk.page.browserContext().close();
	});

	it('moves through the stages of its kind, by which matters are listed', async () => {
		await paralegal.select('Stage', 'Pleadings');
		await paralegal.sees('since 23 Nov');
		await paralegal.go('/matters?who=all&kind=litigation&stage=Pleadings');
		await paralegal.sees('Gangway collapse at Pier 9');
		await paralegal.select('Stage', 'Trial');
		await paralegal.misses('Gangway collapse at Pier 9');
	});

	it('is only read by who was put on it to read', async () => {
		await paralegal.go(path);
		await paralegal.select('Colleague to add', 'Bram Oyelaran');
		await paralegal.click('input[name="access"]');
		await paralegal.press('Add', 'form[action="?/member"]');
		await paralegal.sees('Bram Oyelaran reads');
		const reader = await sit(browser, house.origin, 'oyelaran');
		await reader.go(path);
		await reader.sees('You are on this matter to read it.');
		const offered = await reader.text();
		for (const act of ['Add someone', 'Hold or close', 'Change'])
			assert.ok(!new RegExp(`^${act}$`, 'm').test(offered), act);
		await reader.page.browserContext().close();
	});

	it('is closed on the day it ended, with how it ended', async () => {
		await paralegal.press('Hold or close');
		for (const task of ['Ask the business unit', 'Tell the insurer'])
			await paralegal.select(`What becomes of ${task}`, 'drop it');
		await paralegal.fill('Reason', 'Paid by the insurer');
		await paralegal.press('Close the matter');
		await paralegal.sees('Choose how it ended.');
		await paralegal.select('How it ended', 'Settled');
		await paralegal.fill('Ended on', 'tomorrow');
		await paralegal.press('Close the matter');
		await paralegal.sees('This day is still to come.');
		await paralegal.fill('Ended on', 'today');
		await paralegal.press('Close the matter');
		await paralegal.sees('Closed Mon 23 Nov, settled: Paid by the insurer');
		await paralegal.go('/matters?who=all&ending=Settled');
		await paralegal.sees('Gangway collapse at Pier 9');
	});

	it('has its teams, origins and stages from the department', async () => {
		const clerk = await sit(browser, house.origin, 'castellan');
		await clerk.go('/staff');
		await clerk.press('A new team');
		await clerk.fill('Name', 'Harbor');
		await clerk.press('Keep the team');
		await clerk.sees('A team has at least one colleague.');
		await clerk.select('Colleague 1', 'Sunniva Reyes');
		await clerk.fill('As', 'second lawyer');
		await clerk.press('Keep the team');
		await clerk.page.waitForSelector('[data-team="Harbor"]');
		await clerk.fill('A further origin', 'A union');
		await clerk.page.keyboard.press('Enter');
		await clerk.page.waitForSelector('[data-word="A union"]');
		const operations = await sit(browser, house.origin, 'haddad');
		await operations.go('/kinds/claims');
		await operations.fill('A new stage', 'Subrogation');
		await operations.press('Add', 'section:has(input[aria-label="A new stage"])');
		await operations.press('Save the kind');
		await operations.sees('The kind is saved');
		await operations.page.reload();
		assert.equal(
			await operations.page.$$eval(
				'input[aria-label^="Stage "]',
				(all) => (all.at(-1) as HTMLInputElement).value
			),
			'Subrogation'
		);
	});
});
