/** Hearings and their like as entries of the docket: in every list, held, taken off, continued. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import type { Result } from '#server/app/errors.ts';
import { all, one } from '#server/db/sql.ts';
import { listHorizon } from '#server/day-sheet/horizon.ts';
import { findCaption } from '#server/matters/caption.ts';
import { closeMatter, reopenMatter } from '#server/matters/status.ts';
import { sendReminders } from '#server/reminders/send.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addDeadline } from './by-hand.ts';
import { dateItem, requireDated } from './calendar-items.ts';
import { checkDeadlines, meetDeadline, vacateDeadline } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { followEvent } from './follow.ts';
import { continueHearing, holdHearing, takeOffHearing } from './hearings.ts';
import { SHOWS } from './docket-filter.ts';
import { listDrawnDates } from './drawn.ts';
import { listDeadlines } from './list.ts';
import { findCheckItem, listMatterEvents } from './matter-docket.ts';
import { moveEvent } from './move-event.ts';
import { formatCell } from './report-columns.ts';
import { makeReport, parseReport } from './report.ts';
import { moveDeadline } from './reschedule.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { previewDay } from './set-days.ts';

let house: TestHouse;
let matterId: string;
let number: string;
const entry = (title: string) =>
	one<DeadlineRow>(
		house.db,
		'SELECT * FROM deadline WHERE matter_id = @matterId AND title = @title',
		{ matterId, title }
	);
const hearing = () => entry('Hearing of a motion, summary judgment');
const opposition = () => entry('Opposition');
const event = () =>
	one<EventRow>(house.db, 'SELECT * FROM event WHERE id = @id', { id: hearing().event_id });
const lastLog = () =>
	one<{ text: string }>(
		house.db,
		'SELECT text FROM logbook WHERE matter_id = @matterId ORDER BY rowid DESC',
		{ matterId }
	).text;
const why = (result: Result<unknown>) => Object.values(bad(result)).join(' ');
const move = (to: string) =>
	moveEvent(house.as('okafor'), {
		eventId: event().id,
		to,
		reason: 'Continued by the court',
		version: event().version
	});

beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house, { rulebook: 'us-ca-superior' }));
	// Thursday 21 January 2027; the dates before it are counted backwards.
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'hearing-of-a-motion',
			name: 'summary judgment',
			date: '2027-01-21',
			time: '10:00',
			place: 'Courtroom 4',
			docket: ['opposition', 'reply']
		})
	);
});

describe('a hearing', () => {
	it('is an entry of its own, on the day of its event, with its time and place', () => {
		const { sort, state, date, time, place, docketed_by, checked_by } = hearing();
		assert.deepEqual(
			{ sort, state, date, time, place, docketed_by, checked_by },
			{
				sort: 'hearing',
				state: 'docketed',
				date: '2027-01-21',
				time: '10:00',
				place: 'Courtroom 4',
				docketed_by: 'stf_okafor',
				checked_by: null
			}
		);
	});

	it('is in the list, the span, both orders of the report, the calendar and the Day sheet', () => {
		const me = house.staff('okafor');
		const has = (rows: readonly { id: string }[]) => rows.some(({ id }) => id === hearing().id);
		assert.ok(has(listDeadlines(house, me, {}).rows));
		assert.ok(has(listDeadlines(house, me, { show: 'hearings' }).rows));
		assert.ok(has(listDeadlines(house, me, { show: 'unchecked' }).rows));
		assert.ok(has(listDrawnDates(house, me, { from: '2027-01-01', to: '2027-01-31' })));
		for (const order of ['day', 'matter'])
			assert.ok(
				has(makeReport(house, me, parseReport(house, new URLSearchParams({ order }))).rows)
			);
		const item = dateItem(house, requireDated(house, hearing().id));
		assert.deepEqual(
			[item.category, item.date, item.time, item.place],
			['Hearing', '2027-01-21', '10:00', 'Courtroom 4']
		);
		assert.equal(findCaption(house, me, number)?.hearing?.text, hearing().title);
		house.set('2027-01-18');
		const marks = listHorizon(house, me).flatMap((day) => day.marks);
		assert.deepEqual(
			marks.filter(({ sort }) => sort === 'hearing').map(({ title }) => title.split(',')[0]),
			['Hearing of a motion']
		);
	});

	it('waits for a second check, which asks its event', () => {
		const item = findCheckItem(house, house.staff('castellan'), hearing().id);
		assert.equal(item?.fresh?.same, true);
		assert.match(
			why(checkDeadlines(house.as('okafor'), { deadlineIds: [hearing().id] })),
			/someone/
		);
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [hearing().id] }));
		good(move('2027-01-28'));
		assert.equal(hearing().date, '2027-01-28', 'it moves with its event');
		assert.equal(hearing().checked_by, null, 'and is checked again');
	});

	it('is reminded like any date', async () => {
		house.set('2027-01-20');
		await sendReminders(house);
		const subjects = all<{ subject: string }>(house.db, 'SELECT subject FROM mail_out');
		assert.ok(subjects.some(({ subject }) => subject.includes('Hearing of a motion')));
	});

	it('is not met, vacated or moved by itself, in words that say what to do', () => {
		const deadlineId = hearing().id;
		const as = house.as('okafor');
		assert.match(why(meetDeadline(as, { deadlineId, on: '2026-11-20' })), /held, taken off or/);
		assert.match(why(vacateDeadline(as, { deadlineId, reason: 'x' })), /held, taken off or/);
		const input = { deadlineId, how: 'order' as const, by: '+7d', reason: 'x', version: 1 };
		assert.match(why(moveDeadline(as, input)), /continued by moving its event/);
	});

	it('whose day has passed is not missed: it waits for its outcome', () => {
		house.set('2027-01-22');
		const me = house.staff('okafor');
		const ids = (show: (typeof SHOWS)[number]) =>
			listDeadlines(house, me, { show }).rows.map(({ id }) => id);
		assert.deepEqual(ids('passed'), [hearing().id]);
		assert.ok(!ids('missed').includes(hearing().id));
		const row = makeReport(house, me, parseReport(house, new URLSearchParams({ show: 'passed' })))
			.rows[0]!;
		assert.equal(formatCell(row, 'state', false), 'outcome not entered');
	});

	it('is held once its day is there, with its outcome and who appeared', () => {
		const held = { deadlineId: hearing().id, outcome: 'Granted in part.', appeared: 'Okafor' };
		assert.match(why(holdHearing(house.as('okafor'), held)), /has not come yet/);
		house.set('2027-01-21');
		assert.match(
			why(holdHearing(house.as('okafor'), { ...held, outcome: ' ' })),
			/The outcome is missing/
		);
		good(holdHearing(house.as('okafor'), held));
		const { state, result, outcome, appeared, closed_on } = hearing();
		assert.deepEqual(
			{ state, result, outcome, appeared, closed_on },
			{
				state: 'met',
				result: 'held',
				outcome: 'Granted in part.',
				appeared: 'Okafor',
				closed_on: '2027-01-21'
			}
		);
		assert.match(lastLog(), /Held: Hearing of a motion.*Granted in part\. Appeared: Okafor\./);
		const report = makeReport(
			house,
			house.staff('okafor'),
			parseReport(house, new URLSearchParams({ show: 'all' }))
		);
		const row = report.rows.find(({ id }) => id === hearing().id)!;
		assert.equal(formatCell(row, 'state', false), 'held');
		assert.equal(formatCell(row, 'outcome', false), 'Granted in part. Appeared: Okafor.');
		assert.match(why(holdHearing(house.as('okafor'), held)), /settled already/);
		good(move('2027-01-28'));
		assert.equal(hearing().date, '2027-01-21', 'what was held stays on its day');
	});

	it('is taken off with the dates that were chosen; the others say that they hang on nothing', () => {
		const reply = entry('Reply');
		good(
			takeOffHearing(house.as('okafor'), {
				deadlineId: hearing().id,
				reason: 'Settled',
				also: [opposition().id]
			})
		);
		assert.deepEqual([hearing().state, hearing().result], ['vacated', 'off']);
		assert.equal(opposition().state, 'vacated');
		const { state, left_reason, rule_gives } = entry('Reply');
		assert.deepEqual(
			{ state, left_reason, rule_gives },
			{
				state: reply.state,
				left_reason: 'Settled',
				rule_gives: null
			}
		);
		assert.match(lastLog(), /Off: .*Opposition vacated; Reply left on/);
		assert.equal(findCaption(house, house.staff('okafor'), number)?.hearing, null);
		const item = dateItem(house, requireDated(house, hearing().id));
		assert.deepEqual([item.cancelled, /\(taken off\)/.test(item.title)], [true, true]);
	});

	it('is continued without a day, and stands again with what hangs on it when one is set', () => {
		good(continueHearing(house.as('okafor'), { deadlineId: hearing().id, reason: 'Judge ill' }));
		assert.deepEqual([hearing().state, hearing().result], ['vacated', 'open']);
		assert.equal(opposition().left_by, 'stf_okafor');
		const deadlineId = opposition().id;
		assert.match(
			why(checkDeadlines(house.as('castellan'), { deadlineIds: [deadlineId] })),
			/nothing sets it now/
		);
		assert.match(why(followEvent(house.as('okafor'), { deadlineId })), /No rule sets/);
		good(move('2027-02-18'));
		const { state, result, date } = hearing();
		assert.deepEqual(
			{ state, result, date },
			{ state: 'docketed', result: null, date: '2027-02-18' }
		);
		assert.equal(opposition().left_by, null);
		assert.ok(opposition().date > '2027-01-21');
	});

	it('is taken off the calendars when its matter closes, and stands again when it reopens', () => {
		const open = listDeadlines(house, house.staff('okafor'), {}).rows;
		const deadlines = Object.fromEntries(open.map(({ id }) => [id, 'vacate']));
		const tasks = Object.fromEntries(
			all<{ id: string }>(house.db, 'SELECT id FROM task').map(({ id }) => [id, 'drop'])
		);
		good(
			closeMatter(house.as('okafor'), {
				ending: 'Settled',
				matterId,
				reason: 'Settled',
				deadlines,
				tasks
			})
		);
		assert.equal(hearing().result, 'off');
		good(reopenMatter(house.as('okafor'), { matterId, reason: 'It was not' }));
		const { state, result } = hearing();
		assert.deepEqual({ state, result }, { state: 'docketed', result: null });
	});
});

describe('a hearing by hand', () => {
	const byHand = (what: 'hearing' | 'trial' | 'conference' | 'deposition', date: string) =>
		good(addDeadline(house.as('okafor'), { matterId, what, title: `A ${what}`, date }));

	for (const what of ['hearing', 'trial', 'conference', 'deposition'] as const)
		it(`can be a ${what}, checked like any date`, () => {
			const { deadlineId } = byHand(what, '2026-12-10');
			assert.equal(entry(`A ${what}`).sort, what);
			good(checkDeadlines(house.as('castellan'), { deadlineIds: [deadlineId] }));
		});

	it('on a day the court does not sit says so at entry, in the list, the report and the check', async () => {
		const saturday = '2026-12-12';
		const question = { matterId, what: 'hearing' as const, date: saturday };
		const { warnings } = good(await previewDay(house.as('okafor'), question));
		assert.deepEqual(warnings, ['falls on a day the court does not sit: Saturday']);
		const { deadlineId } = byHand('hearing', saturday);
		const me = house.staff('okafor');
		const row = listDeadlines(house, me, {}).rows.find(({ id }) => id === deadlineId);
		assert.equal(row?.closed, 'Saturday');
		const reported = makeReport(house, me, parseReport(house, new URLSearchParams())).rows;
		const { count } = reported.find(({ id }) => id === deadlineId)!;
		assert.match(count, /The court does not sit that day: Saturday\./);
		assert.equal(findCheckItem(house, me, deadlineId)?.closed, 'Saturday');
	});

	it('is asked of its matter’s own court', async () => {
		// Cesar Chavez Day closes California's courts, and no federal one by a backward count.
		const state = await newMatter(house, { rulebook: 'us-ca-superior' });
		const ask = (id: string) =>
			previewDay(house.as('okafor'), { matterId: id, date: '2027-03-31' });
		assert.deepEqual(good(await ask(state.matterId)).warnings, [
			'falls on a day the court does not sit: Cesar Chavez Day'
		]);
	});

	it('has one entry under its event', () => {
		const { eventId } = byHand('conference', '2026-12-10');
		const found = listMatterEvents(house, house.staff('okafor'), matterId);
		assert.deepEqual(
			found.find(({ id }) => id === eventId)?.deadlines.map(({ sort }) => sort),
			['conference']
		);
	});
});
