import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import type { CalendarItem } from '#server/calendar-sheet/items.ts';
import { hoursShown, listColumns, type ColumnData } from './columns.ts';

const item = (more: Partial<CalendarItem>): CalendarItem => ({
	...{ key: more.subject ?? '', id: 'apt_1', subject: 'Call', about: '', resources: [] },
	...{ day: plainDate('2026-11-24'), lastDay: plainDate('2026-11-24') },
	...{ onDay: plainDate('2026-11-24'), from: 600, to: 660, staff: ['stf_a'] },
	...{ recurs: false, isPrivate: false, free: true },
	...more
});
const DAYS = ['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28'].map(plainDate);
const data = (more: Partial<ColumnData>): ColumnData => ({
	...{ days: DAYS, people: [], items: [], due: [], away: [] },
	closed: { '2026-11-28': { name: 'Saturday', everywhere: true } },
	...more
});

describe('the columns of a calendar', () => {
	it('have what stands on their day, over midnight in both', () => {
		const late = item({ subject: 'Late', from: 1380, lastDay: plainDate('2026-11-25'), to: 60 });
		const columns = listColumns(data({ items: [item({}), late] }));
		assert.deepEqual(
			columns.map(({ blocks }) => blocks.map(({ item: { from, to } }) => `${from}-${to}`)),
			[['600-660', '1380-1440'], ['0-60'], [], [], []]
		);
		assert.deepEqual(hoursShown(columns, { first: 8, last: 19 }), { first: 0, last: 24 });
	});
	it('are one for each person, with what is theirs', () => {
		const people = [
			{ id: 'stf_a', name: 'A' },
			{ id: 'stf_b', name: 'B' }
		];
		const away = [{ staffId: 'stf_b', from: DAYS[0]!, to: DAYS[1]! }];
		const columns = listColumns(data({ people, items: [item({})], away }));
		assert.deepEqual(
			columns.map(({ key, blocks, away: gone }) => [key, blocks.length, gone.length]),
			[
				['stf_a', 1, 0],
				['stf_b', 0, 1]
			]
		);
	});
	it('shrink where nobody works and nothing stands', () => {
		const narrow = (items: CalendarItem[]) => listColumns(data({ items })).at(-1)?.isNarrow;
		assert.equal(narrow([]), true);
		assert.equal(narrow([item({ day: DAYS[4]!, lastDay: DAYS[4]! })]), false);
	});
});
