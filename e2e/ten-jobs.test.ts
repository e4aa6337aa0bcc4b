/**
 * The day's work of a docket clerk in ten jobs, through the real interface. What each takes is
 * counted and printed: a change that makes a job longer is seen.
 */
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it, type TestContext } from 'node:test';
import Database from 'better-sqlite3';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let clerk: Desk, counsel: Desk;

const address = async (desk: Desk, title: string): Promise<string> => {
	await desk.go(`/matters?who=all&q=${encodeURIComponent(title)}`);
	return (await desk.page.$eval('a[data-row]', (row) => row.getAttribute('href')))!;
};
/** One figure of the house's data, as it is now. */
function scalar(sql: string, ...params: unknown[]): number {
	const db = new Database(join(house.data, 'kite-pen.db'), { readonly: true });
	try {
		return db
			.prepare(sql)
			.pluck()
			.get(...params) as number;
	} finally {
		db.close();
	}
}
const rowOf = (title: string, state = '') =>
	`[data-deadline="${title}"]${state && `[data-state="${state}"]`}`;
const until = (desk: Desk, selector: string) => desk.page.waitForSelector(selector);

/** A job is done, and said how much it took of everyone at a desk. */
async function job(context: TestContext, most: number, work: () => Promise<void>) {
	const desks = [clerk, counsel];
	for (const { effort } of desks) Object.assign(effort, { clicks: 0, entries: 0 });
	await work();
	const clicks = desks.reduce((sum, { effort }) => sum + effort.clicks, 0);
	const entries = desks.reduce((sum, { effort }) => sum + effort.entries, 0);
	context.diagnostic(`${context.name}: ${clicks} clicks, ${entries} entries`);
	assert.ok(clicks + entries <= most, `${clicks} clicks and ${entries} entries, at most ${most}`);
}

const ORDER = `1. Joinder and amended pleadings: January 15, 2027.
2. Fact discovery shall be completed by March 12, 2027.
3. Opening expert reports must be served no later than April 9, 2027; rebuttal reports by May 7, 2027.
4. Expert discovery shall be completed by June 4, 2027.
5. Mediation shall be held by July 2, 2027.
6. Dispositive motions shall be filed on or before July 9, 2027.
7. Hearing on dispositive motions is set for August 19, 2027 at 1:30 p.m. in Courtroom 4.
8. Joint pretrial statement shall be filed by September 3, 2027.
9. The final pretrial conference is set for September 16, 2027 at 1:30 p.m. in Courtroom 4.
10. Motions in limine shall be filed 28 days before trial.
11. Exhibit lists shall be exchanged by September 24, 2027.
Dated: November 20, 2026`;

describe("a clerk's day in ten jobs", { timeout: 600_000 }, () => {
	let pier = '';
	let slip = '';
	let luggage = '';
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		clerk = await sit(browser, house.origin, 'castellan');
		counsel = await sit(browser, house.origin, 'okafor');
		pier = await address(clerk, 'Pier 9');
		slip = await address(clerk, 'Slip 4');
		luggage = await address(clerk, 'Left luggage robbery');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('1. enters an event and dockets what follows', (context) =>
		job(context, 7, async () => {
			await clerk.go(`${slip}/docket`);
			await clerk.press('Enter an event');
			await clerk.choose('What happened', 'motion return', 'Motion return date');
			await clerk.fill('On', '3/15/27');
			await clerk.sees('Serve motion papers');
			await clerk.fill('Name it', 'to renew');
			await clerk.press('Docket the hearing and 3 dates');
			await clerk.sees('to renew');
		}));

	it('2. checks five dates', (context) =>
		job(context, 12, async () => {
			const count = () =>
				scalar(
					'SELECT count(*) FROM deadline WHERE checked_by = ? AND checked_at > ?',
					'stf_castellan',
					'2026-11-23T15'
				);
			const begun = count();
			await clerk.go('/docket/check');
			for (let event = 1; count() - begun < 5; event++) {
				const canConfirm = await clerk.page.$$eval('[data-sheet] button', (all) =>
					all.some((one) => one.textContent!.trim().startsWith('Confirm'))
				);
				if (canConfirm) {
					await clerk.press('Confirm', '[data-sheet]');
					await clerk.sees(/confirmed\./);
				} else await clerk.click(`li:nth-child(${event}) > a[data-item]`);
				await clerk.settled();
			}
		}));

	it('3. moves the trial, sees what follows, and tells everyone once', (context) =>
		job(context, 5, async () => {
			await clerk.go(`${pier}/docket`);
			await clerk.change('trial-date');
			await clerk.fill('to', '10/18/27');
			await clerk.sees('If this moves');
			await clerk.fill('Reason', 'Continued on stipulation');
			await clerk.press('Move', 'aside[aria-label="If the event moves"]');
			await clerk.misses('If this moves');
			await clerk.sees('Mon 18 Oct 2027');
		}));

	it('4. makes of a paper that came in an event with its date', (context) =>
		job(context, 7, async () => {
			await clerk.go('/docket/papers');
			await clerk.press('Interrogatories served');
			await clerk.press('20 November 2026');
			await clerk.select('Served by', 'lectronic');
			await clerk.fill('Name it', 'second set');
			await clerk.press('Docket 1 date');
			await clerk.sees('Docketed 1 date on LF-2025-0007.');
		}));

	it('5. dockets a scheduling order of twelve rows with its paper', (context) =>
		job(context, 8, async () => {
			await clerk.go(`${pier}/docket/schedule`);
			await clerk.paste("The order's table or its text", ORDER);
			await clerk.press('Read it into rows');
			await clerk.sees('12 rows read.');
			const path = join(mkdtempSync(join(tmpdir(), 'kite-order-')), 'Case schedule.txt');
			writeFileSync(path, ORDER);
			await clerk.give('input[type="file"]', path);
			await clerk.page.waitForFunction(
				() =>
					(document.querySelector('select[name="documentId"]') as HTMLSelectElement | null)
						?.selectedOptions[0]?.text === 'Case schedule'
			);
			await clerk.press('Docket 12 rows');
			await clerk.sees('Docketed 12 dates.');
			await until(clerk, `${rowOf('Fact discovery')} [data-date="2027-03-12"]`);
			await until(clerk, `${rowOf('Motions in limine')} [data-date="2027-09-20"]`);
			await counsel.go('/docket/check');
			await counsel.press('Scheduling order');
			await counsel.sees('Confirm all');
			await counsel.press('Confirm all');
			await counsel.sees(/dates confirmed/);
		}));

	it('6. settles a missed date with a second word', (context) =>
		job(context, 10, async () => {
			await clerk.go(`${luggage}/docket`);
			await clerk.click(`${rowOf('Notice of appeal', 'missed')} button[aria-expanded="false"]`);
			await clerk.press('It was met');
			await clerk.fill('Why it was late', 'Extended by the court of appeals.');
			await clerk.press('Record it as met late');
			await until(clerk, rowOf('Notice of appeal', 'late'));
			await counsel.go('/docket?show=missed');
			await counsel.press('Notice of appeal');
			await counsel.press('Give your word');
			await counsel.fill('Your word', 'Order of 19 November seen.');
			await counsel.press('Keep your word');
			await counsel.sees('Order of 19 November seen.');
		}));

	it('7. takes back what was recorded by mistake', (context) =>
		job(context, 5, async () => {
			await clerk.go(`${luggage}/docket?view=tree`);
			await clerk.click(`${rowOf('Notice of appeal', 'late')} button[aria-expanded="false"]`);
			await clerk.press('Take it back');
			await clerk.fill('Reason', 'The order was of another case');
			await clerk.press('Take it back', '[role="dialog"]');
			await until(clerk, rowOf('Notice of appeal', 'missed'));
		}));

	it('8. sees who has signed off their dates', (context) =>
		job(context, 2, async () => {
			await counsel.go('/docket/sign-off');
			await counsel.press('Seen and right');
			await counsel.sees('You signed off');
			await clerk.go('/docket/sign-off');
			await clerk.sees(/Ines Okafor/);
		}));

	it("9. reconciles the docket with the court's list, and puts right what differs", (context) =>
		job(context, 7, async () => {
			await clerk.go('/docket/reconcile');
			await clerk.paste(
				"The court's list",
				[
					'Case,Date,Time,Event',
					'4:26-cv-01422,12/01/2026,10:00 AM,Motion Hearing - motion to strike',
					'4:26-cv-01422,09/17/2027,1:30 PM,Final Pretrial Conference',
					'4:26-cv-01422,12/09/2026,9:00 AM,Status Conference'
				].join('\n')
			);
			await clerk.press('Compare with our docket');
			await clerk.sees('entries to look at');
			for (const [group, words] of [
				['agrees', 'motion to strike'],
				['differs', 'Final Pretrial Conference'],
				['missing here', 'Status Conference']
			])
				assert.match(
					await clerk.page.$eval(`[data-group="${group}"]`, (one) => one.textContent!),
					new RegExp(words!)
				);
			await clerk.press('enter it');
			await clerk.sees('Enter a date by hand');
			const title = await clerk.page.$eval(
				'[role="dialog"] input[name="title"]',
				(input) => (input as HTMLInputElement).value
			);
			assert.equal(title, 'Status Conference');
			await clerk.press('Docket the conference');
			await clerk.sees('Status Conference');
			await clerk.go('/docket/reconcile');
			await clerk.press('as pasted');
			await clerk.sees('put right since');
			await clerk.sees(/Final Pretrial Conference/);
		}));

	it('10. has the docket on paper', (context) =>
		job(context, 3, async () => {
			await clerk.go('/docket/report');
			const href = await clerk.page.$eval('a[href*="as=pdf"]', (link) =>
				link.getAttribute('href')!
			);
			clerk.effort.clicks++;
			const cookies = await clerk.page.cookies();
			const answer = await fetch(new URL(href, clerk.page.url()), {
				headers: { cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; ') }
			});
			assert.equal(answer.status, 200);
			const path = join(mkdtempSync(join(tmpdir(), 'kite-report-')), 'docket.pdf');
			writeFileSync(path, Buffer.from(await answer.arrayBuffer()));
			const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
			assert.match(text, /Pier 9 passenger fall/);
		}));
});
