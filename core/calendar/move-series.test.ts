import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { addDays, plainDate } from '../dates/plain.ts';
import { findLastDay, moveRule } from './move-series.ts';
import { expandRecurrence } from './recurrence.ts';
import { formatRule, parseRule } from './rrule.ts';

const read = (text: string) => {
	const parsed = parseRule(text);
	assert.ok('rule' in parsed, text);
	return parsed.rule;
};
const START = plainDate('2026-11-24');
const moved = (text: string, by: number, start = START) => {
	const found = moveRule(read(text), start, by);
	return 'error' in found ? 'refused' : formatRule(found.rule);
};

describe('a series moved by some days', () => {
	it('takes the days that its rule names with it', () => {
		assert.equal(moved('FREQ=DAILY', 1), 'FREQ=DAILY');
		assert.equal(moved('FREQ=WEEKLY;BYDAY=TU', 1), 'FREQ=WEEKLY;BYDAY=WE');
		assert.equal(moved('FREQ=WEEKLY;BYDAY=TU', -2), 'FREQ=WEEKLY;BYDAY=SU');
		assert.equal(moved('FREQ=MONTHLY;BYMONTHDAY=24', 3), 'FREQ=MONTHLY;BYMONTHDAY=27');
		assert.equal(moved('FREQ=MONTHLY;BYDAY=4TU', 1), 'FREQ=MONTHLY;BYDAY=4WE');
		assert.equal(moved('FREQ=MONTHLY;BYDAY=-1TU', -7), 'FREQ=MONTHLY;BYDAY=-2TU');
		assert.equal(
			moved('FREQ=WEEKLY;UNTIL=20261222;BYDAY=TU', 1),
			formatRule(read('FREQ=WEEKLY;UNTIL=20261223;BYDAY=WE'))
		);
	});
	it('keeps its days together, where they stay in their week', () => {
		assert.equal(moved('FREQ=WEEKLY;BYDAY=TU,TH', 1), 'FREQ=WEEKLY;BYDAY=WE,FR');
		assert.equal(moved('FREQ=WEEKLY;BYDAY=TU,TH', 7), 'FREQ=WEEKLY;BYDAY=TU,TH');
		assert.equal(moved('FREQ=WEEKLY;BYDAY=TU,TH', 4), 'refused');
		assert.equal(moved('FREQ=MONTHLY;BYMONTHDAY=1,24', 1), 'refused');
		assert.equal(moved('FREQ=MONTHLY;BYDAY=TU', 1), 'refused');
	});
	it('gives the days it gave, so many later', () => {
		for (const text of [
			'FREQ=DAILY;INTERVAL=3',
			'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU',
			'FREQ=WEEKLY;BYDAY=TU,WE;COUNT=9'
		]) {
			const rule = read(text);
			const found = moveRule(rule, START, 2);
			assert.ok('rule' in found);
			const end = addDays(START, 90);
			assert.deepEqual(
				expandRecurrence(found.rule, addDays(START, 2), START, addDays(end, 2)),
				expandRecurrence(rule, START, START, end).map((day) => addDays(day, 2)),
				text
			);
		}
	});
	it('ends on its last day, or never', () => {
		assert.equal(findLastDay(read('FREQ=WEEKLY;COUNT=3'), START), '2026-12-08');
		assert.equal(findLastDay(read('FREQ=WEEKLY;UNTIL=20261201'), START), '2026-12-01');
		assert.equal(findLastDay(read('FREQ=DAILY'), START), null);
	});
});
