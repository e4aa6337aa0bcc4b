import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { listDays, spanOfView, stepView, VIEWS } from './views.ts';

const DAY = plainDate('2026-11-25');

describe('a view of the calendar', () => {
	it('shows its days', () => {
		const span = (view: (typeof VIEWS)[number], count = 5) => {
			const { from, to } = spanOfView(view, DAY, count);
			return `${from} ${to}`;
		};
		assert.equal(span('day'), '2026-11-25 2026-11-25');
		assert.equal(span('days', 3), '2026-11-25 2026-11-27');
		assert.equal(span('week'), '2026-11-23 2026-11-29');
		assert.equal(span('month'), '2026-10-26 2026-12-06');
		assert.equal(span('agenda'), '2026-11-25 2026-12-22');
		assert.equal(listDays(spanOfView('month', DAY, 5)).length % 7, 0);
	});
	it('goes on and back, and from the 31st to the last day of a month', () => {
		assert.equal(stepView('day', DAY, 5, -1), '2026-11-24');
		assert.equal(stepView('days', DAY, 14, 1), '2026-12-09');
		assert.equal(stepView('team', DAY, 5, 1), '2026-12-02');
		assert.equal(stepView('month', plainDate('2027-01-31'), 5, 1), '2027-02-28');
		assert.equal(stepView('month', plainDate('2027-01-31'), 5, -1), '2026-12-31');
	});
});
