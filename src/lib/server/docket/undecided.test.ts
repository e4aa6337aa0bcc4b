/** A proposal that nobody decides on is told after the department's days, once. */
import assert from 'node:assert/strict';
import { beforeEach, it } from 'node:test';
import { all } from '#server/db/sql.ts';
import { setProposalDays } from '#server/staff/department.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { assignDeadlines } from './assign.ts';
import { enterEvent } from './events.ts';
import { listDeadlines } from './list.ts';
import { setAsideDeadlines } from './set-aside.ts';
import { tellUndecided } from './undecided.ts';

let house: TestHouse;
let matterId: string;
const enter = (date: string) =>
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'summons-and-complaint-served-on-a-defendant',
			date
		})
	);
const told = () =>
	all<{ recipient: string; subject: string; text: string }>(
		house.db,
		"SELECT recipient, subject, text FROM mail_out WHERE subject LIKE '%proposal%' ORDER BY rowid"
	);
const ids = () =>
	all<{ id: string }>(
		house.db,
		"SELECT id FROM deadline WHERE matter_id = @matterId AND state = 'proposed' ORDER BY id",
		{ matterId }
	).map(({ id }) => id);

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	enter('2026-11-20');
});

it('tells whose they are after a fortnight, each once', async () => {
	house.set('2026-12-06');
	await tellUndecided(house);
	assert.equal(told().length, 0, 'the thirteenth day');
	house.set('2026-12-07');
	await tellUndecided(house);
	await tellUndecided(house);
	assert.equal(told().length, 1);
	assert.match(told()[0]!.recipient, /okafor/);
	assert.match(told()[0]!.subject, /2 proposals wait/);
	assert.match(told()[0]!.text, /docket them, or set them aside/);
});

it('follows the days the department has set, and who holds them', async () => {
	good(assignDeadlines(house.as('okafor'), { deadlineIds: ids(), assigneeId: 'stf_wardle' }));
	bad(setProposalDays(house.as('castellan'), { days: '0' }));
	bad(setProposalDays(house.as('castellan'), { days: 'soon' }));
	good(setProposalDays(house.as('castellan'), { days: '3' }));
	house.set('2026-11-26');
	await tellUndecided(house);
	assert.deepEqual(
		told().map(({ recipient }) => /<(.*)@/.exec(recipient)?.[1]),
		['wardle']
	);
});

it('says nothing of what was decided', async () => {
	good(setAsideDeadlines(house.as('okafor'), { deadlineIds: ids(), reason: 'No answer is due' }));
	house.set('2027-01-11');
	await tellUndecided(house);
	assert.equal(told().length, 0);
});

it('lists them by age, the oldest first, whichever day they fall on', () => {
	const first = ids();
	house.set('2026-11-25');
	enter('2026-10-01');
	const { rows } = listDeadlines(house, house.staff('okafor'), { show: 'proposed' });
	assert.deepEqual(new Set(rows.slice(0, first.length).map(({ id }) => id)), new Set(first));
	assert.ok(rows.length > first.length);
});
