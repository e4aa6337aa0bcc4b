import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addTask } from './agenda/commands.ts';
import {
	addClosure,
	checkDeadline,
	enterEvent,
	meetDeadline,
	moveEvent,
	movesOf,
	vacateDeadline
} from './docket/commands.ts';
import { docket, horizon, matterDocket } from './docket/queries.ts';
import { date } from '#core/dates/plain.ts';
import { needsTime } from '#core/docket/book.ts';
import { rulebook } from './docket/books.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
describe('the docket', () => {
	let h: TestHouse;
	let matterId: string;
	beforeEach(async () => {
		h = await testHouse();
		matterId = newMatter(h).matterId;
	});
	const enter = (more: Partial<Parameters<typeof enterEvent>[1]> = {}) =>
		enterEvent(h.as('okafor'), {
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
		h.db
			.prepare<[], { id: string; date: string; checked_by: string | null; state: string }>(
				"SELECT * FROM deadline WHERE title LIKE 'Answer%'"
			)
			.get()!;

	it('keeps every proposal and dockets the chosen', () => {
		good(enter());
		const [e] = matterDocket(h, h.staff('okafor'), matterId);
		assert.deepEqual(
			e!.deadlines.map((d) => [d.title, d.state, d.date]),
			[
				['Start on the answer', 'proposed', '2026-11-23'],
				['Answer or Rule 12 motion', 'docketed', '2026-11-30']
			]
		);
		assert.equal(
			h.db
				.prepare<[], { n: number }>("SELECT count(*) AS n FROM audit WHERE action = 'enter event'")
				.get()!.n,
			1
		);
		assert.match(
			h.db.prepare<[], { text: string }>("SELECT text FROM logbook WHERE kind = 'date'").get()!
				.text,
			/Docketed: answer or Rule 12 motion Monday 30 November 2026/
		);
	});
	it('counts hours of a data incident from the time it was known, through the weekend and a change of clocks', () => {
		const m = newMatter(h, { kind: 'data-incident', title: 'Kiosk', rulebook: 'eu-data-incident' });
		const known = (time: string, date = '2026-11-20') =>
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'personal-data-breach-known',
				date,
				time,
				service: '',
				name: '',
				answers: {},
				docket: ['notify-the-supervisory-authority']
			});
		assert.equal(
			needsTime(rulebook('eu-data-incident').events.get('personal-data-breach-known')!),
			true
		);
		assert.equal(
			needsTime(rulebook('eu-data-incident').events.get('incident-notification-made')!),
			false
		);
		good(known('09:30'));
		good(known('18:00', '2026-10-23'));
		assert.deepEqual(
			matterDocket(h, h.staff('okafor'), m.matterId).map((e) =>
				e.deadlines.map((d) => [d.date, d.time])
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
			bad(enter({ answers: { defendant: 'martian' } }))['answer-defendant']!,
			/not an answer/
		);
		assert.match(bad(enter({ docket: ['no-such-rule'] }))['']!, /Look at them again/);
		assert.equal(
			h.db
				.prepare<[], { n: number }>(
					'SELECT (SELECT count(*) FROM event) + (SELECT count(*) FROM deadline) AS n'
				)
				.get()!.n,
			0
		);
		assert.equal(
			h.db
				.prepare<[], { n: number }>("SELECT count(*) AS n FROM audit WHERE action = 'enter event'")
				.get()!.n,
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
			bad(checkDeadline(h.as('okafor'), { deadlineId: answer().id }))['']!,
			/someone else/
		);
		assert.throws(
			() =>
				h.db.prepare('UPDATE deadline SET checked_by = docketed_by WHERE id = ?').run(answer().id),
			/CHECK/
		);
		good(checkDeadline(h.as('castellan'), { deadlineId: answer().id }));
		assert.equal(answer().checked_by, 'stf_castellan');
		assert.match(bad(checkDeadline(h.as('wardle'), { deadlineId: answer().id }))['']!, /already/);
		assert.equal(checkDeadline(h.as('haddad'), { deadlineId: answer().id }).ok, false);
	});
	it('does not let a check pass a date that a fresh count does not give', () => {
		good(enter());
		good(
			addClosure(h.as('castellan'), {
				book: 'us-federal.ca-nd',
				date: '2026-11-30',
				kind: 'holiday',
				name: 'Storm'
			})
		);
		assert.match(
			bad(checkDeadline(h.as('castellan'), { deadlineId: answer().id }))['']!,
			/fresh count gives Tuesday 1 December/
		);
	});
	it('moves an event by n and back to the same docket, tasks with it', () => {
		const e = good(
			enter({ docket: ['answer-or-rule-12-motion', 'suggested-answer-or-rule-12-motion'] })
		);
		good(
			addTask(h.as('okafor'), {
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
			h.db.prepare('SELECT date, trace FROM deadline ORDER BY id').all(),
			h.db.prepare('SELECT due FROM task').all()
		];
		const before = state();
		const looked = movesOf(h, e.eventId, date('2026-11-16'));
		assert.deepEqual(state(), before, 'looking saves nothing');
		assert.deepEqual(
			looked.moves.find((m) => m.title.startsWith('Answer'))!.tasks.map((t) => [t.from, t.to]),
			[['2026-11-25', '2026-12-03']]
		);
		good(
			moveEvent(h.as('okafor'), {
				eventId: e.eventId,
				to: '2026-11-16',
				reason: 'slip',
				version: 1
			})
		);
		assert.notDeepEqual(state(), before);
		assert.match(
			bad(
				moveEvent(h.as('okafor'), {
					eventId: e.eventId,
					to: '2026-11-09',
					reason: 'slip',
					version: 1
				})
			)['']!,
			/Someone else changed/
		);
		good(
			moveEvent(h.as('okafor'), {
				eventId: e.eventId,
				to: '2026-11-09',
				reason: 'back',
				version: 2
			})
		);
		assert.deepEqual(state(), before);
	});
	it('tells everyone on the matter once, and not the one who did it', () => {
		good(enter());
		h.db.prepare('DELETE FROM mail_out').run();
		const e = h.db.prepare<[], { id: string }>('SELECT id FROM event').get()!;
		h.db
			.prepare(
				"INSERT INTO matter_member VALUES (?, 'stf_wardle', 'member'), (?, 'stf_castellan', 'member')"
			)
			.run(matterId, matterId);
		good(
			moveEvent(h.as('okafor'), { eventId: e.id, to: '2026-11-16', reason: 'slip', version: 1 })
		);
		assert.deepEqual(
			h.db
				.prepare<[], { recipient: string }>('SELECT recipient FROM mail_out ORDER BY recipient')
				.all()
				.map((m) => m.recipient),
			['Dorit Castellan <castellan@larkhaven.example>', 'Tamsin Wardle <wardle@larkhaven.example>']
		);
	});
	it('wants the check anew after a move, but only of what moved', () => {
		const e = good(enter());
		good(checkDeadline(h.as('castellan'), { deadlineId: answer().id }));
		good(
			moveEvent(h.as('okafor'), {
				eventId: e.eventId,
				to: '2026-11-09',
				reason: 'same day',
				version: 1
			})
		);
		assert.equal(answer().checked_by, 'stf_castellan');
		good(
			moveEvent(h.as('okafor'), {
				eventId: e.eventId,
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
			docket(h, h.staff('okafor'), { show: 'all' }).rows.find((d) => d.title.startsWith('Answer'))!
				.state;
		assert.equal(state(), 'docketed');
		h.set('2026-12-01');
		assert.equal(state(), 'missed');
		assert.equal(docket(h, h.staff('okafor'), { show: 'missed' }).total, 1);
		assert.match(
			bad(vacateDeadline(h.as('okafor'), { deadlineId: answer().id, reason: ' ' })).reason!,
			/missing/
		);
		assert.match(
			bad(meetDeadline(h.as('okafor'), { deadlineId: answer().id, on: '2026-12-24', proof: '' }))
				.on!,
			/not come yet/
		);
		good(
			meetDeadline(h.as('okafor'), { deadlineId: answer().id, on: '2026-11-30', proof: 'ECF 9' })
		);
		assert.equal(state(), 'met');
	});
	it('shows fifteen working days on the horizon, closed days among them', () => {
		good(enter());
		const days = horizon(h, h.staff('okafor'));
		assert.equal(days.filter((d) => !d.closed).length, 15);
		assert.equal(days.find((d) => d.date === '2026-11-26')!.closed, 'Thanksgiving Day');
		assert.deepEqual(
			days.find((d) => d.date === '2026-11-30')!.marks.map((m) => [m.kind, m.state]),
			[['deadline', 'docketed']]
		);
	});
});
