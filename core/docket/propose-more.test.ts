/**
 * The rows of bankruptcy, admiralty, Delaware and those added to the agencies and the state courts,
 * written down apart from the books and walked day by day with a calendar of its own.
 */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { fromDay, plainDate, toDay, weekday } from '../dates/plain.ts';
import { shippedBook } from '../testing/books.ts';
import { listWrittenRows, type WrittenRow } from '../testing/more-rows.ts';
import { propose } from './propose.ts';

/** A holiday as a wall calendar has it: "6-19", or "3rd Monday of January" as "1 Mon 3". */
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const FEDERAL = '1-1 6-19 7-4 11-11 12-25|1 Mon 3|2 Mon 3|5 Mon last|9 Mon 1|10 Mon 2|11 Thu 4';
const DELAWARE = FEDERAL.replace('|2 Mon 3', '').replace('|10 Mon 2', '');
const CALIFORNIA =
	'1-1 2-12 3-31 6-19 7-4 11-11 12-25|1 Mon 3|2 Mon 3|5 Mon last|9 Mon 1|9 Fri 4|11 Thu 4|11 Thu 4+';
const NEW_YORK =
	'1-1 2-12 6-19 7-4 11-11 12-25|1 Mon 3|2 Mon 3|5 Mon last|6 Sun 2|9 Mon 1|10 Mon 2|11 Mon 1+|11 Thu 4';
const TEXAS = '1-1 6-19 7-4 11-11 12-25|1 Mon 3|2 Mon 3|5 Mon last|9 Mon 1|11 Thu 4|11 Thu 4+';

const [FIRST, LAST] = [toDay(plainDate('2025-01-01')), toDay(plainDate('2039-12-31'))];

const monthOf = (day: number) => Number(fromDay(day).split('-')[1]);
const dateOfMonth = (day: number) => Number(fromDay(day).split('-')[2]);

/** Whether a day is the one of its month that is meant: the third, or the last. */
function isMoving(day: number, [month, name, place = '']: string[]): boolean {
	if (Number(month) !== monthOf(day) || name !== WEEKDAYS[weekday(day)]) return false;
	if (place === 'last') return monthOf(day + 7) !== monthOf(day);
	return Math.ceil(dateOfMonth(day) / 7) === Number.parseInt(place, 10);
}

/** Walks the days of fifteen years and takes down the closed ones. */
function closedDays(text: string, moves: 'both' | 'sundays' | 'none'): Set<number> {
	const [fixed = '', ...moving] = text.split('|');
	const closed = new Set<number>();
	for (let day = FIRST; day <= LAST; day++) {
		if (fixed.split(' ').includes(`${monthOf(day)}-${dateOfMonth(day)}`)) {
			closed.add(day);
			if (weekday(day) === 0 && moves !== 'none') closed.add(day + 1);
			if (weekday(day) === 6 && moves === 'both') closed.add(day - 1);
		}
		for (const holiday of moving)
			if (isMoving(day, holiday.split(' '))) closed.add(holiday.endsWith('+') ? day + 1 : day);
	}
	return closed;
}

const federal = closedDays(FEDERAL, 'both');
/** By book: what is closed, what service adds, and whether that comes after the roll. */
const COURTS: Record<string, { closed: Set<number>; adds: Record<string, string> }> = {
	'us-bankruptcy': {
		closed: federal,
		adds: { mail: '3d', clerk: '3d', 'other-consented': '3d', electronic: '0d', personal: '0d' }
	},
	'us-federal': { closed: federal, adds: {} },
	'us-agency': { closed: federal, adds: {} },
	'us-de-corporate': { closed: closedDays(DELAWARE, 'both'), adds: {} },
	'us-ca-superior': {
		closed: closedDays(CALIFORNIA, 'both'),
		adds: {
			'mail-in-state': '5d',
			'mail-out-of-state': '10d',
			'mail-abroad': '20d',
			overnight: '2cd',
			fax: '2cd',
			electronic: '2cd',
			personal: '0d'
		}
	},
	'us-ny-supreme': {
		closed: closedDays(NEW_YORK, 'sundays'),
		adds: { 'mail-in-state': '5d', 'mail-out-of-state': '6d', overnight: '1cd', electronic: '0d' }
	},
	'us-tx-district': { closed: closedDays(TEXAS, 'none'), adds: {} }
};

function walk(book: string, from: number, row: WrittenRow, added: string): string {
	const { closed } = COURTS[book]!;
	const backwards = row.amounts[0]!.startsWith('-');
	const shut = (day: number) => {
		const inTexas = book === 'us-tx-district' && backwards;
		return (
			weekday(day) % 6 === 0 || closed.has(day) || (inTexas && /-12-2[46]$/.test(fromDay(day)))
		);
	};
	const step = backwards ? -1 : 1;
	const roll = (day: number) => {
		while (shut(day)) day += step;
		return day;
	};
	const go = (day: number, amount: string, direction: number) => {
		const [, number = '0', unit] = /^(\d+)(\w+)$/.exec(amount)!;
		if (unit === 'm' || unit === 'y') {
			const [year = 0, month = 0, date = 0] = fromDay(day).split('-').map(Number);
			const target = month - 1 + direction * Number(number) * (unit === 'y' ? 12 : 1);
			const first = new Date(Date.UTC(year, target, 1));
			const end = new Date(Date.UTC(year, target + 1, 0)).getUTCDate();
			first.setUTCDate(Math.min(date, end));
			return toDay(plainDate(first.toISOString().slice(0, 10)));
		}
		for (let left = Number(number); left > 0;) {
			day += direction;
			if (unit === 'd' || !shut(day)) left--;
		}
		return day;
	};
	let day = from;
	for (const amount of row.amounts) day = go(day, amount.slice(1), amount[0] === '-' ? -1 : 1);
	if (row.stays) return fromDay(day);
	if (book === 'us-bankruptcy') return fromDay(roll(go(roll(day), added, step)));
	return fromDay(roll(go(day, added, step)));
}

for (const [book, { adds }] of Object.entries(COURTS))
	describe(`${book}, the further rows walked day by day`, () => {
		for (const row of listWrittenRows(book))
			it(`${row.event}, ${row.authority} ${Object.values(row.answers).join()}`, () => {
				const ways = row.extended ? [undefined, ...Object.keys(adds)] : [undefined];
				const begin = toDay(plainDate('2026-01-02'));
				for (let from = begin; from < begin + 360; from += 3)
					for (const service of ways) {
						const found = propose(shippedBook(book), {
							event: row.event,
							date: fromDay(from),
							answers: row.answers,
							service
						}).deadlines.filter(({ authority }) => authority === row.authority);
						assert.equal(found.length, 1, `${row.event} is there once`);
						const added = service === undefined ? '0d' : adds[service]!;
						assert.equal(
							found[0]!.date,
							walk(book, from, row, added),
							`${fromDay(from)} ${service ?? 'not served'}`
						);
					}
			});
	});

describe('the further rows', () => {
	it('are all there is in the books of bankruptcy and of Delaware', () => {
		for (const book of ['us-bankruptcy', 'us-de-corporate']) {
			const written = new Set(
				listWrittenRows(book).map(({ event, authority }) => `${event} ${authority}`)
			);
			const others = [...shippedBook(book).events.values()].flatMap((event) =>
				event.rules
					.map(({ authority }) => `${event.id} ${authority}`)
					.filter((key) => !written.has(key))
			);
			const lease =
				'order-for-relief-entered-debtor-is-our-tenant-of-nonresidential-real-property-case-begun-after-2022-12-27 11 U.S.C. 365(d)(4)(A)';
			assert.deepEqual(others, book === 'us-bankruptcy' ? [lease] : []);
		}
	});
	it('ask how a paper was served only where that matters', () => {
		for (const book of Object.keys(COURTS))
			for (const row of listWrittenRows(book)) {
				const event = shippedBook(book).events.get(row.event)!;
				if (row.extended) assert.ok(event.served, `${row.event} asks how it was served`);
			}
	});

	const dateOf = (
		book: string,
		event: string,
		date: string,
		answers: Record<string, string>,
		authority: string
	) =>
		propose(shippedBook(book), { event, date: plainDate(date), answers }).deadlines.find(
			(deadline) => deadline.authority === authority
		)?.date;
	it('end a lease of a bankrupt tenant with the plan, where that comes first', () => {
		const lease = (answers: Record<string, string>) =>
			dateOf(
				'us-bankruptcy',
				'order-for-relief-entered-debtor-is-our-tenant-of-nonresidential-real-property-case-begun-after-2022-12-27',
				'2026-03-06',
				answers,
				'11 U.S.C. 365(d)(4)(A)'
			);
		// The 120th day is the Saturday of July 4, and stays.
		assert.equal(lease({}), '2026-07-04');
		assert.equal(lease({ plan: '2026-05-15' }), '2026-05-15');
		assert.equal(lease({ plan: '2026-07-31' }), '2026-07-04');
	});
	it('take the earlier of the notice and the entry of a judgment in California', () => {
		const after = (entered: string, authority: string) =>
			dateOf(
				'us-ca-superior',
				'notice-of-entry-of-judgment-served',
				'2026-10-30',
				{ entered },
				authority
			);
		// 180 days from May 11, 2026 are November 7, a Saturday; Monday the 9th is open.
		for (const authority of [
			'Cal. Rules of Court 3.1700(a)(1)',
			'Cal. Rules of Court 3.1702(b)(1)',
			'Code Civ. Proc. 663a(a)(2), 629(b)'
		])
			assert.equal(after('2026-05-11', authority), '2026-11-09');
		assert.equal(after('2026-10-20', 'Cal. Rules of Court 3.1702(b)(1)'), '2026-12-29');
	});
	it('give a challenge to a judge only where the judge was known', () => {
		const challenge = (answers: Record<string, string>) =>
			dateOf(
				'us-ca-superior',
				'trial-or-hearing',
				'2027-03-15',
				answers,
				'Code Civ. Proc. 170.6(a)(2)'
			);
		assert.equal(challenge({}), undefined);
		assert.equal(challenge({ known: 'yes' }), '2027-03-10');
	});
	it('count hours as they pass, also through a change of clocks, a weekend and a holiday', () => {
		const at = (event: string, date: string, time: string, authority: string) => {
			const found = propose(shippedBook('us-agency'), {
				event,
				date: plainDate(date),
				time,
				answers: {}
			}).deadlines.find((deadline) => deadline.authority === authority)!;
			return `${found.date} ${found.time}`;
		};
		const incident = 'serious-marine-incident-occurred';
		// Clocks go forward at 2:00 on March 8, 2026, and back on November 1.
		assert.equal(at(incident, '2026-03-08', '00:30', '46 C.F.R. 4.06-3(a)'), '2026-03-08 03:30');
		assert.equal(at(incident, '2026-10-31', '12:00', '46 C.F.R. 4.06-3(b)'), '2026-11-01 19:00');
		const quits =
			'employee-in-california-without-a-written-contract-for-a-definite-period-quits-without-72-hours-notice';
		assert.equal(at(quits, '2026-11-25', '17:00', 'Cal. Lab. Code 202(a)'), '2026-11-28 17:00');
	});
	it('read "within three months" of an award to end the day before', () => {
		const steps = propose(shippedBook('us-federal'), {
			event: 'arbitration-award-filed-or-delivered',
			date: plainDate('2026-08-31'),
			answers: {}
		}).deadlines[0]!;
		// November has no 31st: its last day, and the day before that is a Sunday.
		assert.equal(steps.date, '2026-11-29');
	});
});
