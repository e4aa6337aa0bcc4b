/** What becomes of dates when a matter is closed. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { maybeOne, one, scalar } from '#server/db/sql.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { closeMatter } from './status.ts';
import { listStillOpen } from './still-open.ts';

let house: TestHouse;
let matterId = '';
beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house, { title: 'Pier 9' }));
});
const add = (date: string, what: 'deadline' | 'hearing' = 'deadline') =>
	good(addDeadline(house.as('okafor'), { matterId, what, title: `Due ${date}`, date })).deadlineId;
function close(deadlines: Record<string, string>) {
	const { tasks } = listStillOpen(house, matterId);
	return closeMatter(house.as('okafor'), {
		ending: 'Settled',
		matterId,
		reason: 'Settled',
		deadlines,
		tasks: Object.fromEntries(tasks.map(({ id }) => [id, 'drop']))
	});
}
const row = (id: string) =>
	one<DeadlineRow>(house.db, 'SELECT * FROM deadline WHERE id = @id', { id });

describe('closing a matter', () => {
	it('takes a date that was met early, though its day has not come', () => {
		const id = add('2026-12-14');
		good(close({ [id]: 'met' }));
		assert.deepEqual([row(id).state, row(id).closed_on], ['met', '2026-11-23']);
	});
	it('asks for a second word where a date was met late, and keeps why', () => {
		const id = add('2026-12-01');
		house.set('2026-12-04');
		good(close({ [id]: 'late' }));
		const { state, closed_on: on, late_reason: why } = row(id);
		assert.deepEqual([state, on], ['met', '2026-12-04']);
		assert.match(why, /when the matter was closed: Settled/);
		assert.ok(
			maybeOne(house.db, "SELECT 1 FROM mail_out WHERE subject LIKE '%met late%'"),
			'whoever may judge it is asked'
		);
	});
	it('lets a date of days ago be met in time, as of its day', () => {
		const id = add('2026-12-01');
		house.set('2026-12-04');
		good(close({ [id]: 'met' }));
		assert.deepEqual([row(id).closed_on, row(id).late_reason], ['2026-12-01', '']);
		assert.equal(scalar(house.db, "SELECT count(*) FROM mail_out WHERE subject LIKE '%late%'"), 0);
	});
	it('refuses that a hearing ahead was held', () => {
		const id = add('2026-12-14', 'hearing');
		assert.match(bad(close({ [id]: 'met' }))[`deadlines.${id}`]!, /cannot have been held/);
		assert.equal(row(id).state, 'docketed');
	});
});
