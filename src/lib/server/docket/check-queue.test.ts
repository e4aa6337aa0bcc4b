/** The second check by event: the queue, the sheet, and one event's dates confirmed at once. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { listSlip } from '#server/day-sheet/slip.ts';
import { all, one } from '#server/db/sql.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { assignDeadlines } from './assign.ts';
import { findCheckSheet, listCheckEvents } from './check-queue.ts';
import { checkDeadlines, docketDeadlines, returnDeadline } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { listMatterEvents } from './matter-docket.ts';
import type { DeadlineRow } from './rows.ts';

let house: TestHouse;
let matterId: string;
let eventId: string;
const dates = () =>
	all<DeadlineRow>(
		house.db,
		"SELECT * FROM deadline WHERE event_id = @eventId AND state = 'docketed' ORDER BY date, id",
		{ eventId }
	);
const queue = (login = 'castellan') =>
	listCheckEvents(house, house.staff(login), { page: 1, per: 60 });
const sheet = (login = 'castellan') =>
	findCheckSheet(house, house.staff(login), { eventId, deadlineId: null });
const check = (login = 'castellan') =>
	checkDeadlines(house.as(login), { deadlineIds: dates().map(({ id }) => id) });

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	({ eventId } = good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'trial-date',
			date: '2027-08-16'
		})
	));
	const proposed = all<{ id: string }>(
		house.db,
		"SELECT id FROM deadline WHERE event_id = @eventId AND state = 'proposed'",
		{ eventId }
	);
	good(docketDeadlines(house.as('okafor'), { deadlineIds: proposed.map(({ id }) => id) }));
});

describe('the queue of the second check', () => {
	it('names an event once, with its nearest date and how many wait', () => {
		const { events, total, dates: count } = queue();
		assert.equal(total, 1);
		assert.equal(count, dates().length);
		assert.ok(count > 2, 'a trial sets several dates');
		const [event] = events;
		assert.equal(event?.due, dates()[0]!.date);
		assert.deepEqual([event?.waiting, event?.mine, event?.responsible], [count, count, 'IO']);
		assert.equal(queue('okafor').events[0]?.mine, 0, 'who docketed them checks none of them');
	});

	it('opens an event as one sheet, each of its dates counted anew', () => {
		const items = sheet()!.items;
		assert.equal(items.length, dates().length);
		assert.ok(items.every(({ fresh, byHand }) => byHand || fresh?.same === true));
		const named = findCheckSheet(house, house.staff('castellan'), {
			eventId: null,
			deadlineId: dates()[1]!.id
		});
		assert.equal(named?.eventId, eventId, 'a date opens the sheet of its event');
	});

	it('says what a rule asks and nobody answered', () => {
		const removed = good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'notice-of-removal-filed',
				date: '2026-11-14'
			})
		);
		const proposed = all<{ id: string }>(
			house.db,
			"SELECT id FROM deadline WHERE event_id = @eventId AND state = 'proposed'",
			{ eventId: removed.eventId }
		);
		good(docketDeadlines(house.as('okafor'), { deadlineIds: proposed.map(({ id }) => id) }));
		const { items } = findCheckSheet(house, house.staff('castellan'), {
			eventId: removed.eventId,
			deadlineId: null
		})!;
		const of = (title: RegExp) => items.find((item) => title.test(item.title))?.unanswered;
		assert.deepEqual(of(/^Motion to remand/), []);
		assert.match(of(/^Answer, if none/)!.join(), /When was the pleading received/);
	});

	it('is not there for those who may not see the matter', () => {
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		assert.equal(queue().total, 0);
		assert.equal(sheet(), undefined);
		bad(check());
	});

	it('confirms the dates of an event at once, each by a fresh count, or none', () => {
		const [first] = dates();
		house.db.prepare('UPDATE deadline SET date = ? WHERE id = ?').run('2027-01-04', first!.id);
		assert.match(Object.values(bad(check())).join(), /A fresh count gives/);
		assert.ok(dates().every(({ checked_by }) => checked_by === null));
		house.db.prepare('UPDATE deadline SET date = ? WHERE id = ?').run(first!.date, first!.id);
		assert.equal(good(check()).checked, dates().length);
		assert.equal(queue().total, 0);
		const logged = one<{ text: string }>(
			house.db,
			'SELECT text FROM logbook WHERE matter_id = @matterId ORDER BY rowid DESC LIMIT 1',
			{ matterId }
		);
		assert.ok(
			dates().every(({ title }) => logged.text.includes(title)),
			logged.text
		);
	});

	it('shows a returned date to who docketed it and to whose it is, on the Day sheet', () => {
		const [first] = dates();
		good(
			assignDeadlines(house.as('okafor'), { deadlineIds: [first!.id], assigneeId: 'stf_reyes' })
		);
		const words = { deadlineId: first!.id, reason: 'The order says the 17th.' };
		good(returnDeadline(house.as('castellan'), words));
		for (const login of ['okafor', 'reyes']) {
			const slip = listSlip(house, house.staff(login));
			assert.equal(slip.returned, 1, login);
			assert.equal(slip.rows.filter(({ id }) => id === first!.id).length, 1);
			assert.equal(
				slip.rows.find(({ id }) => id === first!.id)?.returnedReason,
				'The order says the 17th.'
			);
		}
		assert.equal(listSlip(house, house.staff('wardle')).returned, 0);
		assert.equal(queue().events[0]?.returned, 1);
		assert.equal(
			listMatterEvents(house, house.staff('okafor'), matterId)[0]?.deadlines.filter(
				({ returnedBy }) => returnedBy === 'DC'
			).length,
			1
		);
	});
});
