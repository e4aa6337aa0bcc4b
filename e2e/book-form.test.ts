/** A book of rules by people who do not write YAML: the form, its examples, its text beside it. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { openBrowser, openHouse, sit, type Desk } from './house.ts';

describe('a book of rules, by form', () => {
	let house: Awaited<ReturnType<typeof openHouse>>;
	let browser: Awaited<ReturnType<typeof openBrowser>>;
	let clerk: Desk;
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		clerk = await sit(browser, house.origin, 'castellan');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});
	/** The text of the draft, as it would be saved. */
	const text = () =>
		clerk.page.$eval('input[name="yaml"]', (input) => (input as HTMLInputElement).value);
	const write = async (change: (yaml: string) => string) => {
		const yaml = change(
			await clerk.page.$eval(
				'textarea[aria-label="The book in YAML"]',
				(area) => (area as HTMLTextAreaElement).value
			)
		);
		await clerk.page.$eval(
			'textarea[aria-label="The book in YAML"]',
			(area, next) => {
				(area as HTMLTextAreaElement).value = next;
				area.dispatchEvent(new Event('input', { bubbles: true }));
			},
			yaml
		);
	};

	it('is begun from nothing, and says what is still missing at its place', async () => {
		await clerk.go('/rulebooks/new');
		await clerk.press('Rules of a court or an agency');
		await clerk.sees('title: is missing');
		await clerk.fill('Title', 'Harbor Court of Eastlake');
		await clerk.fill('Short title', 'Harbor Ct.');
		await clerk.fill('Name in the house', 'Harbor Court');
		await clerk.sees('Has small letters, digits, points and hyphens only');
		await clerk.fill('Name in the house', 'own.harbor-court');
		await clerk.sees('does not say how its court counts');
		await clerk.select('Counts as', 'Southern District of New York');
		await clerk.sees('It holds together');
	});

	it('gets an event with a question and a date, in words as one types', async () => {
		await clerk.press('One more event');
		await clerk.fill('What happens', 'pilotage order entered');
		await clerk.page.click('input[type="checkbox"]');
		await clerk.press('One more question');
		await clerk.fill('What is asked, question 1', 'Is it urgent?');
		await clerk.fill('Answer 1, question 1', 'no');
		await clerk.fill('Answer 2, question 1', 'yes');
		await clerk.press('One more date');
		await clerk.fill('What is due', 'answer the order');
		await clerk.fill('Authority', 'Harbor Ct. R. 12');
		await clerk.fill('How many', 'soon');
		await clerk.page.keyboard.press('Tab');
		await clerk.sees('“soon” is not a whole number');
		await clerk.fill('How many', '14 court days after');
		await clerk.page.keyboard.press('Tab');
		await clerk.page.waitForFunction(
			() =>
				document.querySelector('[data-count-words]')!.textContent!.trim() === '14 court days after'
		);
	});

	it('counts an example as soon as its day is typed, before it says what it gives', async () => {
		await clerk.fill('Day of the event, example 1', '2 Nov 2026');
		// Election Day (3 November, New York) and Veterans Day are skipped.
		await clerk.sees('The count gives Tuesday 24 November 2026');
		await clerk.fill('The date must be, example 1', '23 Nov 2026');
		await clerk.sees('the example says 2026-11-23, the count gives 2026-11-24');
		await clerk.press('That is right');
		await clerk.sees('The count agrees.');
		await clerk.fill('Day of the event, example 2', '2 Dec 2026');
		await clerk.fill('The date must be, example 2', '22 Dec 2026');
		await clerk.sees('2 of 2 agree');
		await clerk.sees('It holds together');
	});

	it('counts otherwise after an answer, and warns early', async () => {
		await clerk.press('Count otherwise after an answer');
		await clerk.select('Is it urgent? (variant 1)', 'yes');
		await clerk.fill('How many, variant 1', '3');
		await clerk.select('Of what, variant 1', 'days');
		await clerk.press('One more example');
		await clerk.fill('Day of the event, example 3', '2 Dec 2026');
		await clerk.select('Is it urgent? (example 3)', 'yes');
		await clerk.sees('The count gives Monday 7 December 2026');
		await clerk.press('That is right');
		await clerk.press('One more early warning');
		await clerk.fill('What to look at, warning 1', 'look for the pilot’s log');
		await clerk.fill('How long, warning 1', '5 days before');
		await clerk.select('Of which date, warning 1', 'answer the order');
		await clerk.fill('What is due', 'answer the pilotage order');
		await clerk.page.keyboard.press('Tab');
		await clerk.sees('It holds together');
		assert.match(
			await text(),
			/of: answer-the-pilotage-order/,
			'what hangs on it follows its name'
		);
		assert.match(await text(), /count: -5d/);
	});

	it('is the same draft as text, and stays when one reloads', async () => {
		await clerk.press('Text (YAML)');
		await write((yaml) =>
			yaml.replace('  - event: pilotage', '  # By the harbor master.\n  - event: pilotage')
		);
		await clerk.sees('It holds together');
		await clerk.page.reload();
		await clerk.sees('It holds together');
		await write((yaml) => yaml.replace('title: Harbor', 'title: "Harbor'));
		await clerk.sees('never closed');
		await clerk.press('Form');
		await clerk.sees('the form cannot show it');
		await clerk.press('Go to the fault');
		await write((yaml) => yaml.replace('title: "Harbor', 'title: Harbor'));
		await clerk.press('Form');
		await clerk.select('Part of the book', 'pilotage order entered');
		await clerk.sees('3 of 3 agree');
		await clerk.fill('What its day is', 'the day it is entered');
		assert.match(await text(), /# By the harbor master\.[\s\S]*hint: the day it is entered/);
		await clerk.press('Save the book');
		await clerk.page.waitForSelector('input[name="reason"][aria-invalid="true"]');
		await clerk.fill('What changed', 'The rules of the harbor court');
		await clerk.press('Save the book');
		await clerk.sees('14 court days after');
		await clerk.sees('3 worked examples');
		await clerk.sees('5 days before “answer the pilotage order”');
	});

	it('is not lost to a file that is no book, and can be saved from where one writes', async () => {
		await clerk.press('Change “answer the pilotage order”');
		await clerk.fill('What its day is', 'the day it is docketed');
		const before = await text();
		await clerk.give('input[type="file"]', 'package.json');
		await clerk.page.waitForFunction(
			() => !document.querySelector('input[name="yaml"]')!.matches('[value*="pilotage"]')
		);
		await clerk.press('Back to what stood here before');
		assert.equal(await text(), before);
		await clerk.press('Back to the last version');
		const foot = await clerk.page.$eval(
			'[data-foot] .btn.go',
			(save) => save.getBoundingClientRect().bottom
		);
		assert.ok(foot < 750, 'Save is above the pen line');
		await clerk.go('/rulebooks/own.harbor-court');
	});

	it('is changed in the form, as a further version', async () => {
		await clerk.press('Change “answer the pilotage order”');
		await clerk.sees('It holds together');
		await clerk.fill('How many', '10');
		await clerk.sees('2 faults');
		await clerk.press('That is right');
		await clerk.press('That is right');
		await clerk.sees('It holds together');
		await clerk.fill('What changed', 'Ten days since the amendment');
		await clerk.press('Save this version');
		await clerk.sees('still says');
		await clerk.select('Part of the book', 'The book itself');
		await clerk.fill('Version', '2026-12');
		await clerk.sees('It holds together');
		await clerk.press('Save this version');
		await clerk.sees('10 court days after');
		await clerk.sees('Ten days since the amendment');
	});

	it('switches a rule of the book below off, and lets another count otherwise', async () => {
		await clerk.go('/rulebooks/new?as=rules');
		await clerk.fill('Title', 'Judge of the sound');
		await clerk.fill('Short title', 'Sound');
		await clerk.fill('Name in the house', 'own.sound');
		await clerk.select('Lies over', 'Southern District of New York');
		await clerk.sees('Rules below that do not apply here');
		await clerk.page.waitForFunction(() =>
			[...document.querySelectorAll('option')].some(({ text }) => text.startsWith('answer served'))
		);
		await clerk.select('A rule that does not apply', 'answer served');
		await clerk.press('Switch it off');
		await clerk.press('One more rule that counts otherwise');
		const options = await clerk.page.evaluate(() =>
			[...document.querySelectorAll('select option')].map((option) => option.textContent!)
		);
		const other = options.find((words) => words.startsWith('complaint filed'))!;
		await clerk.select('Which, rule 1', other);
		await clerk.fill('By what authority, rule 1', 'Individual practice 4');
		await clerk.fill('How many, rule 1', '30');
		await clerk.sees('It holds together');
		assert.match(await text(), /off:\n {2}- answer-served\//);
		assert.match(await text(), /count: \+30d/);
	});
});
