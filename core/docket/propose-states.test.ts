/**
 * The tables of the state courts and of England once more, written down apart from the books, and
 * walked day by day over many dates and every way of service. A slip in a book's YAML or in the
 * engine shows as a difference.
 */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate, fromDay, toDay, weekday } from '../dates/plain.ts';
import { propose } from './propose.ts';
import { shippedBook } from '../testing/books.ts';
import { listWrittenRows } from '../testing/more-rows.ts';

/** Holidays from a wall calendar, autumn 2025 to the end of 2027. */
const days = (text: string) => new Set(text.split(' '));
const FEDERAL = days(
	'2025-10-13 2025-11-11 2025-11-27 2025-12-25 2026-01-01 2026-01-19 2026-02-16 2026-05-25 2026-06-19 2026-07-03 2026-07-04 2026-09-07 2026-10-12 2026-11-11 2026-11-26 2026-12-25 2027-01-01 2027-01-18 2027-02-15 2027-05-31 2027-06-18 2027-07-05 2027-09-06 2027-10-11 2027-11-11 2027-11-25 2027-12-24'
);
const CALIFORNIA = days(
	'2025-09-26 2025-11-11 2025-11-27 2025-11-28 2025-12-25 2026-01-01 2026-01-19 2026-02-12 2026-02-16 2026-03-31 2026-05-25 2026-06-19 2026-07-03 2026-09-07 2026-09-25 2026-11-11 2026-11-26 2026-11-27 2026-12-25 2027-01-01 2027-01-18 2027-02-12 2027-02-15 2027-03-31 2027-05-31 2027-06-18 2027-07-05 2027-09-06 2027-09-24 2027-11-11 2027-11-25 2027-11-26 2027-12-24 2027-12-31'
);
const NEW_YORK = days(
	'2025-10-13 2025-11-04 2025-11-11 2025-11-27 2025-12-25 2026-01-01 2026-01-19 2026-02-12 2026-02-16 2026-05-25 2026-06-14 2026-06-19 2026-07-04 2026-09-07 2026-10-12 2026-11-03 2026-11-11 2026-11-26 2026-12-25 2027-01-01 2027-01-18 2027-02-12 2027-02-15 2027-05-31 2027-06-13 2027-06-19 2027-07-05 2027-09-06 2027-10-11 2027-11-02 2027-11-11 2027-11-25 2027-12-25'
);
const TEXAS = days(
	'2025-11-11 2025-11-27 2025-11-28 2025-12-25 2026-01-01 2026-01-19 2026-02-16 2026-05-25 2026-06-19 2026-07-04 2026-09-07 2026-11-11 2026-11-26 2026-11-27 2026-12-25 2027-01-01 2027-01-18 2027-02-15 2027-05-31 2027-06-19 2027-07-04 2027-09-06 2027-11-11 2027-11-25 2027-11-26 2027-12-25'
);
/** No legal holidays, but closed to a count backwards: Gov. Code 662.021. */
const NONE: ReadonlySet<string> = new Set();
const TEXAS_BACKWARD = days('2025-12-24 2025-12-26 2026-12-24 2026-12-26 2027-12-24 2027-12-26');
const ENGLAND = days(
	'2025-12-25 2025-12-26 2026-01-01 2026-04-03 2026-04-06 2026-05-04 2026-05-25 2026-08-31 2026-12-25 2026-12-28 2027-01-01 2027-03-26 2027-03-29 2027-05-03 2027-05-31 2027-08-30 2027-12-27 2027-12-28'
);

type How = {
	ext?: true;
	mode?: 'towards' | 'no roll';
	adds?: Record<string, string>;
	answers?: Record<string, string>;
	by?: ReadonlySet<string>;
};
/**
 * event, authority, how many, unit, and what else there is to it; rows of one event and authority
 * are told apart by their number.
 */
type Row = [event: string, authority: string, n: number, unit: 'd' | 'cd' | 'm', how?: How];
const how: How = { ext: true };
const NEARER: How = { mode: 'towards' };
const CA: Row[] = [
	['complaint-filed', 'Cal. Rules of Court 3.110(b)', 60, 'd'],
	['service-of-summons-complete', 'Code Civ. Proc. 412.20(a)(3)', 30, 'd'],
	['service-of-summons-complete', 'Code Civ. Proc. 430.40(a)', 30, 'd'],
	['service-of-summons-complete', 'Code Civ. Proc. 435(b)(1)', 30, 'd'],
	['service-of-summons-complete', 'Code Civ. Proc. 418.10(a)', 30, 'd'],
	['service-of-summons-complete', 'Code Civ. Proc. 425.16(f)', 60, 'd'],
	['service-of-summons-complete', '28 U.S.C. 1446(b)(1)', 30, 'd', { by: FEDERAL }],
	['cross-complaint-served', 'Code Civ. Proc. 432.10', 30, 'd', how],
	['amended-complaint-served', 'Code Civ. Proc. 471.5(a)', 30, 'd', how],
	['notice-of-ruling-on-demurrer-served', 'Cal. Rules of Court 3.1320(g)', 10, 'd', how],
	['notice-of-all-purpose-assignment-served', 'Code Civ. Proc. 170.6(a)(2)', 15, 'd'],
	['notice-of-entry-of-an-order-served', 'Code Civ. Proc. 1008(a)', 10, 'd', how],
	['offer-to-compromise-served', 'Code Civ. Proc. 998(b)(2)', 30, 'd', how],
	[
		'hearing-of-a-motion',
		'Code Civ. Proc. 1005(b)',
		-16,
		'cd',
		{ ext: true, adds: { overnight: '2d', fax: '2d' } }
	],
	['hearing-of-a-motion', 'Code Civ. Proc. 1005(b)', -9, 'cd'],
	['hearing-of-a-motion', 'Code Civ. Proc. 1005(b)', -5, 'cd'],
	['hearing-of-a-summary-judgment-motion', 'Code Civ. Proc. 437c(a)(2)', -81, 'd', how],
	['hearing-of-a-summary-judgment-motion', 'Code Civ. Proc. 437c(b)(2)', -20, 'd'],
	['hearing-of-a-summary-judgment-motion', 'Code Civ. Proc. 437c(b)(4)', -11, 'd'],
	['case-management-conference', 'Cal. Rules of Court 3.724', -30, 'd'],
	['case-management-conference', 'Cal. Rules of Court 3.725(a)', -15, 'd'],
	['interrogatories-served', 'Code Civ. Proc. 2030.260(a)', 30, 'd', how],
	['inspection-demand-served', 'Code Civ. Proc. 2031.260(a)', 30, 'd', how],
	['requests-for-admission-served', 'Code Civ. Proc. 2033.250(a)', 30, 'd', how],
	[
		'verified-responses-served',
		'Code Civ. Proc. 2030.300(c), 2031.310(c), 2033.290(c)',
		45,
		'd',
		how
	],
	['initial-trial-date', 'Code Civ. Proc. 2024.020(a), 2016.060', -30, 'd', NEARER],
	['initial-trial-date', 'Code Civ. Proc. 2024.020(a), 2016.060', -15, 'd', NEARER],
	['initial-trial-date', 'Code Civ. Proc. 2024.030, 2016.060', -15, 'd', NEARER],
	['initial-trial-date', 'Code Civ. Proc. 2024.030, 2016.060', -10, 'd', NEARER],
	['initial-trial-date', 'Code Civ. Proc. 2034.220', -70, 'd', NEARER],
	['initial-trial-date', 'Code Civ. Proc. 2034.230(b)', -50, 'd', NEARER],
	['trial-date', 'Code Civ. Proc. 437c(a)(3)', -30, 'd'],
	['trial-date', 'Code Civ. Proc. 998(b)', -10, 'd'],
	['judgment-entered', 'Code Civ. Proc. 659(a)(2)', 180, 'd'],
	['judgment-entered', 'Cal. Rules of Court 8.104(a)(1)(C)', 180, 'd'],
	['notice-of-entry-of-judgment-served', 'Code Civ. Proc. 659(a)(2)', 15, 'd'],
	['notice-of-entry-of-judgment-served', 'Cal. Rules of Court 8.104(a)(1)', 60, 'd']
];
const SEVEN = { seven: 'yes' };
const BY_US: How = { answers: { by: 'us' } };
const NY: Row[] = [
	['action-commenced', 'CPLR 306-b', 120, 'd'],
	['summons-and-complaint-served', 'CPLR 3012(a), 3012(c), 312-a(b)', 20, 'd'],
	[
		'summons-and-complaint-served',
		'CPLR 3012(a), 3012(c), 312-a(b)',
		30,
		'd',
		{ answers: { how: 'other' } }
	],
	['summons-and-complaint-served', 'CPLR 3211(e)', 20, 'd'],
	['summons-and-complaint-served', '28 U.S.C. 1446(b)(1)', 30, 'd', { by: FEDERAL }],
	['order-on-a-motion-to-dismiss-served-with-notice-of-entry', 'CPLR 3211(f)', 10, 'd', how],
	['amended-pleading-served', 'CPLR 3025(d)', 20, 'd', how],
	['answer-with-counterclaim-served', 'CPLR 3012(a)', 20, 'd', how],
	['own-pleading-served', 'CPLR 3025(a)', 20, 'd'],
	['response-to-own-pleading-served', 'CPLR 3025(a)', 20, 'd', how],
	['motion-return-date', 'CPLR 2214(b)', -8, 'd', how],
	['motion-return-date', 'CPLR 2214(b)', -16, 'd', { ext: true, answers: SEVEN }],
	['motion-return-date', 'CPLR 2214(b)', -2, 'cd'],
	['motion-return-date', 'CPLR 2214(b)', -7, 'd', { answers: SEVEN }],
	['motion-return-date', 'CPLR 2214(b)', -1, 'd', { answers: SEVEN }],
	[
		'motion-return-date',
		'CPLR 2215',
		-3,
		'd',
		{ ext: true, adds: { 'mail-in-state': '3d', 'mail-out-of-state': '3d', overnight: '1d' } }
	],
	['motion-return-date', 'CPLR 2215', -7, 'd', { answers: SEVEN }],
	['interrogatories-served', 'CPLR 3133(a)', 20, 'd', how],
	['document-notice-served', 'CPLR 3122(a)', 20, 'd', how],
	['notice-to-admit-served', 'CPLR 3123(a)', 20, 'd', how],
	['demand-for-bill-of-particulars-served', 'CPLR 3042(a)', 30, 'd', how],
	['note-of-issue-filed', 'CPLR 3212(a)', 120, 'd'],
	['note-of-issue-served-without-jury-demand', 'CPLR 4102(a)', 15, 'd', how],
	['note-of-issue-served', '22 NYCRR 202.21(e)', 20, 'd', how],
	['order-or-judgment-served-with-notice-of-entry', 'CPLR 5513(a), 5513(d)', 30, 'd', how],
	[
		'order-or-judgment-served-with-notice-of-entry',
		'CPLR 5513(a), 5513(d)',
		30,
		'd',
		{ ext: true, answers: { by: 'us' } }
	],
	['order-or-judgment-served-with-notice-of-entry', 'CPLR 2221(d)(3)', 30, 'd', how],
	['order-or-judgment-served-with-notice-of-entry', 'CPLR 2221(d)(3)', 30, 'd', BY_US]
];
const TX: Row[] = [
	['citation-and-petition-served', '28 U.S.C. 1446(b)(1)', 30, 'd', { by: FEDERAL }],
	['first-pleading-with-the-claim-served', 'Tex. R. Civ. P. 91a.3(a)', 60, 'd'],
	['legal-action-served', 'Tex. Civ. Prac. & Rem. Code 27.003(b)', 60, 'd'],
	['first-answer-or-general-appearance-filed', 'Tex. R. Civ. P. 194.2(a)', 30, 'd'],
	['initial-disclosures-due', 'Tex. R. Civ. P. 190.3(b)(1)', 9, 'm'],
	['interrogatories-served', 'Tex. R. Civ. P. 197.2(a)', 30, 'd', how],
	['request-for-production-served', 'Tex. R. Civ. P. 196.2(a)', 30, 'd', how],
	['request-for-admissions-served', 'Tex. R. Civ. P. 198.2(a)', 30, 'd', how],
	['hearing-of-a-motion', 'Tex. R. Civ. P. 21(b)', -3, 'd'],
	['end-of-discovery-period', 'Tex. R. Civ. P. 195.2', -90, 'd'],
	['end-of-discovery-period', 'Tex. R. Civ. P. 195.2', -60, 'd', { answers: { side: 'other' } }],
	['trial-date', 'Tex. R. Civ. P. 216(a)', -30, 'd'],
	['trial-date', 'Tex. R. Civ. P. 63', -7, 'd'],
	['trial-date', 'Tex. R. Civ. P. 245', -45, 'd'],
	['judgment-signed', 'Tex. R. Civ. P. 329b(a)', 30, 'd'],
	['judgment-signed', 'Tex. R. Civ. P. 296', 20, 'd'],
	['judgment-signed', 'Tex. R. App. P. 26.1', 30, 'd'],
	['judgment-signed', 'Tex. R. App. P. 26.1', 90, 'd', { answers: { motion: 'yes' } }],
	['interlocutory-order-signed', 'Tex. R. App. P. 26.1(b)', 20, 'd']
];
const GB: Row[] = [
	['claim-form-issued', 'CPR 7.5', 4, 'm', { mode: 'no roll' }],
	['claim-form-issued', 'CPR 7.5', 6, 'm', { mode: 'no roll', answers: { out: 'yes' } }],
	['claim-form-served', 'CPR 7.4', 14, 'd', { mode: 'no roll' }],
	['claim-form-with-particulars-served', 'CPR 10.3(1)', 14, 'd'],
	['claim-form-with-particulars-served', 'CPR 15.4(1)', 14, 'd'],
	[
		'claim-form-with-particulars-served',
		'CPR 15.4(1)',
		28,
		'd',
		{ answers: { acknowledged: 'yes' } }
	],
	['particulars-of-claim-served', 'CPR 10.3(1)', 14, 'd'],
	['particulars-of-claim-served', 'CPR 15.4(1)', 14, 'd'],
	['particulars-of-claim-served', 'CPR 15.4(1)', 28, 'd', { answers: { acknowledged: 'yes' } }],
	['decision-of-the-lower-court', 'CPR 52.12(2)(b)', 21, 'd'],
	['acknowledgment-of-service-filed', 'CPR 11(4)', 14, 'd'],
	['hearing-of-an-application', 'CPR 23.7(1)(b)', -4, 'cd'], // three clear days, of a short period
	['judgment', 'CPR 47.7', 3, 'm', { mode: 'no roll' }],
	['notice-of-commencement-of-assessment-served', 'CPR 47.9(2)', 21, 'd', { mode: 'no roll' }]
];
const WAYS = {
	'us-ca-superior': {
		electronic: '2cd',
		'mail-in-state': '5d',
		'mail-out-of-state': '10d',
		'mail-abroad': '20d',
		overnight: '2cd',
		fax: '2cd',
		personal: ''
	},
	'us-ny-supreme': {
		'mail-in-state': '5d',
		'mail-out-of-state': '6d',
		overnight: '1cd',
		electronic: '',
		personal: ''
	},
	'us-tx-district': { mail: '3d', electronic: '', personal: '' },
	'gb-ew-cpr': {}
} as const satisfies Record<string, Record<string, string>>;

function walked(
	from: number,
	[, , n, unit, how = {}]: Row,
	add: string,
	own: ReadonlySet<string>
): string {
	const step = Math.sign(n);
	const holidays = how.by ?? own;
	const more = own === TEXAS && step === -1 ? TEXAS_BACKWARD : NONE;
	const off = (day: number) =>
		weekday(day) % 6 === 0 || holidays.has(fromDay(day)) || more.has(fromDay(day));
	const sitting = (day: number, index: number) => {
		while (index > 0) {
			day += step;
			if (!off(day)) index--;
		}
		return day;
	};
	let number = from;
	if (unit === 'cd') number = sitting(number, Math.abs(n));
	else if (unit === 'd') number += n;
	else {
		const [y, count, day] = fromDay(from).split('-').map(Number) as [number, number, number];
		const at = y * 12 + (count - 1) + n;
		const [yy, mm] = [Math.floor(at / 12), (at % 12) + 1];
		const last = mm === 2 ? (yy % 4 === 0 ? 29 : 28) : [4, 6, 9, 11].includes(mm) ? 30 : 31;
		number = toDay(
			plainDate(
				`${yy}-${String(mm).padStart(2, '0')}-${String(Math.min(day, last)).padStart(2, '0')}`
			)
		);
	}
	const item = Number.parseInt(add, 10) || 0;
	number = add.endsWith('cd') ? sitting(number, item) : number + step * item;
	if (how.mode === 'no roll') return fromDay(number);
	while (off(number)) number += how.mode === 'towards' ? 1 : step;
	return fromDay(number);
}

const LIST = [
	['us-ca-superior', CA, CALIFORNIA],
	['us-ny-supreme', NY, NEW_YORK],
	['us-tx-district', TX, TEXAS],
	['gb-ew-cpr', GB, ENGLAND]
] as const;
for (const [id, rows, holidays] of LIST)
	describe(`${id}, walked day by day`, () => {
		const book = shippedBook(id);
		rows.forEach((row, at) => {
			const [event, authority, n, unit, how = {}] = row;
			it(`${event}, ${authority}, ${n}${unit}${how.answers ? ' (the other way)' : ''}`, () => {
				// Rows of one event and one authority stand in the book's order; a variant is the row it
				// varies.
				const like = rows.filter(
					(item) => item[0] === event && item[1] === authority && !item[4]?.answers
				);
				const asked = how.answers ? Object.values(how.answers).join() : '';
				const place = how.answers
					? rows
							.slice(0, at + 1)
							.filter(
								(item) =>
									item[0] === event &&
									item[1] === authority &&
									item[4]?.answers &&
									Object.values(item[4].answers).join() === asked
							).length - 1
					: like.indexOf(row);
				for (
					let from = toDay(plainDate('2026-01-02'));
					from < toDay(plainDate('2026-12-28'));
					from += 2
				)
					for (const way of how.ext ? [undefined, ...Object.keys(WAYS[id])] : [undefined]) {
						const found = propose(book, {
							event,
							date: fromDay(from),
							answers: how.answers ?? {},
							service: way
						}).deadlines.filter((x) => x.authority === authority && !x.suggested);
						const add =
							way === undefined
								? ''
								: (how.adds?.[way] ?? (WAYS[id] as Record<string, string>)[way]!);
						assert.equal(
							found[place]?.date,
							walked(from, row, add, holidays),
							`${fromDay(from)} ${way ?? 'not served'}`
						);
					}
			});
		});
		it('has no row that is not walked here or below', () => {
			const known = new Set([
				...rows.map((row) => `${row[0]} ${row[1]}`),
				...listWrittenRows(id).map((row) => `${row.event} ${row.authority}`),
				'service-of-summons-complete Code Civ. Proc. 430.41(a)(2), 435.5(a)(2)',
				'case-management-conference-initial Code Civ. Proc. 631(c)',
				'citation-and-petition-served Tex. R. Civ. P. 99(b)',
				'citation-and-petition-served Tex. R. Civ. P. 120a, 86'
			]);
			const own = [...book.events.values()].flatMap((event) =>
				event.rules.map((rule) => `${event.id} ${rule.authority}`)
			);
			assert.deepEqual(
				own.filter((key) => !known.has(key)),
				[]
			);
			for (const event of book.events.values())
				assert.equal(
					event.served,
					event.deemedBy !== null || id === 'gb-ew-cpr'
						? event.served
						: rows.some((row) => row[0] === event.id && row[4]?.ext) ||
								listWrittenRows(id).some((row) => row.event === event.id && row.extended),
					`${event.id} asks how it was served only where that matters`
				);
		});
	});
