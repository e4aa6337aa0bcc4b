/** What the Day sheet counts and does not show is as many as there are. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addDays, plainDate } from '#core/dates/plain.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { returnDeadline } from '#server/docket/deadlines.ts';
import {
	countDeadlines,
	countDeadlinesByMonth,
	listDeadlines,
	type DeadlineView
} from '#server/docket/list.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { listSlip } from './slip.ts';

const TOMORROW = plainDate('2026-11-24');
let house: TestHouse;
let matterId: string;
const mine = (): DeadlineView[] =>
	listDeadlines(house, house.staff('okafor'), { who: 'mine', per: 500 }).rows;
const slip = (login = 'okafor') => listSlip(house, house.staff(login));

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	const add = (title: string, date: string) =>
		good(addDeadline(house.as('okafor'), { matterId, title, date }));
	for (let day = 0; day < 30; day++) add(`Ahead ${day}`, addDays(TOMORROW, day));
});

describe('dates ahead on the Day sheet', () => {
	it('are shown or counted, each once', () => {
		const { rows, more, near } = slip();
		assert.equal(rows.length + more, 30);
		assert.equal(near, rows.filter(({ courtDays }) => courtDays <= 5).length + more - laterThan(5));
	});

	/** Dates that lie further ahead than so many court days. */
	function laterThan(courtDays: number): number {
		// Thanksgiving, its Friday not being a holiday of the court: 24, 25, 27, 30 Nov, 1 Dec.
		assert.equal(courtDays, 5);
		return mine().filter(({ date }) => date > '2026-12-01').length;
	}

	it('are counted once though the second check returned one of them', () => {
		const returned = mine()[20]!;
		const words = { deadlineId: returned.id, reason: 'The order says otherwise.' };
		good(returnDeadline(house.as('castellan'), words));
		const { rows, more } = slip();
		assert.deepEqual(rows[0]?.id, returned.id);
		assert.equal(rows.length + more, 30);
		assert.equal(new Set(rows.map(({ id }) => id)).size, rows.length);
	});

	it('stand with the clerk who docketed one, though they are counsel’s, once it is returned', () => {
		const input = { matterId, title: 'By the clerk', date: '2026-12-20' };
		const { deadlineId } = good(addDeadline(house.as('castellan'), input));
		assert.deepEqual([slip('castellan').rows, slip('castellan').more], [[], 0]);
		const words = { deadlineId, reason: 'The order says otherwise.' };
		good(returnDeadline(house.as('okafor'), words));
		const { rows, more } = slip('castellan');
		assert.deepEqual([rows.map(({ id }) => id), more], [[deadlineId], 0]);
	});
});

it('dates of a filter are counted as they are listed, by month too', () => {
	const me = house.staff('okafor');
	const filter = { who: 'mine', from: TOMORROW, to: '2026-12-31' };
	const { total } = listDeadlines(house, me, filter);
	assert.equal(countDeadlines(house, me, filter), total);
	const months = countDeadlinesByMonth(house, me, filter);
	assert.deepEqual([...months].sort(), [
		['2026-11', 7],
		['2026-12', 23]
	]);
	assert.equal(countDeadlinesByMonth(house, house.staff('wardle'), { who: 'mine' }).size, 0);
});
