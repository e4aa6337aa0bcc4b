import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { needsTime } from '#core/rulebooks/book.ts';
import { all, one, run, scalar } from '#server/db/sql.ts';
import { shippedBook } from '#server/rulebooks/shelf.ts';
import { addTask } from '#server/tasks/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addClosure } from './closures.ts';
import { enterEvent } from './events.ts';
import { moveEvent } from './move-event.ts';
import { previewMoves } from './moves.ts';
import { listDeadlines } from './list.ts';
import { listHorizon } from '#server/day-sheet/horizon.ts';
import { listMatterEvents } from './matter-docket.ts';
import { checkDeadlines, meetDeadline, vacateDeadline } from './deadlines.ts';

const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
describe('the docket', () => {
	let house: TestHouse;
	let matterId: string;
	beforeEach(async () => {
		house = await testHouse();
		matterId = (await newMatter(house)).matterId;
	});
	const enter = (more: Partial<Parameters<typeof enterEvent>[1]> = {}) =>
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: SUMMONS,
			date: '2026-11-09',
			time: '',
			service: 'clerk',
			name: '',
			answers: {},
			docket: ['answer-or-rule-12-motion'],
			...more
		});
	const answer = () =>
		one<{ id: string; date: string; checked_by: string | null; state: string }>(
			house.db,
			"SELECT * FROM deadline WHERE title LIKE 'Answer%'"
		);

	it('keeps every proposal and dockets the chosen', () => {
		good(enter());
		const [event] = listMatterEvents(house, house.staff('okafor'), matterId);
		assert.deepEqual(
			event!.deadlines.map((deadline) => [deadline.title, deadline.state, deadline.date]),
			[
				['Start on the answer', 'proposed', '2026-11-23'],
				['Answer or Rule 12 motion', 'docketed', '2026-11-30']
			]
		);
		assert.equal(
			scalar(house.db, "SELECT count(*) AS n FROM audit WHERE action = 'enter event'"),
			1
		);
		assert.match(
			scalar<string>(house.db, "SELECT text FROM logbook WHERE kind = 'date'"),
			/Docketed: answer or Rule 12 motion Monday 30 November 2026/
		);
	});
	it('counts hours of a data incident from the time it was known, through the weekend and a change of clocks', async () => {
		const item = await newMatter(house, {
			kind: 'data-incident',
			title: 'Kiosk',
			rulebook: 'eu-data-incident'
		});
		const known = (time: string, date = '2026-11-20') =>
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
				eventKey: 'personal-data-breach-known',
				date,
				time,
				service: '',
				name: '',
				answers: {},
				docket: ['notify-the-supervisory-authority']
			});
		assert.equal(
			needsTime(shippedBook('eu-data-incident').events.get('personal-data-breach-known')!),
			true
		);
		assert.equal(
			needsTime(shippedBook('eu-data-incident').events.get('incident-notification-made')!),
			false
		);
		good(known('09:30'));
		good(known('18:00', '2026-10-23'));
		assert.deepEqual(
			listMatterEvents(house, house.staff('okafor'), item.matterId).map((event) =>
				event.deadlines.map((deadline) => [deadline.date, deadline.time])
			),
			[[['2026-10-26', '17:00']], [['2026-11-23', '09:30']]]
		);
	});
	it('refuses bad events in plain words and saves nothing', () => {
		assert.match(bad(enter({ date: '2026-02-30' })).date!, /not a date that exists/);
		assert.match(bad(enter({ date: '' })).date!, /missing/);
		assert.match(bad(enter({ date: '2026-12-09' })).date!, /has not come yet/);
		assert.match(
			bad(enter({ date: '2010-12-09' })).date!,
			/more than a year before the matter was opened/
		);
		assert.match(bad(enter({ eventKey: 'landing-on-the-moon' })).eventKey!, /Choose what happened/);
		assert.match(bad(enter({ service: 'pigeon' })).service!, /not a way of service/);
		assert.match(
			bad(enter({ answers: { defendant: 'martian' } }))['answers.defendant']!,
			/not an answer/
		);
		assert.match(bad(enter({ docket: ['no-such-rule'] }))['']!, /Look at them again/);
		assert.equal(
			scalar(
				house.db,
				'SELECT (SELECT count(*) FROM event) + (SELECT count(*) FROM deadline) AS n'
			),
			0
		);
		assert.equal(
			scalar(house.db, "SELECT count(*) AS n FROM audit WHERE action = 'enter event'"),
			0
		);
	});
	it('takes an event from long before the matter where one says that it is so', () => {
		good(enter({ date: '2024-05-06', sure: true, docket: [] }));
		assert.equal(answer().date, '2024-05-28', 'past Memorial Day');
	});
	it('wants a second person for the second check', () => {
		good(enter());
		assert.match(
			bad(checkDeadlines(house.as('okafor'), { deadlineIds: [answer().id] }))['']!,
			/someone else/
		);
		assert.throws(
			() =>
				run(house.db, 'UPDATE deadline SET checked_by = docketed_by WHERE id = @id', {
					id: answer().id
				}),
			/CHECK/
		);
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		assert.equal(answer().checked_by, 'stf_castellan');
		assert.match(
			bad(checkDeadlines(house.as('wardle'), { deadlineIds: [answer().id] }))['']!,
			/already/
		);
		assert.equal(checkDeadlines(house.as('haddad'), { deadlineIds: [answer().id] }).ok, false);
	});
	it('does not let a check pass a date that a fresh count does not give', async () => {
		good(enter());
		good(
			await addClosure(house.as('castellan'), {
				book: 'us-federal.ca-nd',
				date: '2026-11-30',
				kind: 'holiday',
				name: 'Storm'
			})
		);
		assert.match(
			bad(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }))['']!,
			/fresh count gives Tuesday 1 December/
		);
	});
	it('moves an event by n and back to the same docket, tasks with it', async () => {
		const item = good(
			enter({ docket: ['answer-or-rule-12-motion', 'suggested-answer-or-rule-12-motion'] })
		);
		good(
			addTask(house.as('okafor'), {
				matterId,
				subject: 'Draft',
				assigneeId: 'stf_wardle',
				due: null,
				deadlineId: answer().id,
				offsetDays: 2,
				offsetUnit: 'cd'
			})
		);
		const state = () => [
			all(house.db, 'SELECT date, trace FROM deadline ORDER BY id'),
			all(house.db, 'SELECT due FROM task')
		];
		const before = state();
		const looked = good(
			await previewMoves(house.as('okafor'), { eventId: item.eventId, to: '2026-11-16' })
		);
		assert.deepEqual(state(), before, 'looking saves nothing');
		assert.deepEqual(
			looked.moves
				.find((move) => move.title.startsWith('Answer'))!
				.tasks.map((task) => [task.from, task.to]),
			[['2026-11-25', '2026-12-03']]
		);
		good(
			moveEvent(house.as('okafor'), {
				eventId: item.eventId,
				to: '2026-11-16',
				reason: 'slip',
				version: 1
			})
		);
		assert.notDeepEqual(state(), before);
		assert.match(
			bad(
				moveEvent(house.as('okafor'), {
					eventId: item.eventId,
					to: '2026-11-09',
					reason: 'slip',
					version: 1
				})
			)['']!,
			/Ines Okafor changed this/
		);
		good(
			moveEvent(house.as('okafor'), {
				eventId: item.eventId,
				to: '2026-11-09',
				reason: 'back',
				version: 2
			})
		);
		assert.deepEqual(state(), before);
	});
	it('tells everyone on the matter once, and not the one who did it', () => {
		good(enter());
		run(house.db, 'DELETE FROM mail_out');
		const item = one<{ id: string }>(house.db, 'SELECT id FROM event');
		run(
			house.db,
			`INSERT INTO matter_member (matter_id, staff_id, role)
			VALUES (@matterId, 'stf_wardle', 'member'), (@matterId, 'stf_castellan', 'member')`,
			{ matterId }
		);
		good(
			moveEvent(house.as('okafor'), {
				eventId: item.id,
				to: '2026-11-16',
				reason: 'slip',
				version: 1
			})
		);
		assert.deepEqual(
			all<{ recipient: string }>(house.db, 'SELECT recipient FROM mail_out ORDER BY recipient').map(
				(row) => row.recipient
			),
			['Dorit Castellan <castellan@larkhaven.example>', 'Tamsin Wardle <wardle@larkhaven.example>']
		);
	});
	it('wants the check anew after a move, but only of what moved', () => {
		const item = good(enter());
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [answer().id] }));
		good(
			moveEvent(house.as('okafor'), {
				eventId: item.eventId,
				to: '2026-11-09',
				reason: 'same day',
				version: 1
			})
		);
		assert.equal(answer().checked_by, 'stf_castellan');
		good(
			moveEvent(house.as('okafor'), {
				eventId: item.eventId,
				to: '2026-11-10',
				reason: 'a day on',
				version: 2
			})
		);
		assert.equal(answer().checked_by, null);
	});
	it('misses a date by itself, and meets or vacates it with words', () => {
		good(enter());
		const state = () =>
			listDeadlines(house, house.staff('okafor'), { show: 'all' }).rows.find((row) =>
				row.title.startsWith('Answer')
			)!.state;
		assert.equal(state(), 'docketed');
		house.set('2026-12-01');
		assert.equal(state(), 'missed');
		assert.equal(listDeadlines(house, house.staff('okafor'), { show: 'missed' }).total, 1);
		assert.match(
			bad(vacateDeadline(house.as('okafor'), { deadlineId: answer().id, reason: ' ' })).reason!,
			/missing/
		);
		assert.match(
			bad(
				meetDeadline(house.as('okafor'), { deadlineId: answer().id, on: '2026-12-24', proof: '' })
			).on!,
			/not come yet/
		);
		good(
			meetDeadline(house.as('okafor'), {
				deadlineId: answer().id,
				on: '2026-11-30',
				proof: 'ECF 9'
			})
		);
		assert.equal(state(), 'met');
	});
	it('shows fifteen working days on the listHorizon, closed days among them', () => {
		good(enter());
		const days = listHorizon(house, house.staff('okafor'));
		assert.equal(days.filter((day) => !day.closed).length, 15);
		assert.equal(days.find((day) => day.date === '2026-11-26')!.closed, 'Thanksgiving Day');
		assert.deepEqual(
			days.find((day) => day.date === '2026-11-30')!.marks.map((mark) => mark.kind),
			['deadline', 'task']
		);
	});
});
