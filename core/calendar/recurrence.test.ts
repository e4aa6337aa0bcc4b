import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import rrule from 'rrule';
import { addDays, fromDay, plainDate, toDay, type PlainDate } from '../dates/plain.ts';
import { describeRecurrence } from './describe-recurrence.ts';
import { divideSeries } from './change-series.ts';
import { expandRecurrence, findFirst, type Recurrence } from './recurrence.ts';
import { formatRule, parseRule } from './rrule.ts';

const { rrulestr } = rrule;
const date = plainDate;
const read = (text: string) => {
	const parsed = parseRule(text);
	if ('error' in parsed) throw new Error(`${text}: ${parsed.error}`);
	return parsed.rule;
};
const days = (text: string, start: string, from: string, to: string) =>
	expandRecurrence(read(text), date(start), date(from), date(to));

describe('a recurrence', () => {
	it('gives the days of RFC 5545’s own examples', () => {
		const year = ['1997-09-02', '1997-12-31'] as const;
		assert.deepEqual(days('FREQ=DAILY;COUNT=3', '1997-09-02', ...year), [
			...['1997-09-02', '1997-09-03', '1997-09-04']
		]);
		assert.deepEqual(days('FREQ=WEEKLY;INTERVAL=2;COUNT=8;BYDAY=TU,TH', '1997-09-02', ...year), [
			...['1997-09-02', '1997-09-04', '1997-09-16', '1997-09-18'],
			...['1997-09-30', '1997-10-02', '1997-10-14', '1997-10-16']
		]);
		assert.deepEqual(days('FREQ=MONTHLY;COUNT=4;BYDAY=1FR', '1997-09-05', ...year), [
			...['1997-09-05', '1997-10-03', '1997-11-07', '1997-12-05']
		]);
		assert.deepEqual(days('FREQ=MONTHLY;BYDAY=-2MO;COUNT=3', '1997-09-22', ...year), [
			'1997-09-22',
			'1997-10-20',
			'1997-11-17'
		]);
		assert.deepEqual(days('FREQ=MONTHLY;BYMONTHDAY=-3', '1997-09-28', ...year), [
			'1997-09-28',
			'1997-10-29',
			'1997-11-28',
			'1997-12-29'
		]);
		assert.deepEqual(
			days(
				'FREQ=YEARLY;INTERVAL=2;BYMONTH=1,2,3;COUNT=4',
				'1997-03-10',
				'1997-01-01',
				'2003-12-31'
			),
			['1997-03-10', '1999-01-10', '1999-02-10', '1999-03-10']
		);
		assert.deepEqual(
			days('FREQ=YEARLY;BYDAY=20MO;COUNT=3', '1997-05-19', '1997-01-01', '2003-12-31'),
			['1997-05-19', '1998-05-18', '1999-05-17']
		);
		assert.deepEqual(
			days('FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', '1997-09-02', '1997-09-02', '1999-12-31'),
			['1998-02-13', '1998-03-13', '1998-11-13', '1999-08-13']
		);
	});

	it('passes over a month or a year without its day', () => {
		assert.deepEqual(days('FREQ=MONTHLY', '2026-01-31', '2026-01-01', '2026-06-30'), [
			...['2026-01-31', '2026-03-31', '2026-05-31']
		]);
		assert.deepEqual(days('FREQ=YEARLY', '2024-02-29', '2024-01-01', '2032-12-31'), [
			...['2024-02-29', '2028-02-29', '2032-02-29']
		]);
	});

	it('says that a day that never comes never comes', () => {
		const never = 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30';
		assert.equal(findFirst(read(never), date('2026-11-23')), undefined);
		assert.equal(findFirst(read('FREQ=YEARLY'), date('2024-02-29')), '2024-02-29');
		assert.equal(findFirst(read('FREQ=WEEKLY;BYDAY=FR'), date('2026-11-23')), '2026-11-27');
		const over = 'FREQ=WEEKLY;BYDAY=FR;UNTIL=20261125';
		assert.equal(findFirst(read(over), date('2026-11-23')), undefined);
	});

	it('is found in a far span without being counted from its beginning', () => {
		const far = days('FREQ=DAILY;INTERVAL=3', '1900-01-01', '2199-12-20', '2199-12-31');
		assert.ok(
			far.length === 4 && far.every((day) => (toDay(day) - toDay(date('1900-01-01'))) % 3 === 0)
		);
	});

	it('refuses in words what it does not understand', () => {
		for (const [text, why] of [
			['FREQ=HOURLY', /daily, weekly, monthly or yearly/],
			['FREQ=DAILY;COUNT=2;UNTIL=20270101', /not both/],
			['FREQ=DAILY;INTERVAL=0', /1 to 999/],
			['FREQ=DAILY;COUNT=0', /1 to 9999 times/],
			['FREQ=MONTHLY;BYMONTHDAY=32', /cannot be read/],
			['FREQ=MONTHLY;BYDAY=6MO', /at most five/],
			['FREQ=WEEKLY;BYDAY=1MO', /one of a month or a year/],
			['FREQ=WEEKLY;BYMONTHDAY=1', /weekly recurrence has weekdays/],
			['FREQ=MONTHLY;BYSETPOS=1;BYDAY=MO', /“BYSETPOS” of a recurrence is not understood/],
			['FREQ=DAILY;UNTIL=20270230', /is no day/],
			['__proto__=1', /not understood/]
		] as const) {
			const parsed = parseRule(text);
			assert.ok('error' in parsed, text);
			assert.match(parsed.error, why);
		}
	});

	it('is said in words', () => {
		const say = (text: string) => describeRecurrence(read(text), date('2026-11-24'));
		assert.equal(say('FREQ=DAILY;COUNT=10'), 'every day, 10 times');
		assert.equal(
			say('FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH;UNTIL=20270105'),
			'every second week on Tuesday and Thursday, until Tuesday 5 January 2027'
		);
		assert.equal(say('FREQ=WEEKLY'), 'every week on Tuesday');
		assert.equal(say('FREQ=MONTHLY;BYDAY=-1FR'), 'every month on the last Friday');
		assert.equal(say('FREQ=MONTHLY'), 'every month on the 24');
		assert.equal(say('FREQ=MONTHLY;BYMONTHDAY=-1'), 'every month on the last day');
		assert.equal(say('FREQ=YEARLY'), 'every year on 24 November');
		assert.equal(
			say('FREQ=MONTHLY;INTERVAL=12;BYDAY=2MO'),
			'every 12th month on the second Monday'
		);
	});
});

/** The same numbers each time: mulberry32. */
function makeChance(seed: number) {
	let state = seed;
	const next = () => {
		state = (state + 0x6d2b79f5) | 0;
		let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
		mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
	};
	const int = (least: number, most: number) => least + Math.floor(next() * (most - least + 1));
	const pick = <Item>(list: readonly Item[]): Item => list[int(0, list.length - 1)]!;
	const some = <Item>(list: readonly Item[], most: number): Item[] => [
		...new Set(Array.from({ length: int(1, most) }, () => pick(list)))
	];
	return { next, int, pick, some };
}

const DAYS = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'];
const MONTHS = Array.from({ length: 12 }, (_, at) => String(at + 1));

/** A rule of any sort that is understood, and the day it counts from. */
function randomRule({ next, int, pick, some }: ReturnType<typeof makeChance>) {
	const frequency = pick(['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY']);
	const start = fromDay(toDay(date('1995-01-01')) + int(0, 20_000));
	const parts = [`FREQ=${frequency}`];
	if (next() < 0.5) parts.push(`INTERVAL=${int(1, frequency === 'YEARLY' ? 4 : 9)}`);
	const isLong = frequency === 'MONTHLY' || frequency === 'YEARLY';
	const months = next() < 0.3 ? some(MONTHS, 4) : [];
	if (months.length) parts.push(`BYMONTH=${months.join(',')}`);
	const kind = int(0, 3);
	if (kind === 1) parts.push(`BYDAY=${some(DAYS, 3).join(',')}`);
	if (kind === 2 && isLong) {
		const most = frequency === 'YEARLY' && months.length === 0 ? 53 : 5;
		const nth = () => pick([1, -1]) * int(1, next() < 0.7 ? 4 : most);
		parts.push(
			`BYDAY=${some(DAYS, 2)
				.map((day) => `${nth()}${day}`)
				.join(',')}`
		);
	}
	if (kind === 3 && frequency !== 'WEEKLY')
		parts.push(`BYMONTHDAY=${some([1, 2, 13, 15, 28, 29, 30, 31, -1, -2, -31], 3).join(',')}`);
	const end = next();
	if (end < 0.3) parts.push(`COUNT=${int(1, 40)}`);
	else if (end < 0.6)
		parts.push(`UNTIL=${addDays(start, int(0, 3000)).replaceAll('-', '')}T000000Z`);
	return { text: parts.join(';'), start };
}

/** So far each rule is followed. */
const DAYS_AHEAD = 1100;
const stamp = (day: PlainDate) => `${day.replaceAll('-', '')}T000000Z`;

/** Divided at one of its days, a series is the same days as before, in two. */
function assertDivided(rule: Recurrence, start: PlainDate, at: number): void {
	const end = addDays(start, 2000);
	const whole = expandRecurrence(rule, start, start, end);
	const day = whole[at];
	if (day === undefined) return;
	const { before, after } = divideSeries(rule, start, day);
	const days = [
		...(before ? expandRecurrence(before, start, start, end) : []),
		...expandRecurrence(after, day, day, end)
	];
	assert.deepEqual(days, whole, `${formatRule(rule)} from ${start}, divided on ${day}`);
}

describe('two thousand random recurrences', () => {
	it('give the days that an independent library gives, from the first and from any day', () => {
		const chance = makeChance(20261123);
		let compared = 0;
		for (let made = 0; made < 2000;) {
			const { text, start } = randomRule(chance);
			const rule = read(text);
			// The library looks for eight thousand years where no day ever fits.
			if (findFirst(rule, start) === undefined) continue;
			made++;
			const theirs = rrulestr(`DTSTART:${stamp(start)}\nRRULE:${text}`)
				.between(
					new Date(`${start}T00:00:00Z`),
					new Date(`${addDays(start, DAYS_AHEAD)}T00:00:00Z`),
					true
				)
				.map((one) => one.toISOString().slice(0, 10));
			for (const ahead of [0, chance.int(0, DAYS_AHEAD - 500)]) {
				const from = addDays(start, ahead);
				const to = addDays(from, chance.int(0, 500));
				assert.deepEqual(
					expandRecurrence(rule, start, from, to),
					theirs.filter((day) => day >= from && day <= to),
					`${text} from ${start}, ${from} to ${to}`
				);
			}
			compared += theirs.length;
			assert.deepEqual(read(formatRule(rule)), rule);
			assertDivided(rule, start, chance.int(0, 20));
		}
		assert.ok(compared > 15_000, `${compared} days were compared`);
	});
});
