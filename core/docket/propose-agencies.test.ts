/**
 * The tables of the appeals, agency and district books once more, written down apart from the
 * books, and walked day by day over many dates. A slip in a book's YAML or in the engine shows as a
 * difference.
 */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate, fromDay, toDay, weekday } from '../dates/plain.ts';
import { propose } from './propose.ts';
import { shippedBook } from '../testing/books.ts';
import { listWrittenRows } from '../testing/more-rows.ts';

/**
 * event, authority, amount, unit, whether the service extension applies, answers that choose the
 * variant
 */
type Row = [
	event: string,
	authority: string,
	n: number,
	unit: 'd' | 'cd' | 'm' | 'd no roll',
	ext: boolean,
	answers?: Record<string, string>
];
const APPEALS: Row[] = [
	['notice-of-appeal-filed', 'Fed. R. App. P. 10(b)(1)', 14, 'd', false],
	['record-filed', 'Fed. R. App. P. 31(a)(1)', 40, 'd', false],
	['appellant-s-brief-served', 'Fed. R. App. P. 31(a)(1)', 30, 'd', true],
	['appellee-s-brief-served', 'Fed. R. App. P. 31(a)(1)', 21, 'd', true],
	['motion-served', 'Fed. R. App. P. 27(a)(3)(A)', 10, 'd', true],
	['response-to-a-motion-served', 'Fed. R. App. P. 27(a)(4)', 7, 'd', true],
	['order-for-immediate-appeal-entered', '28 U.S.C. 1292(b)', 10, 'd', false],
	['class-action-remand-order-entered', '28 U.S.C. 1453(c)(1)', 10, 'd', false],
	['judgment-of-the-court-of-appeals-entered', 'Fed. R. App. P. 40(d)(1)', 14, 'd', false],
	[
		'judgment-of-the-court-of-appeals-entered',
		'Fed. R. App. P. 40(d)(1)',
		45,
		'd',
		false,
		{ 'us-party': 'yes' }
	],
	['judgment-of-the-court-of-appeals-entered', 'S. Ct. R. 13.1', 90, 'd', false],
	['order-denying-rehearing-entered', 'S. Ct. R. 13.3', 90, 'd', false],
	['order-denying-rehearing-entered', 'Fed. R. App. P. 41(b)', 7, 'd', false]
];
const AGENCY: Row[] = [
	['workplace-safety-citation-received', '29 U.S.C. 659(a)', 15, 'cd', false],
	['right-to-sue-notice-received', '42 U.S.C. 2000e-5(f)(1)', 90, 'd', false],
	['unfair-labor-practice-complaint-served', '29 C.F.R. 102.20', 14, 'd', false],
	['trademark-office-action-issued', '37 C.F.R. 2.62(a)', 3, 'm', false],
	['trademark-office-action-issued', '37 C.F.R. 2.62(a)', 6, 'm', false, { 'section-66': 'yes' }],
	['trademark-published-for-opposition', '37 C.F.R. 2.101(c)', 30, 'd', false],
	['material-cybersecurity-incident-determined', 'Form 8-K, Item 1.05', 4, 'cd', false],
	['insider-s-transaction-executed', '17 C.F.R. 240.16a-3(g)(1)', 2, 'cd', false],
	['alleged-discrimination-occurred', '42 U.S.C. 2000e-5(e)(1)', 180, 'd', false],
	[
		'alleged-discrimination-occurred',
		'42 U.S.C. 2000e-5(e)(1)',
		300,
		'd',
		false,
		{ 'state-agency': 'yes' }
	],
	['plant-closing-or-mass-layoff-date', '29 U.S.C. 2102(a)', -60, 'd', false],
	['premerger-notification-complete', '15 U.S.C. 18a(b)(1)', 30, 'd', false],
	['premerger-notification-complete', '15 U.S.C. 18a(b)(1)', 15, 'd', false, { cash: 'yes' }],
	['consumer-s-opt-out-received', '11 C.C.R. 7026(f)', 15, 'cd', false],
	['consumer-s-request-received', '11 C.C.R. 7021(a)', 10, 'cd', false],
	['consumer-s-privacy-request-received', 'Cal. Civ. Code 1798.130(a)(2)', 45, 'd no roll', false]
];
const NEW_YORK: Row[] = [
	['motion-papers-served', 'Local Civ. R. 6.1', 14, 'd', true],
	['motion-papers-served', 'Local Civ. R. 6.1', 7, 'd', true, { discovery: 'yes' }],
	['opposing-papers-served', 'Local Civ. R. 6.1', 7, 'd', true],
	['opposing-papers-served', 'Local Civ. R. 6.1', 2, 'd', true, { discovery: 'yes' }]
];
const TEXAS: Row[] = [['motion-filed', 'L.R. 7.3, 7.4', 21, 'd', false]];

/**
 * Holidays from the end of 2025 to 2027 from a wall calendar: federal, and beside them those of the
 * state in forward counts.
 */
const FEDERAL =
	'2025-11-11 2025-11-27 2025-12-25 2026-01-01 2026-01-19 2026-02-16 2026-05-25 2026-06-19 2026-07-03 2026-09-07 2026-10-12 2026-11-11 2026-11-26 2026-12-25 2027-01-01 2027-01-18 2027-02-15 2027-05-31 2027-06-18 2027-07-05 2027-09-06 2027-10-11 2027-11-11 2027-11-25 2027-12-24 2027-12-31'.split(
		' '
	);
const OF_NEW_YORK =
	'2026-01-01 2026-02-12 2026-06-14 2026-06-19 2026-07-04 2026-11-03 2026-11-11 2026-12-25 2027-01-01 2027-02-12 2027-06-13 2027-06-19 2027-07-05 2027-11-02 2027-11-11 2027-12-25'.split(
		' '
	);
const OF_TEXAS = '2026-11-27 2027-11-26'.split(' ');

function walked(
	from: number,
	[, , n, unit]: Row,
	mailed: boolean,
	state: readonly string[]
): string {
	const step = Math.sign(n);
	const off = (day: number) =>
		weekday(day) % 6 === 0 ||
		FEDERAL.includes(fromDay(day)) ||
		(step > 0 && state.includes(fromDay(day)));
	const roll = (day: number) => {
		while (off(day)) day += step;
		return day;
	};
	let number = from;
	if (unit === 'cd') {
		for (let left = Math.abs(n); left > 0;) {
			number += step;
			if (!off(number)) left--;
		}
		return fromDay(number);
	}
	if (unit === 'm') {
		// The same day of the month, or its last where the month is shorter.
		const [y, count, day] = fromDay(from).split('-').map(Number) as [number, number, number];
		const at = y * 12 + (count - 1) + n;
		const last =
			new Map([
				[1, 31],
				[3, 31],
				[5, 31],
				[7, 31],
				[8, 31],
				[10, 31],
				[12, 31],
				[4, 30],
				[6, 30],
				[9, 30],
				[11, 30]
			]).get((at % 12) + 1) ?? (Math.floor(at / 12) % 4 === 0 ? 29 : 28);
		number = toDay(
			plainDate(
				`${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-${String(Math.min(day, last)).padStart(2, '0')}`
			)
		);
	} else for (let i = 0; i < Math.abs(n); i++) number += step;
	if (unit === 'd no roll') return fromDay(number);
	number = roll(number);
	if (mailed && step > 0) number = roll(number + 3);
	return fromDay(number);
}

for (const [book, rows, state] of [
	['us-appeals', APPEALS, []],
	['us-agency', AGENCY, []],
	['us-federal.ny-sd', NEW_YORK, OF_NEW_YORK],
	['us-federal.tx-sd', TEXAS, OF_TEXAS]
] as const)
	describe(`${book}, walked day by day`, () => {
		for (const row of rows) {
			const [event, authority, , , ext, answers = {}] = row;
			it(`${event}, ${authority}${Object.keys(answers).length ? ' (the other way)' : ''}`, () => {
				const b = shippedBook(book);
				const served = b.events.get(event)!.served;
				assert.equal(served, ext, 'what may be extended asks how it was served');
				for (
					let from = toDay(plainDate('2026-01-02'));
					from < toDay(plainDate('2026-12-24'));
					from += 3
				)
					for (const service of served ? ['mail', 'electronic'] : [undefined]) {
						const found = propose(b, {
							event,
							date: fromDay(from),
							answers,
							...(service ? { service } : {})
						}).deadlines.filter((x) => x.authority === authority && !x.suggested);
						assert.equal(found.length, 1);
						assert.equal(
							found[0]!.date,
							walked(from, row, ext && service === 'mail', state),
							`${fromDay(from)} ${service ?? ''}`
						);
					}
			});
		}
		it('has no row that is not walked here', () => {
			const own = [...shippedBook(book).events.values()].flatMap((event) =>
				event.rules
					.filter((rule) => rule.book === book)
					.map((rule) => `${event.id} ${rule.authority}`)
			);
			const known = new Set([
				...rows.map((row) => `${row[0]} ${row[1]}`),
				...listWrittenRows(book).map((row) => `${row.event} ${row.authority}`),
				'serious-marine-incident-occurred 46 C.F.R. 4.06-3(a)',
				'serious-marine-incident-occurred 46 C.F.R. 4.06-3(b)',
				'employee-in-california-without-a-written-contract-for-a-definite-period-quits-without-72-hours-notice Cal. Lab. Code 202(a)',
				'judgment-of-the-court-of-appeals-entered S. Ct. R. 13.5',
				'work-related-death-or-serious-injury-known 29 C.F.R. 1904.39(a)'
			]);
			assert.deepEqual(
				own.filter((key) => !known.has(key)),
				[]
			);
		});
	});

describe('rows that hang on more than one day', () => {
	const go = (event: string, answers: Record<string, string>, day: string) =>
		Object.fromEntries(
			propose(shippedBook('us-appeals'), { event, date: plainDate(day), answers }).deadlines.map(
				(deadline) => [deadline.rule, deadline.date]
			)
		);
	it('take the later of the appeal and of the order after judgment', () => {
		assert.equal(
			go('notice-of-appeal-filed', {}, '2026-03-02')['order-the-transcript'],
			'2026-03-16'
		);
		assert.equal(
			go('notice-of-appeal-filed', { 'post-judgment-order': '2026-04-10' }, '2026-03-02')[
				'order-the-transcript'
			],
			'2026-04-24'
		);
		assert.equal(
			go('notice-of-appeal-filed', { 'post-judgment-order': '2026-02-10' }, '2026-03-02')[
				'order-the-transcript'
			],
			'2026-03-16'
		);
	});
	it('take the earlier of the reply and of a week before argument', () => {
		assert.equal(go('appellee-s-brief-served', {}, '2026-03-02')['reply-brief'], '2026-03-23');
		assert.equal(
			go('appellee-s-brief-served', { argument: '2026-03-20' }, '2026-03-02')['reply-brief'],
			'2026-03-13'
		);
		assert.equal(
			go('appellee-s-brief-served', { argument: '2026-06-20' }, '2026-03-02')['reply-brief'],
			'2026-03-23'
		);
	});
	it('count back from the day a petition is due, to a court day', () => {
		const item = go('judgment-of-the-court-of-appeals-entered', {}, '2026-07-06');
		assert.deepEqual(
			[item['petition-for-certiorari'], item['application-to-extend-the-time-for-certiorari']],
			['2026-10-05', '2026-09-25']
		);
	});
	it('say that a circuit may set another day for briefs', () => {
		for (const text of ['record-filed', 'appellant-s-brief-served', 'appellee-s-brief-served'])
			assert.match(
				shippedBook('us-appeals').events.get(text)!.rules[0]!.note!,
				/circuit rule or a scheduling order/
			);
	});
	it('switch the federal notice of motion off where a district sets its own', () => {
		for (const book of ['us-federal.ny-sd', 'us-federal.tx-sd', 'us-federal.ca-nd'])
			assert.ok(
				!shippedBook(book)
					.events.get('hearing-of-a-motion')
					?.rules.some((rule) => rule.authority.startsWith('Fed. R. Civ. P. 6(c)')),
				book
			);
	});
	it('count a death in eight hours and an injury in a day, whatever day it is', () => {
		const at = (what: string) =>
			propose(shippedBook('us-agency'), {
				event: 'work-related-death-or-serious-injury-known',
				date: plainDate('2026-12-24'),
				time: '20:00',
				answers: { what }
			}).deadlines.map((deadline) => [deadline.date, deadline.time]);
		assert.deepEqual(
			[at('death'), at('injury')],
			[[['2026-12-25', '04:00']], [['2026-12-25', '20:00']]]
		);
	});
});
