/** A date that an order moved by so many days: its own count, and its second check. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import { one, run } from '#server/db/sql.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addClosure } from './closures.ts';
import { findDeadlineCount } from './counts.ts';
import { checkDeadlines } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { findCheckItem } from './matter-docket.ts';
import { moveDeadline } from './reschedule.ts';
import type { DeadlineRow } from './rows.ts';

let house: TestHouse;
let matterId: string;
const find = (title: string) =>
	one<DeadlineRow>(
		house.db,
		'SELECT * FROM deadline WHERE matter_id = @matterId AND title = @title',
		{
			matterId,
			title
		}
	);
const answer = () => find('Answer or Rule 12 motion');
const move = (more: { by?: string; to?: string; how?: 'order' | 'agreement' | 'back' }) =>
	moveDeadline(house.as('okafor'), {
		deadlineId: answer().id,
		how: 'order',
		reason: 'Stipulated',
		version: answer().version,
		...more
	});
const shut = (date: string, kind: 'office' | 'holiday' = 'office') =>
	addClosure(house.as('castellan'), {
		book: 'us-federal.ca-nd',
		date: plainDate(date),
		kind,
		name: kind === 'office' ? 'Flood' : 'Day of mourning'
	});

describe('a date moved by so many days', () => {
	beforeEach(async () => {
		house = await testHouse();
		({ matterId } = await newMatter(house));
		// Answer on Mon 30 Nov 2026: 21 days from Mon 9 Nov.
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'summons-and-complaint-served-on-a-defendant',
				date: '2026-11-09',
				docket: ['answer-or-rule-12-motion']
			})
		);
	});

	it('has its own count beside the rule’s, which the second check makes anew', () => {
		good(move({ by: '+4cd' }));
		const { date, computed, move_from, move_count } = answer();
		assert.deepEqual(
			[date, computed, move_from, move_count],
			['2026-12-04', '2026-11-30', '2026-11-30', '+4cd']
		);
		const count = findDeadlineCount(house, house.staff('castellan'), answer().id);
		assert.match(count!.sentences.join(' '), /21st day is Monday 30 November 2026/);
		assert.match(count!.moved!.sentences.join(' '), /the day it had, Monday 30 November 2026/);
		assert.match(count!.moved!.sentences.join(' '), /Friday 4 December 2026/);
		const item = findCheckItem(house, house.staff('castellan'), answer().id);
		assert.deepEqual([item?.move?.fresh, item?.move?.same], ['2026-12-04', true]);
		assert.equal(item?.fresh?.date, '2026-11-30', 'the rule gives its own day');
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
	});

	it('is not checked where the same count gives another day by now', async () => {
		good(move({ by: '+4cd' }));
		good(await shut('2026-12-02', 'holiday'));
		const item = findCheckItem(house, house.staff('castellan'), answer().id);
		assert.deepEqual([item?.move?.fresh, item?.move?.same], ['2026-12-07', false]);
		assert.match(
			bad(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }))['']!,
			/\+4cd from Monday 30 November 2026 is Monday 7 December 2026, not Friday 4 December/
		);
	});

	it('is moved off a shut office only where something is filed, and not by one inside', async () => {
		good(await shut('2026-12-02'));
		good(await shut('2026-12-04'));
		assert.equal(answer().act, 'file');
		good(move({ by: '+4cd' }));
		assert.equal(answer().date, '2026-12-07', 'the 2nd is counted, the 4th is the last day');
		good(move({ how: 'back' }));
		run(house.db, "UPDATE deadline SET act = 'serve' WHERE id = @id", { id: answer().id });
		good(move({ by: '+4cd' }));
		assert.equal(answer().date, '2026-12-04', 'what is served no office moves');
	});

	it('has no count where the order names a day, and says so of a day on which no court sits', () => {
		good(move({ by: '+4cd' }));
		good(move({ to: '2026-12-12' }));
		assert.deepEqual([answer().move_from, answer().move_trace], [null, null]);
		const item = findCheckItem(house, house.staff('castellan'), answer().id);
		assert.deepEqual([item?.move, item?.closed], [null, 'Saturday']);
		good(move({ how: 'back' }));
		assert.deepEqual([answer().date, answer().computed], ['2026-11-30', null]);
	});
});
