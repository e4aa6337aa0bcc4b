import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { addDays, plainDate, toDay, weekday } from '../dates/plain.ts';
import { askRound, listUncovered, signOffWeek } from './week.ts';

describe('the week of a sign-off', () => {
	it('begins on its Monday, whichever day one asks on, and looks four weeks ahead', () => {
		for (let day = plainDate('2026-11-23'); day <= '2026-11-29'; day = addDays(day, 1))
			assert.deepEqual(signOffWeek(day), { week: '2026-11-23', until: '2026-12-20' });
		assert.equal(signOffWeek(plainDate('2026-11-30')).week, '2026-11-30');
	});
	it('is a Monday through years and their ends', () => {
		for (let day = plainDate('2023-12-20'); day < '2025-01-15'; day = addDays(day, 1)) {
			const { week, until } = signOffWeek(day);
			assert.equal(weekday(toDay(week)), 1);
			assert.ok(week <= day && day <= addDays(week, 6) && until >= addDays(day, 21));
		}
	});
	it('asks from Monday on, and again from Thursday on', () => {
		const rounds = ['23', '24', '25', '26', '27', '28', '29'].map((day) =>
			askRound(plainDate(`2026-11-${day}`))
		);
		assert.deepEqual(rounds, [1, 1, 1, 2, 2, 2, 2]);
	});
	it('does not cover what is new, nor what has moved since', () => {
		const date = (id: string, day: string) => ({ id, date: plainDate(day) });
		const signed = [date('a', '2026-12-01'), date('b', '2026-12-02')];
		const standing = [date('a', '2026-12-01'), date('b', '2026-12-03'), date('c', '2026-12-04')];
		assert.deepEqual(
			listUncovered(standing, signed).map(({ id }) => id),
			['b', 'c']
		);
	});
});
