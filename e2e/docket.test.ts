/**
 * The docket in depth, through the real interface: other courts, orders, closures, books, checks,
 * moves, reports, the pen line.
 */
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk, clerk: Desk;
const address = async (desk: Desk, title: string): Promise<string> => {
	await desk.go(`/matters?who=all&q=${encodeURIComponent(title)}`);
	return (await desk.page.$eval('a[data-row]', (a) => a.getAttribute('href')))!;
};
const dateOf = (desk: Desk, title: string) =>
	desk.page.$eval(`[data-deadline="${title}"] [data-date]`, (element) =>
		element.getAttribute('data-date')
	);
const wait = (desk: Desk, sel: string) => desk.page.waitForSelector(sel);

describe('the docket in depth', { timeout: 600_000 }, () => {
	let pier = '',
		slip = '';
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
		clerk = await sit(browser, house.origin, 'castellan');
		pier = await address(io, 'Pier 9');
		slip = await address(io, 'Slip 4');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('enters a hearing of a state court with its question and how papers are served', async () => {
		await clerk.go(`${slip}/docket`);
		await clerk.press('Enter an event');
		await clerk.choose('What happened', 'motion return', 'Motion return date');
		await clerk.fill('On', '15 Mar 2027');
		await clerk.select('To be served by', 'By mail within New York');
		await clerk.sees('Serve motion papers');
		await wait(clerk, '[role="dialog"] [data-date="2027-03-02"]'); // 8 days and 5 for mail end on a Tuesday
		await clerk.select('Is a 7-day answer demanded?', 'yes');
		await wait(clerk, '[role="dialog"] [data-date="2027-02-22"]'); // 16 and 5
		await clerk.sees('Reply papers');
		await clerk.fill('Name it', 'to renew');
		await clerk.press('Docket the hearing and 4 dates');
		await clerk.sees('to renew');
		assert.equal(
			await clerk.page.$$eval(
				'section[data-event="motion-return-date"]',
				(all) => all.at(-1)!.querySelectorAll('[data-state="docketed"]').length
			),
			5
		);
	});

	it('corrects how an event was served and what was answered, shown before it is kept', async () => {
		await clerk.change('motion-return-date');
		await clerk.sees('If this moves');
		await clerk.select('To be served by', 'By overnight');
		await clerk.page.waitForFunction(() =>
			/Serve motion papers\s*22 Feb 2027\s*26 Feb 2027\s*\+4/.test(
				(document.querySelector('aside[aria-label="If the event moves"]') as HTMLElement).innerText
			)
		);
		await clerk.select('Is a 7-day answer demanded?', 'no');
		await clerk.sees('no rule sets it from this day');
		await clerk.press('Keep the change', 'aside');
		await clerk.sees('The reason is missing.');
		await clerk.select('Is a 7-day answer demanded?', 'yes');
		await clerk.misses('no rule sets it from this day');
		await clerk.fill('Reason', 'Agreed with the other side');
		await clerk.press('Keep the change', 'aside');
		await clerk.misses('If this moves');
		assert.deepEqual(
			await clerk.page.$$eval('section[data-event="motion-return-date"]', (all) =>
				[...all.at(-1)!.querySelectorAll('[data-deadline="Serve motion papers"] [data-date]')].map(
					(element) => element.getAttribute('data-date')
				)
			),
			['2027-02-26']
		);
		await clerk.go(`${slip}/logbook`);
		await clerk.sees('corrected (served');
		// Without the demand no rule sets the reply papers: they stay, but nobody can check them.
		await clerk.go(`${slip}/docket`);
		await clerk.change('motion-return-date');
		await clerk.select('Is a 7-day answer demanded?', 'no');
		await clerk.sees('no rule sets it from this day');
		await clerk.fill('Reason', 'The notice of motion demands none');
		await clerk.press('Keep the change', 'aside');
		await clerk.misses('If this moves');
		await io.go(`${slip}/docket`);
		await io.go(
			await io.page.$$eval('section[data-event="motion-return-date"]', (all) =>
				all
					.at(-1)!
					.querySelector('[data-deadline="Reply papers"] a[href^="/docket/check"]')!
					.getAttribute('href')!
			)
		);
		await io.sees('no rule sets it any more');
		assert.deepEqual(
			await io.page.$$eval('[data-confirm-one] button', (all) =>
				all.map((b) => b.textContent!.trim())
			),
			['I do not agree']
		);
	});

	it('reads an answer that is a day as any other day, and counts from it', async () => {
		await clerk.go(`${slip}/docket`);
		await clerk.press('Enter an event');
		await clerk.choose('What happened', 'action commenced', 'Action commenced');
		await clerk.fill('On', '9 Nov 2026');
		await clerk.select('Is the limitation four months or less?', 'yes');
		await clerk.fill('When does the limitation end?', '1 dec 2026');
		await wait(clerk, '[role="dialog"] [data-date="2026-12-16"]'); // 15 days after it ends, CPLR 306-b
		await clerk.fill('When does the limitation end?', '31 nov 2026');
		await clerk.sees('not a date that exists');
		await clerk.fill('When does the limitation end?', '1 dec 2026');
		await wait(clerk, '[role="dialog"] [data-date="2026-12-16"]');
		await clerk.press('Docket 1 date');
		await clerk.sees('Serve the summons');
	});

	it('dockets several proposals at once', async () => {
		await io.go(`${pier}/docket`);
		const boxes = await io.page.$$eval('[data-state="proposed"] input[type="checkbox"]', (all) => {
			for (const b of all.slice(0, 2)) (b as HTMLInputElement).click();
			return all.length;
		});
		assert.ok(boxes >= 2);
		await io.press('Docket 2 dates');
		await io.sees('Docketed 2 dates. A second person is asked to check.');
	});

	it('moves a date by agreement and keeps the computed one beside it; a date of our own comes before it', async () => {
		await io.go(`${pier}/docket`);
		assert.equal(await dateOf(io, 'Pretrial disclosures'), '2027-08-13');
		await io.press('Pretrial disclosures');
		await io.press('Move it');
		await io.fill('Days', '+14d');
		await io.sees("the rule's own day, Fri 13 Aug 2027");
		await io.press('Move the date', '[role="dialog"]');
		await io.sees('The reason is missing.');
		await io.fill('Reason', 'Stipulated');
		await io.page.$eval('[role="dialog"] input[value="agreement"]', (input) =>
			(input as HTMLInputElement).click()
		);
		await io.press('Move the date', '[role="dialog"]');
		await io.sees('by agreement, the rule gives 13 Aug 2027');
		await io.sees('Day zero is the day it had, Friday 13 August 2027');
		assert.equal(await dateOf(io, 'Pretrial disclosures'), '2027-08-27');
		await io.press('Details');
		await io.fill('Our own earlier date', '30 Aug 2027');
		await io.press('Keep', '[role="dialog"]');
		await io.sees('The internal date lies after the date itself');
		await io.fill('Our own earlier date', '20 Aug 2027');
		await io.fill('Place', 'Clerk of the court');
		const exhibit = await io.page.$eval('[role="dialog"] input[name="exhibits"]', (input) => {
			(input as HTMLInputElement).click();
			return input.closest('label')!.textContent.trim();
		});
		await io.press('Keep', '[role="dialog"]');
		await io.sees('ours 20 Aug 2027');
		await io.sees('Clerk of the court');
		await io.sees(`Exhibits ${exhibit}`);
	});

	it('returns a date with a reason, and takes the answer', async () => {
		await clerk.go('/docket/check');
		const link = await clerk.page.$$eval('a[data-item]', (all) =>
			all.find((a) => a.textContent!.includes('Wharf tenant fit-out claim'))!.getAttribute('href')!
		);
		await clerk.go(link);
		await clerk.sees('Wharf tenant fit-out claim');
		await clerk.sees('Counted anew just now: the same day');
		await clerk.press('I do not agree');
		await clerk.press('Return it to SR');
		await clerk.sees('What is wrong is missing.');
		await clerk.fill('What is wrong', 'Mailed from out of state?');
		await clerk.press('Return it to SR');
		await clerk.sees('Returned to SR.');
		const reyes = await sit(browser, house.origin, 'reyes');
		const lease = await address(reyes, 'Wharf tenant');
		await reyes.go(`${lease}/docket`);
		await reyes.press('returned by DC');
		await reyes.sees('Mailed from out of state?');
		await reyes.press('Answer the check');
		await reyes.fill('Why it stands', 'Posted in Oakland, see the stamp');
		await reyes.press('Answer', '[role="dialog"]');
		await reyes.sees('Answered; it waits for a second check again.');
		await clerk.go(link);
		await clerk.press('Confirm');
		await clerk.sees('Responses: confirmed.');
		await reyes.page.browserContext().close();
	});

	it('enters a date by hand and a hearing, and shows them as list, timeline and month', async () => {
		await io.go(`${pier}/docket`);
		await io.press('By hand');
		await io.fill('Title', 'Privilege log');
		await io.fill('On', '12 Jan 2027');
		await io.fill('Authority', 'Letter of 20 November');
		await io.press('Docket the date');
		await wait(io, '[data-deadline="Privilege log"][data-state="docketed"]');
		await io.press('By day');
		await wait(io, '[data-deadline="Privilege log"]');
		await io.press('Timeline');
		await wait(io, '[data-mark="Privilege log"]');
		const width = () => io.page.$eval('[aria-label^="Timeline"] > div', (item) => item.clientWidth);
		const before = await width();
		await io.press('Show fewer days');
		await io.page.waitForFunction(
			(b) => document.querySelector('[aria-label^="Timeline"] > div')!.clientWidth > b,
			{},
			before
		);
		await io.go(`${pier}/docket?view=month&month=2027-01`);
		await wait(io, 'td[title*="Martin Luther King"]');
		await wait(io, '[data-mark="Privilege log"]');
	});

	it('lays an order over the rules of one matter, shows what it changes, and applies it', async () => {
		await io.go(`${pier}/docket`);
		await io.press('Lay an order over the rules');
		await io.fill('Dated', '20 Nov 2026');
		await io.fill('The order', 'Pretrial order 1');
		await io.select('Line 1: event', 'Trial date');
		await io.select('Line 1: which date', 'offer of judgment');
		await io.fill('Line 1: days', 'soon');
		await io.press('Lay it over the rules');
		await io.sees('is not a count');
		await io.fill('Line 1: days', '-21d');
		await wait(io, '[data-effect="Offer of judgment"]');
		await io.press('Lay it over the rules');
		await io.sees('would change. Nothing has moved yet.');
		await io.page.$$eval('[data-change] input[type="checkbox"]', (all) =>
			all.forEach((b) => {
				const box = b as HTMLInputElement;
				if (box.checked && !box.getAttribute('aria-label')!.includes('Offer of judgment'))
					box.click();
			})
		);
		await io.press('Change 1 date');
		await io.sees('Changed 1 date.');
		assert.equal(await dateOf(io, 'Offer of judgment'), '2027-08-23');
		await io.sees('Pretrial order 1');
		await io.press('it no longer holds');
		await io.sees('End it');
	});

	it('adds a closure only after showing what it affects; the dates wait and are left or applied', async () => {
		await clerk.go('/docket/closures');
		await clerk.press('Add a closure');
		await clerk.select('Court', 'Northern District of California');
		await clerk.fill('Day', '30 Nov 2026');
		await clerk.fill('Reason', 'Day of mourning');
		await wait(clerk, '[data-effect]');
		await clerk.press('Add the closure', '[role="dialog"]');
		await clerk.sees('wait for a decision');
		await clerk.go('/docket/changes');
		const matter = await clerk.page.$eval('[data-matter]', (element) =>
			element.getAttribute('data-matter')!
		);
		const section = `[data-matter="${matter}"]`;
		await clerk.press('Leave as it is', section);
		await clerk.press('Leave', section);
		await clerk.sees('Say why the date stays as it is.');
		await clerk.fill('Why they stay', 'Already filed');
		await clerk.press('Leave', section);
		await clerk.page.waitForFunction((text) => !document.querySelector(text), {}, section);
		await io.go('/docket/closures');
		await io.sees('Day of mourning');
		assert.equal(
			(await io.text()).includes('Add a closure'),
			false,
			'counsel reads, the docket clerk enters'
		);
	});

	it('writes a timeline from a form, changes it in YAML with its faults at their lines, and lists what moves', async () => {
		await clerk.go('/rulebooks/new');
		await clerk.fill('Name', 'Dry dock season');
		await clerk.fill('Anchor', 'Vessel enters the dock');
		await clerk.fill('What is due, row 1', 'Order the steel');
		await clerk.fill('Days, row 1', 'early');
		await clerk.press('Write the book');
		await clerk.sees('Write the days like');
		await clerk.fill('Days, row 1', '20 court days before');
		await clerk.press('Write the book');
		await clerk.sees('Order the steel');
		await clerk.sees('20 working days before');
		await clerk.press('Change it');
		await clerk.press('Text (YAML)');
		await clerk.sees('It holds together');
		const write = (from: string, to: string) =>
			clerk.page.$eval(
				'textarea[aria-label="The book in YAML"]',
				(item, a, b) => {
					const area = item as HTMLTextAreaElement;
					area.value = area.value.replace(a, b);
					area.dispatchEvent(new Event('input', { bubbles: true }));
				},
				from,
				to
			);
		await write('count: -20cd', 'count: someday');
		await clerk.sees(/line \d+ .*someday/);
		await write('count: someday', 'count: -25cd');
		await clerk.sees('It holds together');
		await clerk.fill('What changed', 'Steel takes longer');
		await clerk.press('Save this version');
		await clerk.sees('still says');
		await clerk.page.$eval('textarea[aria-label="The book in YAML"]', (item) => {
			const area = item as HTMLTextAreaElement;
			area.value = area.value.replace(/version: .*/, 'version: "2"');
			area.dispatchEvent(new Event('input', { bubbles: true }));
		});
		await clerk.sees('It holds together');
		await clerk.press('Save this version');
		await clerk.sees('25 working days before');
		await clerk.sees('Steel takes longer');
		await clerk.go('/rulebooks/us-ca-superior/edit?as=text');
		await clerk.sees(/\d+ of \d+ agree/);
		await write('gives: "2026-06-08"', 'gives: "2026-06-09"');
		await clerk.sees('the example says 2026-06-09');
	});

	it('reports by day and by matter, with how each date was counted, as file and by mail', async () => {
		await io.go('/docket/report?go=1&from=2026-11-23&to=2027-03-31');
		await io.sees(/Service by|moves on|moves back/);
		await io.select('Order', 'By matter');
		await io.press('Show');
		await io.page.waitForFunction(() =>
			/^LF-/.test(document.querySelector('[data-group]')?.getAttribute('data-group') ?? '')
		);
		const get = (as: string) =>
			io.page.evaluate(async (a) => {
				const response = await fetch(
					`/docket/report/export?go=1&from=2026-11-23&to=2027-03-31&as=${a}`
				);
				return [
					response.status,
					response.headers.get('content-type'),
					(await response.text()).slice(0, 30)
				] as const;
			}, as);
		assert.match((await get('pdf'))[2], /^%PDF/);
		assert.match((await get('xlsx'))[2], /^PK/);
		assert.match((await get('ics'))[2], /^BEGIN:VCALENDAR/);
		assert.equal((await get('doc'))[0], 404);
		await io.press('By mail');
		await io.page.$eval('[role="dialog"] input[value="stf_castellan"]', (input) =>
			(input as HTMLInputElement).click()
		);
		await io.press('Send to 1 colleague');
		await io.sees('Sent to 1 colleague.');
		await clerk.page.waitForFunction(
			async () => (await (await fetch('/mail?q=Docket+report')).text()).includes('Docket report:'),
			{ timeout: 20_000, polling: 700 }
		);
	});

	it('counts a date for any court, keeps the question in the address, and through the pen line', async () => {
		await io.go(
			'/docket/calculator?court=us-ca-superior&from=2027-01-25&amount=16&unit=cd&way=before&service=electronic'
		);
		assert.equal(await io.attribute('[data-result]', 'data-result'), '2026-12-28');
		await io.select('Served', 'Not served');
		await wait(io, '[data-result="2026-12-30"]');
		assert.match(io.page.url(), /amount=16/);
		await io.go('/docket/calculator?court=mars&amount=3');
		await io.sees('There is no court “mars” here.');
		await io.go('/');
		await io.page.keyboard.press('/');
		await io.page.keyboard.type('count 30d from Friday ca superior electronic');
		await wait(io, '[data-counted]');
		await io.sees('Tuesday 22 December 2026');
		await io.page.keyboard.press('Enter');
		await wait(io, '[data-result="2026-12-22"]');
	});

	it('enters an event by the pen line, shown before Enter commits it', async () => {
		const number = pier.split('/').at(-1)!;
		await io.go('/');
		await io.page.keyboard.press('/');
		await io.page.keyboard.type(`event ${number} interrogatories served yesterday by mail`);
		await io.sees('Interrogatories served');
		await io.sees('Answers and objections Mon 28 Dec'); // thirty days end on the 22nd, three for mail on Christmas, then the weekend
		await io.page.keyboard.press('Enter');
		await io.sees('one date docketed');
		await io.go(`${pier}/docket`);
		await wait(io, 'section[data-event="interrogatories-served"] [data-state="docketed"]');
	});

	it('gives a calendar by a secret address until it is revoked', async () => {
		await io.go(`${pier}/docket`);
		await io.press('make one', '#books');
		await wait(io, 'input[aria-label="Calendar address"]');
		const at = await io.page.$eval(
			'input[aria-label="Calendar address"]',
			(input) => (input as HTMLInputElement).value
		);
		const first = await fetch(at);
		assert.equal(first.status, 200);
		assert.match(await first.text(), /BEGIN:VEVENT[\s\S]*Pier 9 passenger fall/);
		await io.go(`${pier}/docket`);
		await io.press('revoke it');
		await io.sees('Revoked');
		const after = await fetch(at);
		assert.equal(after.status, 410);
		assert.match(await after.text(), /revoked/);
		assert.equal((await fetch(`${house.origin}/feed/nothing-of-the-kind`)).status, 404);
	});

	it('sends one date outside as an invitation', async () => {
		await io.go(`${pier}/docket`);
		await io.press('Mediation statement');
		await io.press('Send outside');
		await io.fill('Name', 'Vera Stone');
		await io.fill('Mail address', 'not an address');
		await io.press('Send the date');
		await io.sees('That is not a mail address.');
		await io.fill('Mail address', 'vera@mediator.example');
		await io.press('Send the date');
		await io.sees('They are told when it changes.');
	});

	it('says on the day sheet that a reminder was seen, and keeps a ladder of its own for a matter', async () => {
		await io.go('/');
		await wait(io, '[data-reminder]');
		const first = await io.page.$eval('[data-reminder]', (element) =>
			element.getAttribute('data-reminder')!
		);
		const n = await io.page.$$eval(`[data-reminder="${first}"]`, (all) => all.length);
		await io.press('seen', `[data-reminder="${first}"]`);
		await io.page.waitForFunction(
			(text, index) => document.querySelectorAll(`[data-reminder="${text}"]`).length < index,
			{},
			first,
			n
		);
		await io.go(`${pier}/docket`);
		await io.press('change the days');
		await io.fill('Days before a date', '60, 30');
		await io.press('Keep', '#books');
		await io.sees('A ladder reminds at least once in the last week');
		await io.fill('Days before a date', '21, 5, 1, 0, +1');
		await io.press('Keep', '#books');
		await io.sees('21, 5, 1, 0, +1 days before, of this matter');
		await io.press('mute for me');
		await io.sees('muted for you, but for the last ones');
	});

	it('keeps days away, and warns of them where a date would move onto them', async () => {
		await io.go('/');
		await io.press('Days away');
		await io.fill('From', '20 Jul 2027');
		await io.fill('To', '23 Jul 2027');
		await io.press('Keep these days');
		await io.sees('Tue 20 Jul 2027 to Fri 23 Jul 2027');
		await io.go(`${pier}/docket`);
		await io.change('trial-date');
		await io.fill('to', '14 Aug 2027');
		await io.sees('The event itself falls on a day the court does not sit: Saturday');
		await io.sees('Ines Okafor is away');
	});

	it('looks into a calendar file and enters the chosen events', async () => {
		await io.go(`${pier}/docket`);
		await io.press('By hand');
		const put = async (name: string, text: string) => {
			const at = join(mkdtempSync(join(tmpdir(), 'kite-ics-')), name);
			writeFileSync(at, text);
			const input = (await io.page.$(
				'input[name="ics"]'
			))! as import('puppeteer-core').ElementHandle<HTMLInputElement>;
			await input.uploadFile(at);
			await io.press('Look into it');
		};
		await put('page.html', '<html></html>');
		await io.sees('This is not a calendar file');
		await put('large.ics', 'x'.repeat(20 * 1024 * 1024));
		await io.sees('20.0 MB: a calendar to bring in has at most 1 MB');
		await put(
			'notice.ics',
			[
				'BEGIN:VCALENDAR',
				'VERSION:2.0',
				'PRODID:-//Court//EN',
				'BEGIN:VEVENT',
				'UID:1',
				'DTSTAMP:20261101T000000Z',
				'DTSTART:20270112T180000Z',
				'SUMMARY:Discovery conference',
				'LOCATION:Courtroom 9',
				'END:VEVENT',
				'END:VCALENDAR',
				''
			].join('\r\n')
		);
		await wait(io, '[data-found="Discovery conference"]');
		await io.press('Enter 1 event');
		await io.sees('10:00; Courtroom 9');
	});

	it('says in each of its rooms the same number of dates that wait', async () => {
		const says = async (path: string) => {
			await clerk.go(path);
			return clerk.page.$$eval('nav[aria-label="Docket"] a', (all) =>
				all.map((a) => a.textContent!.trim())
			);
		};
		const rooms = await says('/docket');
		assert.match(rooms.join(), /Papers \d+,Second check \d+/);
		for (const path of [
			'/docket/report',
			'/rulebooks',
			'/rulebooks/us-federal',
			'/docket/calculator'
		])
			assert.deepEqual(await says(path), rooms, path);
	});

	it('filters the department by person, court and kind, on a timeline and in a month', async () => {
		await io.go('/docket');
		await io.select('Any court', 'High Court');
		await io.page.waitForFunction(() => document.querySelectorAll('[data-deadline]').length === 1);
		await io.sees('Solent pontoon collision');
		await io.press('Timeline');
		await wait(io, '[data-mark^="Defence"]');
		await io.press('take filters off');
		await io.go('/docket?view=month&month=2026-12');
		await wait(io, '[data-mark]');
		await io.go('/docket?from=2026-13-40');
		await io.sees('not a date that exists');
	});
});
