/** From a request to a complete matter, and everything around it, through the real interface. */
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk, wes: Desk, ops: Desk;
const scratch = mkdtempSync(join(tmpdir(), 'kite-matters-'));
async function matter(desk: Desk, title: string): Promise<string> {
	await desk.go(`/matters?who=all&closed=1&q=${encodeURIComponent(title)}`);
	return (await desk.page.$$eval(
		'a[data-row]',
		(all, index) => all.find((a) => a.textContent!.includes(index))!.getAttribute('href'),
		title
	))!;
}
const path = (desk: Desk) => desk.page.evaluate(() => location.pathname);
const download = async (desk: Desk, address: string) =>
	desk.page.evaluate(async (a) => {
		const response = await fetch(a);
		return [response.status, response.headers.get('content-type'), await response.text()] as const;
	}, address);

describe('matters, people, requests', { timeout: 900_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		[io, wes, ops] = [
			await sit(browser, house.origin, 'okafor'),
			await sit(browser, house.origin, 'tarrant'),
			await sit(browser, house.origin, 'haddad')
		];
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('a request is drafted, sent with a file, asked back, answered, and becomes a matter with nothing typed twice', async () => {
		await wes.press('Send the request');
		await wes.sees('What it is about is missing.');
		await wes.fill('What is it about?', 'Souvenir shop lease');
		await wes.fill('What should we know?', 'The landlord wants five years.');
		await wes.press('Keep as a draft');
		await wes.sees('The draft is kept.');
		await io.go('/requests');
		assert.ok(!(await io.text()).includes('Souvenir shop lease'), 'a draft is nobody else’s');
		await wes.go('/requests');
		await wes.press('Souvenir shop lease');
		await wes.page.waitForFunction(() => location.search.includes('draft='));
		await wes.select('Business unit', 'Onboard Retail');
		await wes.fill('Who is on the other side?', 'Gullhaven Properties LLC');
		await wes.select('How urgent?', 'urgent');
		writeFileSync(join(scratch, 'lease.txt'), 'The term is five years from January.');
		await (await wes.control('Files')).uploadFile(join(scratch, 'lease.txt'));
		await wes.press('Send the request');
		await wes.page.waitForFunction(() => /^\/requests\/req_/.test(location.pathname));
		await wes.sees('Sent, nobody has taken it yet');
		const request = await path(wes);

		await io.go('/requests');
		await io.press('Souvenir shop lease');
		await io.press('Take it');
		await io.sees('Ines Okafor looks at it');
		await io.press('Ask back');
		await io.fill('Your question', 'Which pier?');
		await io.press('Send the question');
		await io.sees('Waits for an answer');
		await wes.go(request);
		await wes.sees('Which pier?');
		await wes.fill('Your answer', 'Pier 2, beside the kiosk.');
		await wes.press('Answer');
		await wes.sees('Ines Okafor looks at it');

		await io.go(request);
		await io.press('Open a matter', 'aside');
		await io.sees('From request');
		assert.equal(
			await (await io.control('Title')).evaluate((input) => input.value),
			'Souvenir shop lease'
		);
		assert.equal(
			await (
				await io.control('Priority')
			).evaluate((input) => (input as unknown as HTMLSelectElement).value),
			'high'
		);
		await io.select('Kind', 'Real estate');
		await io.fill('Premises', 'Shop at Pier 2');
		await io.fill('Ends on', '31 Dec 2031');
		await io.press('Open the matter');
		await io.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		await io.sees('Gullhaven Properties LLC');
		await io.sees('31 December 2031');
		const opened = await path(io);
		await io.go(`${opened}/logbook`);
		for (const words of [
			'The landlord wants five years.',
			'Which pier?',
			'Pier 2, beside the kiosk.',
			'lease.txt filed as',
			'Interest check of Gullhaven Properties LLC',
			'First tasks of real estate'
		])
			await io.sees(words);
		await wes.go(request);
		await wes.sees('In work with Ines Okafor');
		assert.ok(!(await wes.text()).includes('LF-20'), 'the partner is not told which matter');
		await wes.go(opened);
		await wes.sees('There is no such');
	});

	it('a matter is opened by keyboard alone, its first fault kept beside its field', async () => {
		await io.go('/matters');
		await io.page.keyboard.press('n');
		await io.sees('Open a matter');
		await io.settled();
		// Focus is in the drawer: from the closing key to the title, and on.
		const tabTo = async (label: string) => {
			for (let i = 0; i < 40; i++) {
				if (
					await io.page.evaluate((text) => {
						const input = document.activeElement as HTMLInputElement | null;
						return (input?.labels?.[0]?.innerText ?? input?.innerText ?? '')
							.trim()
							.startsWith(text);
					}, label)
				)
					return;
				await io.page.keyboard.press('Tab');
			}
			throw new Error(`Tab does not reach ${label}`);
		};
		await tabTo('Title');
		await io.page.keyboard.type('Keyboard matter');
		await tabTo('Open the matter');
		await io.page.keyboard.press('Enter');
		await io.sees('Choose a business unit.');
		await io.page.waitForFunction(
			() => (document.activeElement as HTMLSelectElement).name === 'unitId'
		);
		await io.page.keyboard.type('Ter');
		await tabTo('Opponent');
		await io.page.keyboard.type('Brand New Opponent');
		await io.page.waitForFunction(() =>
			[...document.querySelectorAll('[role="option"]')].some((element) =>
				element.textContent!.includes('make a new card')
			)
		);
		await io.page.keyboard.press('ArrowDown');
		await io.page.keyboard.press('Enter');
		await tabTo('Open the matter');
		await io.page.keyboard.press('Enter');
		await io.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		await io.sees('Keyboard matter');
		await io.sees('Brand New Opponent');
		await io.sees('Still missing: court, case number, judge, opposing counsel.');
		// One keystroke brings it back.
		await io.go('/docket');
		await io.page.keyboard.press('m');
		await io.sees('Pinned and recent');
		await io.page.waitForFunction(
			() => document.activeElement?.closest('[role="dialog"]') !== null
		);
		const at = await io.page.$$eval('[aria-label="Pinned and recent matters"] a', (all) =>
			all.findIndex((a) => a.textContent!.includes('Keyboard matter'))
		);
		await io.page.keyboard.press(String(at + 1) as '1');
		await io.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		await io.sees('Keyboard matter');
	});

	it('facts are changed, and two writers see their difference', async () => {
		const quay = await matter(io, 'Quay wall');
		const tw = await sit(browser, house.origin, 'wardle');
		await io.go(quay);
		await io.press('Change');
		await io.sees('Facts of claims and recoveries');
		await tw.go(quay);
		await tw.press('Change');
		await tw.sees('Facts of claims and recoveries');
		await io.fill('Reserve', 'a lot');
		await io.press('Save the facts');
		await io.sees('“a lot” is not an amount.');
		await io.fill('Reserve', '75,000');
		await io.fill('Recovered', '1,000');
		await io.press('Save the facts');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
		await io.sees('75,000.00');
		await tw.fill('Reserve', '80,000');
		await tw.fill('Where it happened', 'Berth 4, east end');
		await tw.press('Save the facts');
		await tw.sees('Ines Okafor changed this while you wrote.');
		await tw.sees('75,000.00');
		await tw.page.evaluate(() =>
			(
				document.querySelector('[data-differences] input[value="theirs"]') as HTMLInputElement
			).click()
		);
		await tw.press('Save the facts');
		await tw.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
		for (const words of ['75,000.00', '1,000.00', 'Berth 4, east end']) await tw.sees(words);
		await tw.press('number');
		await tw.fill('Whose number', 'insurer');
		await tw.fill('The number', 'CLM 99-1234');
		await tw.press('Add the number');
		await tw.sees('CLM 99-1234');
		await tw.go('/matters?who=all&q=99-1234');
		assert.equal((await tw.page.$$('a[data-row]')).length, 1, 'found by the insurer’s number');
		await tw.page.browserContext().close();
	});

	it('an interest check finds misspelled names, keeps silent on restricted matters, and is decided', async () => {
		const heron = await matter(io, 'Project Heron');
		await io.go(heron);
		await io.press('Add someone');
		await io.choose('Person or organization', 'Ospreyline Capital', 'make a new card');
		await io.select('The card is of', 'an organization');
		await io.press('Add', 'form[action="?/role"]');
		await io.sees('Ospreyline Capital');
		await ops.go('/interest');
		await ops.fill('Names to check', 'Osprey Line Capital');
		await ops.press('Check the names');
		await ops.sees('Ask before you go on');
		await ops.sees('nothing found');
		assert.ok(!/Heron|Ospreyline/.test(await ops.text()));
		await ops.go('/people?q=ospreyline');
		await ops.sees('Nobody fits.');
		await io.go('/interest');
		await io.fill('Names to check', 'Osprey Line Capital');
		await io.press('Check the names');
		await io.sees(/director on LF-2026-\d+ Project Heron/);
		await io.sees('written together');
		await io.press('Decide');
		await io.sees('Choose: clear, waived or declined.');
		await io.page.evaluate(() =>
			(document.querySelector('input[value="waived"]') as HTMLInputElement).click()
		);
		await io.fill('Reason', 'Both sides know.');
		await io.press('Decide');
		await io.sees('Waived');
		await io.sees('Both sides know.');
	});

	it('a kind gets a fact, which its matters show at once; one taken away stays readable', async () => {
		await ops.go('/kinds');
		await ops.press('Claims and recoveries');
		await ops.page.waitForFunction(() => location.pathname === '/kinds/claims');
		await ops.settled();
		await ops.fill('Name of a new fact', 'Tide at the time');
		await ops.select('Sort of the new fact', 'choice');
		await ops.press('Add the fact');
		await ops.fill('Options of Tide at the time', '');
		await ops.page.keyboard.press('Tab');
		await ops.sees('needs at least one option');
		await ops.fill('Options of Tide at the time', 'ebb\nflood');
		await ops.page.keyboard.press('Tab');
		await ops.press('Remove Where it happened');
		await ops.press('Save the kind');
		await ops.sees('The kind is saved');
		const quay = await matter(io, 'Quay wall');
		await io.go(quay);
		await io.sees('Where it happened (no longer asked)');
		await io.press('Change');
		await io.select('Tide at the time', 'flood');
		await io.press('Save the facts');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
		await io.sees('Tide at the time');
		assert.equal((await download(ops, '/kinds/claims/yaml'))[2].includes('Tide at the time'), true);
		assert.equal((await download(io, '/kinds/claims/yaml'))[0], 404);
	});

	it('the list is filtered, grouped, sorted, kept as a view, changed in bulk and exported', async () => {
		await io.go('/matters?who=all');
		await io.select('Group by', 'by lawyer');
		await io.page.waitForFunction(() => location.search.includes('group=lawyer'));
		await io.sees('Mateo Quiroga');
		await io.select('Business unit', 'Terminals');
		await io.page.waitForFunction(() => location.search.includes('unit='));
		await io.settled();
		await io.press('Columns');
		await io.press('show Open tasks');
		await io.press('Show 9 columns');
		await io.page.waitForFunction(() => location.search.includes('tasks'));
		await io.page.waitForFunction(() =>
			[...document.querySelectorAll('th')].some((element) =>
				element.textContent!.includes('Open tasks')
			)
		);
		await io.page.evaluate(() =>
			[...document.querySelectorAll<HTMLAnchorElement>('th a')]
				.find((a) => a.textContent!.includes('Age'))!
				.click()
		);
		await io.page.waitForFunction(() => location.search.includes('sort=age'));
		await io.settled();
		await io.press('keep this view');
		await io.fill('Name of the view', 'Terminals by lawyer');
		await io.press('Keep it');
		await io.sees('The view is kept.');
		await io.go('/matters');
		await io.press('Terminals by lawyer');
		await io.page.waitForFunction(
			() => location.search.includes('group=lawyer') && location.search.includes('sort=age')
		);
		await io.settled();
		// By keyboard: down, choose with the space bar.
		await io.page.evaluate(() => document.querySelector<HTMLAnchorElement>('a[data-row]')!.focus());
		await io.page.keyboard.press(' ');
		await io.page.keyboard.press('ArrowDown');
		await io.page.keyboard.press(' ');
		await io.sees('2 matters chosen');
		await io.press('Change them');
		await io.select('What changes', 'Priority');
		await io.select('To', 'low');
		await io.press('Show what it would do');
		await io.sees('changes');
		await io.press('Change 2 matters');
		await io.sees('Changed 2 matters.');
		const [status, type, text] = await download(
			io,
			`/matters/export${await io.page.evaluate(() => location.search)}&as=csv`
		);
		assert.deepEqual([status, type], [200, 'text/csv; charset=utf-8']);
		assert.match(text, /Open tasks/);
		const lines = text.trim().split('\r\n').length - 1;
		assert.equal(lines, (await io.page.$$('a[data-row]')).length);
		await io.go('/figures');
		await io.press('Terminals');
		await io.page.waitForFunction(
			() => location.pathname === '/matters' && location.search.includes('unit=')
		);
	});

	it('a question in the logbook reaches the colleague it names, who answers', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(`${pier}/logbook`);
		await io.fill('Write a note', 'Do we have the tide table, @Dor');
		await io.press('Dorit Castellan', 'form[action="?/note"]');
		await io.page.keyboard.type('please? #tides');
		await io.page.evaluate(() =>
			(document.querySelector('input[name="asks"]') as HTMLInputElement).click()
		);
		await io.press('Ask');
		await io.sees('#tides');
		const dc = await sit(browser, house.origin, 'castellan');
		await dc.sees('You are asked');
		await dc.press('Do we have the tide table', 'main').catch(async () => {
			await dc.page.evaluate(() =>
				[...document.querySelectorAll<HTMLAnchorElement>('main a')]
					.find((a) => a.textContent!.includes('tide table'))!
					.click()
			);
		});
		await dc.page.waitForFunction(() => location.pathname.endsWith('/logbook'));
		await dc.press('answer');
		await dc.fill('Your answer', 'Filed under evidence.');
		await dc.press('Answer');
		await dc.go(`${pier}/logbook`);
		await dc.sees('to Ines Okafor: Do we have the tide table');
		await io.go(`${pier}/logbook?tag=tides`);
		await io.sees('1 answer');
		assert.equal((await io.page.$$('[data-entry]')).length, 1);
		await dc.page.browserContext().close();
	});

	it('a long logbook fetches older entries as one scrolls', async () => {
		const fuel = await matter(io, 'Fuel supply');
		await io.go(`${fuel}/logbook`);
		const n = () => io.page.$$eval('[data-entry]', (all) => all.length);
		const total = Number(/(\d+) entries/.exec(await io.text())![1]);
		assert.ok(total > 120, `${total}`);
		for (let i = 0; i < 30 && (await n()) < total; i++) {
			await io.page.evaluate(() => document.querySelector('main')!.scrollTo(0, 1e7));
			await new Promise((item) => setTimeout(item, 150));
		}
		assert.equal(await n(), total);
		assert.equal(
			new Set(await io.page.$$eval('[data-entry]', (all) => all.map((each, i) => `${i}`))).size,
			total
		);
	});

	it('the trial view counts down, keeps exhibits and witnesses in order', async () => {
		const pier = await matter(io, 'Pier 9');
		await io.go(`${pier}/trial`);
		await io.sees('294 days to go');
		await io.press('Add an exhibit');
		await io.fill('What it is', 'The old handrail');
		await io.press('Add the exhibit');
		await io.page.waitForSelector('[data-exhibit="4"]');
		await io.press('mark exhibit 4');
		await io.fill('Offered on', 'tomorrow');
		await io.press('Mark the exhibit');
		await io.sees('That day has not come yet.');
		await io.fill('Offered on', 'today');
		await io.select('Ruling', 'admitted');
		await io.press('Mark the exhibit');
		await io.sees('admitted 23 Nov');
		const order = () =>
			io.page.$$eval('[data-witness]', (all) =>
				all.map((each) => each.getAttribute('data-witness'))
			);
		const before = await order();
		await io.press(`${before[1]} up`);
		await io.page.waitForFunction(
			(n) => document.querySelector('[data-witness]')!.getAttribute('data-witness') === n,
			{},
			before[1]!
		);
		assert.deepEqual((await order()).slice(0, 2), [before[1], before[0]]);
	});

	it('closing settles everything open, takes dates off the calendars; reopening brings them back', async () => {
		const pier = await matter(io, 'Pier 9');
		const dates = async () => {
			await io.go('/docket?show=open');
			return io.page.$$eval(
				'[data-deadline]',
				(all) =>
					all.map((each) => each.textContent!).filter((text) => text.includes('Pier 9')).length
			);
		};
		const before = await dates();
		assert.ok(before >= 4);
		await io.go(pier);
		await io.press('Hold or close');
		await io.fill('Reason', 'Settled at mediation');
		await io.select('How it ended', 'Settled');
		await io.press('Close the matter');
		await io.sees(/Not settled yet: \d dates, \d tasks\. Choose what becomes of each\./);
		await io.press('vacate the rest');
		await io.press('drop the rest');
		for (const box of await io.page.$$('[role="dialog"] input[type="checkbox"]')) await box.click();
		await io.press('Close the matter');
		await io.sees('The matter is closed.');
		await io.sees('Settled at mediation');
		await io.sees(/Kept until 23 Nov 2033/);
		assert.equal(await dates(), 0);
		await io.go(`${pier}/docket`);
		await io.sees('vacated: Matter closed: Settled at mediation');
		await io.go(pier);
		await io.press('Reopen');
		await io.fill('Reason', 'Breach of the settlement');
		await io.press('Reopen the matter');
		await io.sees('The matter is open again.');
		assert.equal(await dates(), before);
	});

	it('two cards are merged and taken apart; vCards go out and in', async () => {
		for (const name of ['Larkspur Dredging Inc.', 'Larkspur Dredgeing']) {
			await io.go('/people');
			await io.press('Add a card');
			await io.page.evaluate(() =>
				(document.querySelector('input[value="organization"]') as HTMLInputElement).click()
			);
			await io.fill('Name', name);
			await io.press('Add the card');
			if (name.endsWith('Dredgeing')) {
				await io.sees('There may be a card already:');
				await io.page.evaluate(() =>
					(
						document.querySelector('[role="alert"] input[type="checkbox"]') as HTMLInputElement
					).click()
				);
				await io.press('Add the card');
			}
			await io.page.waitForFunction(
				(n) => document.querySelector('h1')?.textContent === n,
				{},
				name
			);
		}
		await io.sees('Near to this name: Larkspur Dredging Inc.');
		await io.press('Compare and merge');
		await io.press('Merge Larkspur Dredging Inc. into');
		await io.sees('The cards are one: Larkspur Dredgeing.');
		await io.sees('Merged into this card');
		await io.press('take apart');
		await io.sees('has a card of its own again');
		writeFileSync(
			join(scratch, 'one.vcf'),
			'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Petra Saltmeadow\r\nN:Saltmeadow;Petra;;;\r\nEMAIL:petra@mail.example\r\nEND:VCARD\r\n'
		);
		await io.go('/people');
		await io.press('Take in vCards');
		await (await io.control('File')).uploadFile(join(scratch, 'one.vcf'));
		await io.press('Take them in');
		await io.sees('1 card taken in.');
		const [, type, text] = await download(io, '/people/export?q=saltmeadow');
		assert.equal(type, 'text/vcard; charset=utf-8');
		assert.match(text, /EMAIL:petra@mail\.example/);
	});
});
