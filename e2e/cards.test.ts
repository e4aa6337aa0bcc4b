/** Cards of people: what they hold, two who write one, two made one, numbers kept close. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk;
let tw: Desk;
before(async () => {
	house = await openHouse('demo');
	browser = await openBrowser();
	io = await sit(browser, house.origin, 'okafor');
	tw = await sit(browser, house.origin, 'wardle');
});
after(async () => {
	await browser.close();
	await house.stop();
});

async function add(desk: Desk, name: string, kind: string) {
	await desk.go('/people');
	await desk.press('Add a card');
	await desk.click(`input[name="kind"][value="${kind}"]`);
	await desk.fill('Name', name);
	await desk.press('Add the card');
	await desk.page.waitForFunction(() => /^\/people\/per_/.test(location.pathname));
	return desk.page.evaluate(() => location.pathname);
}
const closed = (desk: Desk) =>
	desk.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
const choose = (desk: Desk, side: 'theirs' | 'yours') =>
	desk.click(`[data-differences] input[value="${side}"]`);

describe('cards', () => {
	let bank = '';

	it('hold how one is printed, who does what, and whose bank it is', async () => {
		await add(io, 'Orla Fairlead', 'person');
		bank = await add(io, 'Tidewater Savings Bank', 'organization');
		await io.press('Change');
		await io.fill('Name as printed', 'Tidewater Savings Bank, N.A.');
		await io.fill('Industry', 'Banking');
		await io.press('Add somebody');
		await io.fill('What 1', 'receives statements');
		await io.choose('Who 1', 'Orla Fairlead');
		await io.press('Add a business unit');
		await io.select('Unit 1', 'Freight');
		await io.press('Save the card');
		await io.sees('Say both: the business unit, and what this is for it.');
		await io.fill('Is its 1', 'bank');
		await io.fill('Reference 1', '0099-417');
		await io.press('Save the card');
		await closed(io);
		for (const words of ['receives statements', 'Orla Fairlead', 'bank of Freight', '0099-417'])
			await io.sees(words);
	});

	it('show two writers what both changed where the eye is, and choose nothing for them', async () => {
		await io.go(bank);
		await tw.go(bank);
		for (const desk of [io, tw]) await desk.press('Change');
		await io.fill('Industry', 'Savings banks');
		await io.fill('Categories', 'bank');
		await io.press('Save the card');
		await closed(io);
		await tw.fill('Industry', 'Trust banks');
		await tw.fill('Note', 'Asks for originals');
		await tw.press('Save the card');
		await tw.sees('Ines Okafor changed this while you wrote.');
		const state = await tw.page.evaluate(() => ({
			focus: document.activeElement?.hasAttribute('data-differences'),
			chosen: document.querySelectorAll('[data-differences] input:checked').length,
			names: document.querySelectorAll('[data-differences] fieldset').length
		}));
		assert.deepEqual(state, { focus: true, chosen: 0, names: 1 });
		await tw.press('Save the card');
		await tw.sees('Choose which of the two holds.');
		// A third change, after this one was shown, is not overwritten either.
		await io.press('Change');
		await io.fill('Industry', 'Co-operative banks');
		await io.press('Save the card');
		await closed(io);
		await choose(tw, 'yours');
		await tw.press('Save the card');
		await tw.sees('Co-operative banks');
		await choose(tw, 'theirs');
		await tw.press('Save the card');
		await closed(tw);
		for (const words of ['Co-operative banks', 'Asks for originals', 'bank']) await tw.sees(words);
	});

	it('are made one side by side, each field chosen, and taken apart again', async () => {
		const other = await add(io, 'Tidewater Savings & Loan', 'organization');
		await io.press('Change');
		await io.fill('Industry', 'Home loans');
		await io.press('Save the card');
		await closed(io);
		await io.go(`${bank}/merge?with=${other.split('/').at(-1)!}`);
		await io.sees('Co-operative banks');
		await io.page.evaluate(() => {
			const row = document.querySelector('[data-field="industry"]')!;
			row.querySelectorAll('input')[1]!.click();
		});
		await io.press('Merge Tidewater Savings & Loan into Tidewater Savings Bank');
		await io.page.waitForFunction(() => !location.pathname.endsWith('/merge'));
		await io.sees('Home loans');
		await io.sees('Tidewater Savings & Loan');
		await io.press('take apart');
		await io.sees('Co-operative banks');
		await io.misses('Home loans');
	});

	it('show an identity number when asked, to who needs it', async () => {
		const card = await add(io, 'Pell Gannet', 'person');
		await io.press('Add an identity number');
		await io.fill('Number', '000-12-3456');
		await io.press('Keep the number');
		await io.sees('No social security number is like that');
		await io.fill('Number', '512449087');
		await io.press('Keep the number');
		await closed(io);
		await io.sees('ends in 9087');
		await io.misses('512-44-9087');
		await io.press('Show the social security number');
		await io.sees('512-44-9087');
		await io.press('hide');
		await io.misses('512-44-9087');
		const ops = await sit(browser, house.origin, 'haddad');
		await ops.go(card);
		await ops.sees('Pell Gannet');
		await ops.misses('Identity numbers');
		await ops.page.browserContext().close();
	});

	it('carry notes that remind on the Day sheet', async () => {
		await io.go(bank);
		await io.fill('A note', 'Ask for the signature cards');
		await io.fill('Remind on', 'today');
		await io.press('Keep the note');
		await io.sees('Ask for the signature cards');
		await io.go('/');
		await io.sees('Reminders of your own');
		await io.press('Done: Ask for the signature cards');
		await io.misses('Ask for the signature cards');
		await io.go('/notes');
		await io.sees('Ask for the signature cards');
	});

	it('in a restricted matter are asked about blind, and answered', async () => {
		await io.go('/matters?who=all&q=Heron');
		await io.press('Project Heron');
		await io.press('Add someone');
		await io.choose('Person or organization', 'Plumbline Partners', 'make a new card');
		await io.select('The card is of', 'an organization');
		await io.press('Add', 'form[action="?/role"]');
		await io.sees('Plumbline Partners');
		await tw.go('/interest');
		await tw.fill('Names to check', 'Plumb Line Partners');
		await tw.press('Check the names');
		await tw.sees('Something is not yours to see.');
		await tw.press('Ask whoever is responsible');
		await tw.sees('Not everybody has answered yet.');
		await io.go('/');
		await io.sees('Is there a conflict?');
		await io.press('speak to me');
		await io.sees('Your answer is on its way.');
		await tw.page.reload();
		await tw.sees('speak to Ines Okafor before you go on.');
		assert.doesNotMatch(await tw.text(), /Heron/);
	});

	it('have fields of the department’s own', async () => {
		const ops = await sit(browser, house.origin, 'haddad');
		await ops.go('/staff');
		await ops.fill('Name of a new field', 'Rating');
		await ops.select('Sort of the new field', 'choice');
		await ops.press('Add the field');
		await ops.sees('Write its options, one a line.');
		await ops.fill('Options of Rating, one a line', 'solid');
		await ops.page.keyboard.press('Tab');
		await ops.press('Keep the fields');
		await ops.sees('The fields are kept; cards ask for them.');
		await ops.page.browserContext().close();
		await io.go(bank);
		await io.press('Change');
		await io.select('Rating', 'solid');
		await io.press('Save the card');
		await closed(io);
		await io.sees('Rating');
	});
});
