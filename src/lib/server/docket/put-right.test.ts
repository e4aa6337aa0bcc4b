/** What is put right later: an event's name, a hearing that was off, a matter that is reopened. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, scalar } from '#server/db/sql.ts';
import { closeMatter, reopenMatter } from '#server/matters/status.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { search } from '#server/search/queries.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addClosure } from './closures.ts';
import { listWaitingChanges } from './changes.ts';
import { docketDeadlines } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { holdHearing, takeOffHearing } from './hearings.ts';
import { moveEvent } from './move-event.ts';
import { takeBackDeadline } from './take-back.ts';

let house: TestHouse;
let matterId = '';
beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house, { title: 'Pier 9', rulebook: 'us-ca-superior' }));
});

const okafor = () => house.as('okafor');
const enter = (key: string, date: string, more: object = {}) =>
	good(enterEvent(okafor(), { matterId, eventKey: `us-ca-superior|${key}`, date, ...more }))
		.eventId;
const hearingOf = (eventId: string) =>
	one<{ id: string; title: string; state: string }>(
		house.db,
		"SELECT id, title, state FROM deadline WHERE event_id = @eventId AND sort = 'hearing'",
		{ eventId }
	);
const datesOf = (eventId: string) =>
	all<{ id: string; title: string; state: string }>(
		house.db,
		`SELECT id, title, state
		FROM deadline
		WHERE event_id = @eventId AND sort = 'deadline' AND suggested = 0
		ORDER BY date, id`,
		{ eventId }
	);

describe("an event's name", () => {
	it('is put right without moving anything, and its hearing is called so too', () => {
		const eventId = enter('hearing-of-a-motion', '2027-03-15', { name: 'to strke' });
		good(
			moveEvent(okafor(), {
				...{ eventId, to: '2027-03-15', name: 'to strike', reason: 'a slip', version: 1 }
			})
		);
		assert.equal(hearingOf(eventId).title, 'Hearing of a motion, to strike');
		assert.match(
			scalar<string>(house.db, 'SELECT text FROM logbook ORDER BY rowid DESC LIMIT 1'),
			/corrected \(called “to strike”\): a slip/
		);
		good(moveEvent(okafor(), { eventId, to: '2027-03-22', reason: 'continued', version: 2 }));
		assert.equal(scalar(house.db, 'SELECT name FROM event'), 'to strike', 'and stays so');
	});
});

describe('two people at one event', () => {
	it('are told what the first changed, beside what the second wrote, and nothing is overwritten', () => {
		const eventId = enter('hearing-of-a-motion', '2027-03-15', { time: '09:00' });
		const first = { eventId, to: '2027-03-22', time: '10:00', reason: 'continued', version: 1 };
		good(moveEvent(house.as('okafor'), first));
		const second = moveEvent(house.as('castellan'), {
			...{ eventId, to: '2027-04-05', name: 'to strike', reason: 'continued', version: 1 }
		});
		assert.ok(!second.ok);
		assert.equal(second.status, 409);
		assert.equal(second.conflict?.by, 'Ines Okafor');
		assert.deepEqual(
			second.conflict?.differences.map(({ field, theirs, yours }) => [field, theirs, yours]),
			[
				['to', 'Monday 22 March 2027', 'Monday 5 April 2027'],
				['name', '', 'to strike']
			]
		);
		assert.equal(scalar(house.db, 'SELECT date FROM event'), '2027-03-22');
		good(moveEvent(house.as('castellan'), { ...first, to: '2027-04-05', version: 2 }));
	});
});

describe('a hearing that was taken off', () => {
	it('comes back with the dates that went with it, where they are chosen', () => {
		const eventId = enter('hearing-of-a-motion', '2027-03-15');
		const dates = datesOf(eventId);
		good(docketDeadlines(okafor(), { deadlineIds: dates.map(({ id }) => id) }));
		const { id: deadlineId } = hearingOf(eventId);
		const also = dates.map(({ id }) => id);
		good(takeOffHearing(okafor(), { deadlineId, reason: 'withdrawn', also }));
		assert.ok(datesOf(eventId).every(({ state }) => state === 'vacated'));
		const [first, second] = also;
		const result = good(
			takeBackDeadline(okafor(), { deadlineId, reason: 'a slip', also: [first!, second!] })
		);
		assert.equal(result.back, 2);
		assert.deepEqual(
			datesOf(eventId).map(({ state }) => state),
			['docketed', 'docketed', 'vacated']
		);
		assert.equal(hearingOf(eventId).state, 'docketed');
	});
	it('brings back nothing that went for another reason', () => {
		const hearing = enter('hearing-of-a-motion', '2027-03-15');
		const other = enter('hearing-of-a-motion', '2027-04-12');
		const [date] = datesOf(other);
		const { id: deadlineId } = hearingOf(hearing);
		good(takeOffHearing(okafor(), { deadlineId, reason: 'withdrawn' }));
		const result = good(
			takeBackDeadline(okafor(), { deadlineId, reason: 'a slip', also: [date!.id] })
		);
		assert.equal(result.back, 0);
	});
});

describe('a matter that is reopened', () => {
	it('is counted anew: what a closure changed meanwhile waits for a decision', async () => {
		const eventId = enter('service-of-summons-complete', '2026-11-20');
		const [answer] = datesOf(eventId).filter(({ title }) => title === 'Answer');
		good(docketDeadlines(okafor(), { deadlineIds: [answer!.id] }));
		const choose = (sql: string, choice: string) =>
			Object.fromEntries(all<{ id: string }>(house.db, sql).map(({ id }) => [id, choice]));
		good(
			closeMatter(okafor(), {
				ending: 'Settled',
				...{ matterId, reason: 'settled' },
				deadlines: choose("SELECT id FROM deadline WHERE state = 'docketed'", 'vacate'),
				tasks: choose("SELECT id FROM task WHERE state = 'open'", 'drop')
			})
		);
		good(
			await addClosure(house.as('castellan'), {
				...{ book: 'us-ca-superior', kind: 'holiday', name: 'Flood', date: '2026-12-21' }
			})
		);
		assert.equal(listWaitingChanges(house, house.staff('okafor')).length, 0, 'it is closed');
		good(reopenMatter(okafor(), { matterId, reason: 'not settled after all' }));
		const change = listWaitingChanges(house, house.staff('okafor')).find(
			({ title }) => title === 'Answer'
		);
		assert.deepEqual([change?.was, change?.becomes], ['2026-12-21', '2026-12-22']);
		assert.match(change?.why ?? '', /reopened/);
	});
});

describe('a hearing', () => {
	it('is found by search, by its name, its place and its outcome', () => {
		const eventId = enter('hearing-of-a-motion', '2026-11-23', {
			...{ name: 'to strike', place: 'Department 302' }
		});
		const find = (words: string, by = 'okafor') =>
			search(house, house.staff(by), words).filter(({ kind }) => kind === 'hearing');
		assert.equal(find('motion strike')[0]?.title, 'Hearing of a motion, to strike');
		assert.match(find('department 302')[0]?.about ?? '', /23 November 2026/);
		const { id: deadlineId } = hearingOf(eventId);
		good(holdHearing(okafor(), { deadlineId, outcome: 'Granted with leave to amend' }));
		assert.equal(find('leave to amend').length, 1);
		assert.match(find('leave to amend')[0]!.href, new RegExp(`deadline=${deadlineId}`));
		good(restrictMatter(okafor(), { matterId, restricted: true }));
		assert.deepEqual(find('leave to amend', 'castellan'), []);
	});
});
