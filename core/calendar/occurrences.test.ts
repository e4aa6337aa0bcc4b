import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { listOccurrences, occurrenceOn, type Series } from './occurrences.ts';
import { parseRule } from './rrule.ts';

const date = plainDate;
const HERE = 'America/Los_Angeles';
const series = (more: Partial<Series> & { rrule?: string } = {}): Series => {
	const { rrule, ...rest } = more;
	const parsed = rrule === undefined ? null : parseRule(rrule);
	assert.ok(parsed === null || 'rule' in parsed);
	return {
		id: 'one',
		day: date('2026-11-23'),
		from: 10 * 60,
		moreDays: 0,
		to: 11 * 60,
		zone: HERE,
		rule: parsed === null ? null : parsed.rule,
		except: new Set(),
		...rest
	};
};
const utc = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString().slice(0, 16));
const list = (one: Series, from: string, to: string, zone = HERE) =>
	listOccurrences([one], date(from), date(to), zone);

describe('an appointment that comes again', () => {
	it('is at the same clock time before and after a change of clocks', () => {
		const weekly = series({ day: date('2026-10-27'), rrule: 'FREQ=WEEKLY' });
		assert.deepEqual(
			list(weekly, '2026-10-20', '2026-11-05').map(({ day, starts }) => [day, utc(starts)]),
			[
				['2026-10-27', '2026-10-27T17:00'],
				['2026-11-03', '2026-11-03T18:00']
			]
		);
	});
	it('ends by the clock, also three days later and across a change of clocks', () => {
		const trip = series({ day: date('2026-10-31'), moreDays: 2, to: 9 * 60 });
		const [found] = list(trip, '2026-11-01', '2026-11-01');
		assert.deepEqual(
			[found?.firstDay, found?.lastDay, utc(found!.starts), utc(found!.ends)],
			['2026-10-31', '2026-11-02', '2026-10-31T17:00', '2026-11-02T17:00']
		);
	});
	it('is left out on its exceptions', () => {
		const daily = series({ rrule: 'FREQ=DAILY;COUNT=4', except: new Set([date('2026-11-25')]) });
		assert.deepEqual(
			list(daily, '2026-11-01', '2026-12-31').map(({ day }) => day),
			['2026-11-23', '2026-11-24', '2026-11-26']
		);
	});
	it('is found on every day that it touches, and on no other', () => {
		const trip = series({ moreDays: 3, to: 0 });
		assert.equal(list(trip, '2026-11-25', '2026-11-25').length, 1);
		// It ends at midnight: that day is not its.
		assert.equal(list(trip, '2026-11-26', '2026-11-26').length, 0);
		assert.equal(list(trip, '2026-11-22', '2026-11-22').length, 0);
	});
	it('of another zone is on the day that the viewer’s clock has', () => {
		const late = series({ zone: 'Asia/Tokyo', from: 8 * 60, to: 9 * 60 });
		const [found] = list(late, '2026-11-20', '2026-11-25');
		assert.deepEqual(
			[found?.day, found?.firstDay, utc(found!.starts)],
			[...['2026-11-23', '2026-11-22', '2026-11-22T23:00']]
		);
	});
	it('all day is the same days in every zone, and without a clock', () => {
		const leave = series({ from: null, to: null, moreDays: 1, zone: 'Asia/Tokyo' });
		const [found] = list(leave, '2026-11-24', '2026-11-24');
		assert.deepEqual(
			[found?.firstDay, found?.lastDay, found?.starts],
			[...['2026-11-23', '2026-11-24', null]]
		);
	});
	it('stands in order: all day first, then by the clock', () => {
		const found = listOccurrences(
			[
				series({ id: 'c', from: 9 * 60 + 30 }),
				series({ id: 'b', from: 9 * 60 }),
				series({ id: 'a', from: 9 * 60 }),
				series({ id: 'd', from: null, to: null })
			],
			date('2026-11-23'),
			date('2026-11-23'),
			HERE
		);
		assert.deepEqual(
			found.map(({ id }) => id),
			['d', 'a', 'b', 'c']
		);
	});
	it('at an hour that a change of clocks leaves out is read before the change', () => {
		const night = series({ day: date('2026-03-08'), from: 150, to: 210 });
		assert.equal(utc(occurrenceOn(night, date('2026-03-08'), HERE).starts), '2026-03-08T10:30');
	});
});
