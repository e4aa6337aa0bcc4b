/** The calendar in the browser: drawn, moved, stretched, handed over, by hand and by key. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let ines: Desk;

type Point = { x: number; y: number };
/** Where a minute of a day stands on the screen, in the middle of its column. */
const pointAt = (desk: Desk, day: string, minute: number, staff = ''): Promise<Point> =>
	desk.page.evaluate(
		(wanted, at, whose) => {
			const cell = document.querySelector<HTMLElement>(
				`[data-cell][data-day="${wanted}"]${whose ? `[data-staff="${whose}"]` : ''}`
			)!;
			cell.scrollIntoView({ block: 'nearest' });
			const box = cell.getBoundingClientRect();
			const [first, last] = [Number(cell.dataset.first) * 60, Number(cell.dataset.last) * 60];
			const part = (at - first) / (last - first);
			return cell.dataset.axis === 'x'
				? { x: box.left + part * box.width, y: box.bottom - 8 }
				: { x: box.left + box.width * 0.6, y: box.top + part * box.height };
		},
		day,
		minute,
		staff
	);
async function pull(desk: Desk, from: Point, to: Point): Promise<void> {
	const { mouse } = desk.page;
	await mouse.move(from.x, from.y);
	await mouse.down();
	await mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 4 });
	await mouse.move(to.x, to.y, { steps: 4 });
	await mouse.up();
	await desk.settled();
}
/** The slips of a subject: what each says of its hours. */
const slipsOf = (desk: Desk, subject: string): Promise<string[]> =>
	desk.page.$$eval(`[data-slip="${subject}"]`, (all) =>
		all.map(
			(slip) =>
				`${slip.closest('section')?.getAttribute('aria-label')}: ${
					/\d\d:\d\d to \d\d:\d\d|all day/.exec(slip.getAttribute('title') ?? '')?.[0]
				}`
		)
	);
async function seesSlips(desk: Desk, subject: string, wanted: string[]): Promise<void> {
	let found: string[] = [];
	for (let tries = 0; tries < 60; tries++) {
		found = await slipsOf(desk, subject);
		if (found.join() === wanted.join()) return;
		await new Promise((resolve) => setTimeout(resolve, 100));
	}
	assert.deepEqual(found, wanted, subject);
}
const focusSlip = (desk: Desk, subject: string) =>
	desk.page.$eval(`[data-slip="${subject}"]`, (slip) => (slip as HTMLElement).focus());
async function altKeys(
	desk: Desk,
	...keys: ('ArrowUp' | 'ArrowDown' | 'ArrowLeft' | 'ArrowRight')[]
) {
	await desk.page.keyboard.down('Alt');
	for (const key of keys) await desk.page.keyboard.press(key);
	await desk.page.keyboard.up('Alt');
}

describe('the calendar', { timeout: 240_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		ines = await sit(browser, house.origin, 'okafor');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('takes an appointment that is drawn and named in place, and gives it back', async () => {
		await ines.go('/calendar?view=week');
		const day = '2026-11-25';
		await pull(ines, await pointAt(ines, day, 12 * 60 + 5), await pointAt(ines, day, 13 * 60 + 31));
		await ines.page.keyboard.type('Insurer, first call');
		await ines.page.keyboard.press('Enter');
		await seesSlips(ines, 'Insurer, first call', ['Wednesday 25 November: 12:00 to 13:30']);
		await ines.press('Take back');
		await seesSlips(ines, 'Insurer, first call', []);
	});

	it('keeps what is typed where it is refused, and leaves on Escape', async () => {
		const { x, y } = await pointAt(ines, '2026-11-25', 9 * 60 + 5);
		await ines.page.mouse.click(x, y);
		await ines.page.keyboard.press('Enter');
		await ines.sees('What it is about is missing.');
		await ines.page.keyboard.press('Escape');
		await ines.misses('What it is about is missing.');
	});

	it('moves by hand, and back', async () => {
		const title = 'Call with opposing counsel';
		await seesSlips(ines, title, ['Monday 23 November: 10:30 to 11:15']);
		const from = await pointAt(ines, '2026-11-23', 10 * 60 + 45);
		await pull(ines, from, await pointAt(ines, '2026-11-27', 12 * 60 + 15));
		await seesSlips(ines, title, ['Friday 27 November: 12:00 to 12:45']);
		await ines.press('Take back');
		await seesSlips(ines, title, ['Monday 23 November: 10:30 to 11:15']);
	});

	it('stretches by its edge', async () => {
		const title = 'Training: privilege in mail';
		const from = await pointAt(ines, '2026-11-27', 11 * 60);
		await pull(ines, { x: from.x, y: from.y - 3 }, await pointAt(ines, '2026-11-27', 12 * 60));
		await seesSlips(ines, title, ['Friday 27 November: 10:00 to 12:00']);
		await ines.press('Take back');
		await seesSlips(ines, title, ['Friday 27 November: 10:00 to 11:00']);
	});

	it('moves and stretches by key', async () => {
		const title = 'Board committee';
		await focusSlip(ines, title);
		await altKeys(ines, 'ArrowDown', 'ArrowDown', 'ArrowLeft', 'ArrowLeft', 'ArrowLeft');
		await seesSlips(ines, title, ['Tuesday 24 November: 14:30 to 16:00']);
		await focusSlip(ines, title);
		await ines.page.keyboard.down('Shift');
		await altKeys(ines, 'ArrowUp');
		await ines.page.keyboard.up('Shift');
		await seesSlips(ines, title, ['Tuesday 24 November: 14:30 to 15:30']);
	});

	it('asks which of a series are meant, and moves this and later ones', async () => {
		const title = 'Dates of the week';
		const from = await pointAt(ines, '2026-11-23', 9 * 60 + 12);
		await pull(ines, from, await pointAt(ines, '2026-11-24', 8 * 60 + 12));
		await ines.sees('It comes again:');
		await ines.press('This and later ones');
		await seesSlips(ines, title, ['Tuesday 24 November: 08:00 to 08:30']);
		await ines.go('/calendar?view=week&day=2026-12-02');
		await seesSlips(ines, title, ['Tuesday 1 December: 08:00 to 08:30']);
		await ines.go('/calendar?view=week&day=2026-11-18');
		await seesSlips(ines, title, ['Monday 16 November: 09:00 to 09:30']);
	});

	it('hands over by hand on one day of everybody, and by key in their week', async () => {
		await ines.go('/calendar?view=day&day=2026-11-27&who=stf_okafor,stf_wardle');
		const title = 'Numbers of the month';
		const from = await pointAt(ines, '2026-11-27', 15 * 60 + 15, 'stf_okafor');
		await pull(ines, from, await pointAt(ines, '2026-11-27', 15 * 60 + 15, 'stf_wardle'));
		await ines.sees('Hand “Numbers of the month” over to Tamsin Wardle? It comes again:');
		await ines.press('Only this one');
		await seesSlips(ines, title, ['Tamsin Wardle: 15:00 to 16:00']);
		await ines.press('Take back');
		await seesSlips(ines, title, ['Ines Okafor: 15:00 to 16:00']);
		await ines.go('/calendar?view=team&day=2026-11-23');
		await focusSlip(ines, 'Call with opposing counsel');
		await altKeys(ines, 'ArrowDown');
		await ines.sees('over to Joss Abernathy');
		await ines.sees('Call with opposing counsel: handed over from Ines Okafor to Joss Abernathy.');
		await ines.press('Take back');
	});

	it('refuses a room that is taken, with who has it and when it is free', async () => {
		await ines.go('/calendar?view=week');
		await ines.press('Add an appointment');
		await ines.fill('What it is about', 'Exhibits');
		await ines.fill('Day', '25 Nov 2026');
		await ines.fill('From', '15');
		await ines.fill('To', '4pm');
		await ines.page.evaluate(() => {
			const label = [...document.querySelectorAll('label')].find((one) =>
				one.textContent.includes('Room 4')
			);
			label?.querySelector('input')?.click();
		});
		await ines.press('Put it into the calendar');
		await ines.sees('Room 4 is taken for “Mediation, preparation” on Wednesday 25 November 2026');
		await ines.sees('It is free for as long from Wednesday 25 November 2026 16:30.');
		await ines.fill('From', '16:30');
		await ines.fill('To', '17:30');
		await ines.press('Put it into the calendar');
		await seesSlips(ines, 'Exhibits', ['Wednesday 25 November: 16:30 to 17:30']);
	});

	it('finds the hours that are common, and takes one', async () => {
		await ines.press('Common hours');
		await ines.choose('Who else is needed', 'Tamsin');
		await ines.select('And', 'any room');
		await ines.sees('Thursday 26 November 2026 is Thanksgiving');
		await ines.press('take it', 'ol[aria-label="Free times"]');
		await ines.fill('What it is about', 'Common talk');
		await ines.press('Put it into the calendar');
		await ines.sees(/Common talk: \w+day/);
		const tamsin = await sit(browser, house.origin, 'wardle');
		await tamsin.go('/calendar?view=agenda');
		await tamsin.sees('Common talk');
	});

	it('is seen by another as it changes, and what is private only as busy', async () => {
		const joss = await sit(browser, house.origin, 'reyes');
		await joss.go('/calendar?view=week&day=2026-12-09&who=stf_okafor');
		await ines.go('/calendar?view=week&day=2026-12-09');
		const { x, y } = await pointAt(ines, '2026-12-10', 10 * 60 + 5);
		await ines.page.mouse.click(x, y);
		await ines.page.keyboard.type('Seen at once');
		await ines.page.keyboard.press('Enter');
		await seesSlips(joss, 'Seen at once', ['Thursday 10 December: 10:00 to 11:00']);
		await ines.press('Seen at once');
		await (await ines.page.waitForSelector('input[name="private"]'))!.click();
		await ines.press('Save');
		await ines.sees('changed');
		await joss.misses('Seen at once');
		await seesSlips(joss, 'busy', ['Thursday 10 December: 10:00 to 11:00']);
	});

	it('opens a day of the month beneath its week, and Escape closes it', async () => {
		await ines.go('/calendar?view=month');
		await ines.press('Wednesday 25 November, everybody’s day');
		await ines.sees('as columns');
		await ines.page.focus('[aria-label="Everybody on Wednesday 25 November"] a');
		await ines.page.keyboard.press('Escape');
		await ines.misses('as columns');
	});

	it('takes an appointment from the pen line', async () => {
		await ines.page.keyboard.press('/');
		await ines.page.keyboard.type(
			'appointment 3 dec 9-10 LF-2026-0010 surveyor with Dorit in room 1'
		);
		await ines.sees('Ines Okafor, Dorit Castellan');
		await ines.page.keyboard.press('Enter');
		await ines.sees('surveyor: Thursday 3 December 2026, 09:00 to 10:00.');
		await ines.go('/calendar?view=day&day=2026-12-03');
		await seesSlips(ines, 'surveyor', ['Thursday 3 December: 09:00 to 10:00']);
	});
});
