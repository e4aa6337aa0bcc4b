/**
 * The federal table once more, written down apart from the books: every row with its count, walked
 * day by day in the plainest way there is, over many dates. A slip in a book's YAML or in the
 * engine shows as a difference.
 */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate, fromDay, toDay, weekday } from '../dates/plain.ts';
import { propose } from './propose.ts';
import { shippedBook } from '../testing/books.ts';
import { listWrittenRows } from '../testing/more-rows.ts';

/**
 * event, authority, signed days, whether the service extension applies, answers that choose the
 * variant
 */
type Row = [
	event: string,
	authority: string,
	days: number,
	ext: boolean,
	answers?: Record<string, string>
];
const ROWS: Row[] = [
	['complaint-filed', 'Fed. R. Civ. P. 4(m)', 90, false],
	[
		'summons-and-complaint-served-on-a-defendant',
		'Fed. R. Civ. P. 12(a)(1)(A)(i), 12(a)(2)',
		21,
		false
	],
	[
		'summons-and-complaint-served-on-a-defendant',
		'Fed. R. Civ. P. 12(a)(1)(A)(i), 12(a)(2)',
		60,
		false,
		{ defendant: 'united-states' }
	],
	['request-for-waiver-of-service-sent', 'Fed. R. Civ. P. 4(d)(1)(F)', 30, false],
	[
		'request-for-waiver-of-service-sent',
		'Fed. R. Civ. P. 4(d)(1)(F)',
		60,
		false,
		{ outside: 'yes' }
	],
	['request-for-waiver-of-service-sent', 'Fed. R. Civ. P. 4(d)(3)', 60, false],
	['request-for-waiver-of-service-sent', 'Fed. R. Civ. P. 4(d)(3)', 90, false, { outside: 'yes' }],
	['answer-served', 'Fed. R. Civ. P. 12(a)(1)(B)', 21, true],
	['answer-served', 'Fed. R. Civ. P. 14(a)(1)', 14, false],
	['answer-served', 'Fed. R. Civ. P. 15(a)(1)(B)', 21, true],
	['rule-12-motion-served', 'Fed. R. Civ. P. 15(a)(1)(B)', 21, true],
	['last-pleading-served', 'Fed. R. Civ. P. 38(b)(1)', 14, false],
	['last-pleading-served', 'Fed. R. Civ. P. 38(b)(1)', 14, true, { side: 'served' }],
	[
		'notice-of-order-denying-or-postponing-a-rule-12-motion',
		'Fed. R. Civ. P. 12(a)(4)(A)',
		14,
		false
	],
	['amended-pleading-served', 'Fed. R. Civ. P. 15(a)(3)', 14, true],
	['scheduling-conference-or-order-due', 'Fed. R. Civ. P. 26(f)(1)', -21, false],
	['parties-conference-held', 'Fed. R. Civ. P. 26(f)(2)', 14, false],
	['parties-conference-held', 'Fed. R. Civ. P. 26(a)(1)(C)', 14, false],
	['parties-conference-held', 'Fed. R. Civ. P. 34(b)(2)(A)', 30, false],
	['interrogatories-served', 'Fed. R. Civ. P. 33(b)(2)', 30, true],
	['request-for-production-served', 'Fed. R. Civ. P. 34(b)(2)(A)', 30, true],
	['request-for-admission-served', 'Fed. R. Civ. P. 36(a)(3)', 30, true],
	['notice-that-a-deposition-transcript-is-available', 'Fed. R. Civ. P. 30(e)(1)', 30, false],
	['trial-date', 'Fed. R. Civ. P. 26(a)(2)(D)(i)', -90, false],
	['trial-date', 'Fed. R. Civ. P. 26(a)(3)(B)', -30, false],
	['trial-date', 'Fed. R. Civ. P. 68(a)', -14, false],
	['other-side-s-expert-disclosure', 'Fed. R. Civ. P. 26(a)(2)(D)(ii)', 30, false],
	['pretrial-disclosures-served', 'Fed. R. Civ. P. 26(a)(3)(B)', 14, false],
	['offer-of-judgment-served', 'Fed. R. Civ. P. 68(a)', 14, true],
	['close-of-all-discovery', 'Fed. R. Civ. P. 56(b)', 30, false],
	['hearing-of-a-motion', 'Fed. R. Civ. P. 6(c)(1)', -14, false],
	['hearing-of-a-motion', 'Fed. R. Civ. P. 6(c)(2)', -7, false],
	['judgment-entered', 'Fed. R. Civ. P. 50(b)', 28, false],
	['jury-discharged-without-a-verdict-on-the-issue', 'Fed. R. Civ. P. 50(b)', 28, false],
	['judgment-entered', 'Fed. R. Civ. P. 52(b)', 28, false],
	['judgment-entered', 'Fed. R. Civ. P. 59(b)', 28, false],
	['judgment-entered', 'Fed. R. Civ. P. 59(e)', 28, false],
	['judgment-entered', 'Fed. R. Civ. P. 54(d)(2)(B)', 14, false],
	['judgment-entered', 'Fed. R. Civ. P. 62(a)', 30, false],
	['judgment-entered', 'Fed. R. App. P. 4(a)(1)(A), (B)', 30, false],
	['judgment-entered', 'Fed. R. App. P. 4(a)(1)(A), (B)', 60, false, { 'us-party': 'yes' }],
	['costs-taxed-by-the-clerk', 'Fed. R. Civ. P. 54(d)(1)', 7, false],
	['order-on-the-last-post-judgment-motion-entered', 'Fed. R. App. P. 4(a)(4)(A)', 30, false],
	[
		'order-on-the-last-post-judgment-motion-entered',
		'Fed. R. App. P. 4(a)(4)(A)',
		60,
		false,
		{ 'us-party': 'yes' }
	],
	['time-to-appeal-ends', 'Fed. R. App. P. 4(a)(5)(A)(i)', 30, false],
	['magistrate-judge-s-nondispositive-order-served', 'Fed. R. Civ. P. 72(a)', 14, true],
	['party-served-or-joined-after-the-conference', 'Fed. R. Civ. P. 26(a)(1)(D)', 30, false],
	['paper-first-showing-removability-received', '28 U.S.C. 1446(b)(3), (c)(1)', 30, false],
	['first-notice-of-appeal-filed', 'Fed. R. App. P. 4(a)(3)', 14, false],
	['magistrate-judge-s-recommendation-served', 'Fed. R. Civ. P. 72(b)(2)', 14, true],
	['objections-to-the-recommendation-served', 'Fed. R. Civ. P. 72(b)(2)', 14, true],
	['class-certification-order-entered', 'Fed. R. Civ. P. 23(f)', 14, false],
	['class-certification-order-entered', 'Fed. R. Civ. P. 23(f)', 45, false, { 'us-party': 'yes' }],
	['state-complaint-served-on-a-defendant', '28 U.S.C. 1446(b)(1)', 30, false],
	['notice-of-removal-filed', '28 U.S.C. 1447(c)', 30, false],
	['notice-of-removal-filed', 'Fed. R. Civ. P. 81(c)(3)(B)', 14, false],
	['notice-of-removal-filed', 'Fed. R. Civ. P. 81(c)(3)(B)', 14, true, { 'served-other': 'yes' }],
	['notice-of-removal-filed', 'Fed. R. Civ. P. 81(c)(2)', 7, false]
];

/** The federal holidays of 2026 and 2027, and California's beside them, from a wall calendar. */
const FEDERAL = new Set([
	'2026-01-01',
	'2026-01-19',
	'2026-02-16',
	'2026-05-25',
	'2026-06-19',
	'2026-07-03',
	'2026-09-07',
	'2026-10-12',
	'2026-11-11',
	'2026-11-26',
	'2026-12-25',
	'2027-01-01',
	'2027-01-18',
	'2027-02-15',
	'2027-05-31',
	'2027-06-18',
	'2027-07-05',
	'2027-09-06',
	'2027-10-11',
	'2027-11-11',
	'2027-11-25',
	'2027-12-24',
	'2027-12-31',
	'2025-01-01',
	'2025-01-20',
	'2025-02-17',
	'2025-05-26',
	'2025-06-19',
	'2025-07-04',
	'2025-09-01',
	'2025-10-13',
	'2025-11-11',
	'2025-11-27',
	'2025-12-25'
]);
const CALIFORNIA = new Set([
	'2025-02-12',
	'2025-03-31',
	'2025-09-26',
	'2026-02-12',
	'2026-03-31',
	'2026-09-25',
	'2027-02-12',
	'2027-03-31',
	'2027-09-24'
]);
const off = (day: number, state: boolean) =>
	weekday(day) % 6 === 0 || FEDERAL.has(fromDay(day)) || (state && CALIFORNIA.has(fromDay(day)));

function walked(from: number, days: number, mailed: boolean, california: boolean): string {
	const step = Math.sign(days);
	const roll = (day: number) => {
		while (off(day, california && step > 0)) day += step;
		return day;
	};
	let number = from;
	for (let i = 0; i < Math.abs(days); i++) number += step;
	number = roll(number);
	if (mailed && step > 0) number = roll(number + 3);
	return fromDay(number);
}

describe('the federal table, walked day by day', () => {
	for (const book of ['us-federal', 'us-federal.ca-nd'] as const)
		for (const [event, authority, days, ext, answers = {}] of ROWS) {
			if (book === 'us-federal.ca-nd' && event === 'hearing-of-a-motion') continue;
			it(`${book}: ${event}, ${authority}${Object.keys(answers).length ? ` (${Object.values(answers).join()})` : ''}`, () => {
				const b = shippedBook(book);
				for (
					let from = toDay(plainDate('2026-01-02'));
					from < toDay(plainDate('2026-12-24'));
					from += 5
				)
					for (const service of ['mail', 'electronic']) {
						const found = propose(b, {
							event,
							date: fromDay(from),
							answers,
							...(b.events.get(event)!.served ? { service } : {})
						}).deadlines.filter((x) => x.authority === authority && !x.suggested);
						assert.ok(found.length >= 1);
						for (const proposal of found)
							assert.equal(
								proposal.date,
								walked(from, days, ext && service === 'mail', book === 'us-federal.ca-nd'),
								`${fromDay(from)} ${service}`
							);
					}
			});
		}
	it('covers every row that is a plain count', () => {
		const compound = new Set(['objections', 'relief-for-mistake-new-evidence-or-fraud']);
		const rows = [...shippedBook('us-federal').events.values()]
			.flatMap((event) =>
				event.rules
					.filter(
						(rule) => !compound.has(rule.id) || rule.authority !== 'Fed. R. Civ. P. 45(d)(2)(B)'
					)
					.map((rule) => `${event.id} ${rule.authority}`)
			)
			.filter((key) => !key.endsWith('60(c)(1)'));
		const tested = new Set([
			...ROWS.map((row) => `${row[0]} ${row[1]}`),
			...listWrittenRows('us-federal').map((row) => `${row.event} ${row.authority}`)
		]);
		assert.deepEqual(
			rows.filter((row) => !tested.has(row)),
			[]
		);
	});
});

describe('compound rows', () => {
	const go = (
		event: string,
		answers: Record<string, string>,
		day = '2026-10-30',
		service?: string
	) =>
		Object.fromEntries(
			propose(shippedBook('us-federal'), {
				event,
				date: plainDate(day),
				answers,
				service
			}).deadlines.map((deadline) => [deadline.rule, deadline.date as string])
		);
	it('take the day before the earlier for a subpoena, never a closed day', () => {
		assert.equal(go('subpoena-for-documents-served', {}).objections, '2026-11-12');
		assert.equal(
			go('subpoena-for-documents-served', { compliance: '2026-11-09' }).objections,
			'2026-11-06'
		);
		assert.equal(
			go('subpoena-for-documents-served', { compliance: '2026-11-27' }, '2026-11-20').objections,
			'2026-11-25'
		);
	});
	it('take the latest of three for an answer after removal', () => {
		assert.equal(go('notice-of-removal-filed', {})['answer-if-none-before-removal'], '2026-11-06');
		assert.equal(
			go('notice-of-removal-filed', {
				'pleading-received': '2026-10-16',
				'summons-served': '2026-10-20'
			})['answer-if-none-before-removal'],
			'2026-11-10'
		);
	});
	it('take the earlier of thirty days and a year from commencement for diversity', () => {
		assert.equal(
			go('paper-first-showing-removability-received', {
				diversity: 'yes',
				commenced: '2025-11-17'
			})['notice-of-removal'],
			'2026-11-17'
		);
		assert.equal(
			go('paper-first-showing-removability-received', {
				diversity: 'yes',
				commenced: '2026-03-02'
			})['notice-of-removal'],
			'2026-11-30'
		);
		assert.equal(
			go('paper-first-showing-removability-received', { commenced: '2025-11-17' })[
				'notice-of-removal'
			],
			'2026-11-30'
		);
	});
	it('take the earlier of two for the one amendment of course, each with its service', () => {
		assert.equal(
			go('answer-served', { 'motion-served': '2026-10-14' }, '2026-10-30', 'mail')[
				'amend-the-complaint-once-as-a-matter-of-course'
			],
			'2026-11-09'
		);
		assert.equal(
			go('answer-served', {}, '2026-10-30', 'mail')[
				'amend-the-complaint-once-as-a-matter-of-course'
			],
			'2026-11-23'
		);
	});
	it('count a year to the same day, or the last of February', () => {
		assert.equal(
			go('judgment-entered', {}, '2024-02-29')['relief-for-mistake-new-evidence-or-fraud'],
			'2025-02-28'
		);
		assert.equal(
			go('judgment-entered', {}, '2026-07-04')['relief-for-mistake-new-evidence-or-fraud'],
			'2027-07-06'
		);
	});
});
