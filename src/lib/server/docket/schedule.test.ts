import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, run, scalar } from '#server/db/sql.ts';
import { addMember } from '#server/matters/members.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { findCheckSheet, listCheckEvents } from './check-queue.ts';
import { checkDeadlines, docketDeadlines } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { moveEvent } from './move-event.ts';
import { findSchedule, listRuleDates, previewSchedule } from './schedule-views.ts';
import { amendSchedule, enterSchedule } from './schedule.ts';
import { withdrawEvent } from './take-back.ts';

let house: TestHouse;
let matterId = '';
beforeEach(async () => {
	house = await testHouse();
	matterId = (await newMatter(house, { title: 'Pier 9', rulebook: 'us-federal.ca-nd' })).matterId;
});

const okafor = () => house.as('okafor');
const order = (rows: object[], more: object = {}) => ({
	matterId,
	title: 'Scheduling order',
	dated: '2026-11-20',
	rows,
	...more
});
const cutoff = { title: 'close of fact discovery', date: '2027-03-12', authority: '¶ 1' };
const conference = {
	...{ what: 'conference', title: 'final pretrial conference', date: '2027-08-24' },
	...{ time: '13:30', place: 'Courtroom 7', authority: '¶ 4' }
};
const trial = { what: 'event', eventKey: 'us-federal.ca-nd|trial-date', date: '2027-09-13' };
const enter = (rows: object[], more: object = {}) =>
	good(enterSchedule(okafor(), order(rows, more) as never));
const amend = (scheduleId: string, rows: object[], more: object = {}) =>
	amendSchedule(okafor(), {
		...order(rows, { title: 'Amended order', dated: '2026-11-23', ...more }),
		scheduleId
	} as never);

const setTrial = () =>
	good(enterEvent(okafor(), { matterId, eventKey: trial.eventKey, date: trial.date }));

const listDates = () =>
	all<{ title: string; date: string; state: string; authority: string; sort: string }>(
		house.db,
		`SELECT title, date, state, authority, sort FROM deadline ORDER BY date, title`
	);
const short = () =>
	listDates().map(({ title, date, state, authority }) => [title, date, state, authority]);
const idOf = (title: string) =>
	scalar<string>(house.db, 'SELECT id FROM deadline WHERE title = @title', { title });

describe('a scheduling order', () => {
	it('dockets fixed dates and hearings with its paragraphs, and tells everyone once', () => {
		good(addMember(okafor(), { matterId, staffId: 'stf_wardle' }));
		enter([cutoff, conference, {}]);
		assert.deepEqual(short(), [
			['Close of fact discovery', '2027-03-12', 'docketed', 'Scheduling order, ¶ 1'],
			['Final pretrial conference', '2027-08-24', 'docketed', 'Scheduling order, ¶ 4']
		]);
		const mails = all<{ subject: string }>(
			house.db,
			"SELECT subject FROM mail_out WHERE subject LIKE '%was docketed'"
		);
		assert.equal(new Set(mails.map(({ subject }) => subject)).size, 1);
		const { text } = one<{ text: string }>(
			house.db,
			"SELECT text FROM logbook WHERE kind = 'date' ORDER BY rowid DESC LIMIT 1"
		);
		assert.match(
			text,
			/order, Friday 20 November 2026\. Docketed: Close of fact discovery Friday 12 March 2027;/
		);
	});
	it('sets a trial as an event of the book, with what follows as proposals', () => {
		enter([trial]);
		const found = listDates();
		assert.ok(found.some(({ sort, date }) => sort === 'trial' && date === '2027-09-13'));
		assert.ok(found.filter(({ state }) => state === 'proposed').length > 2);
	});
	it('counts days from an event that stands, and from one that comes later', () => {
		enter([
			trial,
			{
				...{ what: 'count', title: 'motions in limine', count: '-21d', authority: '¶ 6' },
				eventKey: 'us-federal.ca-nd|trial-date'
			},
			{
				...{ what: 'count', title: 'reply on the motion', count: '+5cd' },
				eventKey: 'us-federal.ca-nd|motion-filed'
			}
		]);
		// Monday, 13 September 2027 less 21 days is Monday, 23 August.
		const motions = listDates().find(({ title }) => title === 'Motions in limine');
		assert.deepEqual(
			[motions?.date, motions?.state, motions?.authority],
			['2027-08-23', 'docketed', 'Scheduling order, ¶ 6']
		);
		assert.equal(
			listDates().some(({ title }) => title === 'Reply on the motion'),
			false
		);
		good(
			enterEvent(okafor(), {
				matterId,
				eventKey: 'us-federal.ca-nd|motion-filed',
				date: '2026-11-20'
			})
		);
		assert.equal(
			listDates().find(({ title }) => title === 'Reply on the motion')?.date,
			'2026-11-30'
		);
	});
	it('switches off the rows of rules that it displaces, with itself as the authority', () => {
		const entered = setTrial();
		const proposed = all<{ id: string }>(
			house.db,
			"SELECT id FROM deadline WHERE event_id = @eventId AND state = 'proposed' AND suggested = 0",
			entered
		).map(({ id }) => id);
		good(docketDeadlines(okafor(), { deadlineIds: proposed }));
		const [first, ...others] = listRuleDates(house, house.staff('okafor'), matterId);
		assert.ok(first && others.length);
		enter([cutoff], { off: [first.key] });
		const states = all<{ title: string; state: string; reason: string }>(
			house.db,
			'SELECT title, state, reason FROM deadline WHERE event_id = @eventId AND suggested = 0',
			entered
		);
		assert.deepEqual(
			states.filter(({ state }) => state === 'vacated').map(({ title, reason }) => [title, reason]),
			[[first.title, 'Scheduling order']]
		);
	});
	it('dockets and takes off nothing that waited for another reason', () => {
		const { eventId } = setTrial();
		// As in a house that met a newer book: one row is not there yet, another is of no rule.
		const [first, second] = all<{ id: string; title: string }>(
			house.db,
			`SELECT id, title
			FROM deadline
			WHERE event_id = @eventId AND state = 'proposed' AND suggested = 0
			ORDER BY id`,
			{ eventId }
		);
		run(house.db, 'DELETE FROM deadline WHERE id = @id', { id: first!.id });
		run(house.db, "UPDATE deadline SET rule = 'of-no-rule' WHERE id = @id", { id: second!.id });
		enter([
			{
				...{ what: 'count', title: 'motions in limine', count: '-21d' },
				eventKey: 'us-federal.ca-nd|trial-date'
			}
		]);
		const states = listDates().map(({ title, state }) => [title, state]);
		assert.ok(!states.some(([title]) => title === first!.title), 'it waits for a decision');
		assert.ok(states.some(([title, state]) => title === second!.title && state === 'proposed'));
		assert.ok(
			states.some(([title, state]) => title === 'Motions in limine' && state === 'docketed')
		);
	});
	it('refuses beside the row what is missing or cannot be', () => {
		const errors = (rows: object[]) => {
			const result = enterSchedule(okafor(), order(rows) as never);
			return result.ok ? {} : result.errors;
		};
		assert.deepEqual(errors([cutoff, { title: 'Reply' }]), {
			'rows.1.date': 'The date is missing.'
		});
		assert.deepEqual(errors([{ date: '2027-03-01' }]), { 'rows.0.title': 'Name the date.' });
		assert.equal(
			errors([{ title: 'Reply', date: '2027-02-30' }])['rows.0.date'],
			'The date: 2027-02-30 is not a date that exists.'
		);
		const counted = { what: 'count', title: 'Reply', eventKey: 'us-federal.ca-nd|trial-date' };
		assert.match(
			errors([cutoff, { ...counted, count: 'soon' }])['rows.1.count'] ?? '',
			/count|days/i
		);
		assert.deepEqual(errors([{}]), { rows: 'A table has at least one row.' });
		assert.equal(listDates().length, 0, 'all of it or nothing');
	});
	it('is shown with what speaks against its rows before it is kept', async () => {
		const shown = good(
			await previewSchedule(
				okafor(),
				order([
					{ ...cutoff, date: '2027-03-13' },
					trial,
					{
						...{ what: 'count', title: 'witness lists', count: '-14d' },
						eventKey: 'us-federal.ca-nd|trial-date'
					}
				]) as never
			)
		);
		assert.match(shown.remarks[0]?.text ?? '', /does not sit: Saturday/);
		assert.match(shown.remarks[1]?.text ?? '', /sets \w+ dates by rule/);
		assert.equal(listDates().length, 0);
		enter([cutoff]);
		enter([trial]);
		const rows = order([cutoff, trial, { ...trial, date: '2027-11-08' }]);
		const { remarks } = good(await previewSchedule(okafor(), rows as never));
		assert.match(remarks[0]!.text, /on the docket already/);
		assert.match(remarks[1]!.text + remarks[2]!.text, /take this row out.*one on .*move it there/);
	});
});

describe('the second check of a scheduling order', () => {
	it('is one sheet with the hearings of its table, row by row or as a whole', () => {
		const { scheduleId } = enter([cutoff, conference]);
		const clerk = house.staff('castellan');
		const { events } = listCheckEvents(house, clerk, { page: 1, per: 10 });
		assert.deepEqual(
			events.map(({ id, waiting }) => [id, waiting]),
			[[scheduleId, 2]]
		);
		const sheet = findCheckSheet(house, clerk, { eventId: scheduleId, deadlineId: null });
		assert.equal(sheet?.items.length, 2);
		good(
			checkDeadlines(house.as('castellan'), {
				deadlineIds: [idOf('Close of fact discovery'), idOf('Final pretrial conference')]
			})
		);
		assert.equal(listCheckEvents(house, clerk, { page: 1, per: 10 }).total, 0);
	});
});

describe('an amended order', () => {
	const tableOf = (scheduleId: string) =>
		findSchedule(house, house.staff('okafor'), matterId, scheduleId)!.rows.map((row) => ({
			...row,
			time: row.time ?? ''
		}));
	it('moves what it changes, leaves the rest checked, takes out and adds', () => {
		const { scheduleId } = enter([
			cutoff,
			{ title: 'expert reports', date: '2027-04-09', authority: '¶ 2' },
			conference
		]);
		good(
			checkDeadlines(house.as('castellan'), {
				deadlineIds: [idOf('Close of fact discovery'), idOf('Expert reports')]
			})
		);
		const rows = tableOf(scheduleId).map((row) => {
			if (row.title === 'Close of fact discovery') return { ...row, date: '2027-05-14' };
			if (row.title === 'Final pretrial conference') return { ...row, gone: true };
			return row;
		});
		const result = good(
			amend(scheduleId, [...rows, { title: 'rebuttal reports', date: '2027-05-07' }])
		);
		assert.deepEqual([result.changed, result.dates], [2, 1]);
		assert.deepEqual(short(), [
			['Expert reports', '2027-04-09', 'docketed', 'Scheduling order, ¶ 2'],
			['Rebuttal reports', '2027-05-07', 'docketed', 'Amended order'],
			['Close of fact discovery', '2027-05-14', 'docketed', 'Amended order, ¶ 1'],
			['Final pretrial conference', '2027-08-24', 'vacated', 'Scheduling order, ¶ 4']
		]);
		const checked = all<{ title: string }>(
			house.db,
			'SELECT title FROM deadline WHERE checked_by IS NOT NULL'
		);
		assert.deepEqual(checked, [{ title: 'Expert reports' }], 'what moved is checked again');
	});
	it('moves a trial with what follows from it by rule', () => {
		const { scheduleId } = enter([trial]);
		const before = listDates().find(({ state }) => state === 'proposed')!;
		const [row] = tableOf(scheduleId);
		good(amend(scheduleId, [{ ...row, date: '2027-10-18' }]));
		const after = listDates().find(
			({ title, state }) => title === before.title && state === 'proposed'
		)!;
		assert.notEqual(after.date, before.date);
		assert.equal(
			listDates().find(({ sort }) => sort === 'trial')?.authority,
			'Amended order',
			'and names the order that moved it'
		);
	});
	it('is refused where nothing is otherwise, or a row belongs elsewhere', () => {
		const { scheduleId } = enter([cutoff]);
		const same = amend(scheduleId, tableOf(scheduleId));
		assert.deepEqual(same.ok ? {} : same.errors, {
			rows: 'Nothing is otherwise than in the order before.'
		});
		const other = enter([{ title: 'Reply', date: '2027-03-01' }]);
		const strange = amend(other.scheduleId, tableOf(scheduleId));
		assert.deepEqual(strange.ok ? {} : strange.errors, {
			'rows.0.title': 'This date is not one of this order.'
		});
	});
	it('is the only way its day moves; as entered by mistake it goes with its dates', () => {
		const { scheduleId } = enter([cutoff]);
		const moved = moveEvent(okafor(), {
			...{ eventId: scheduleId, to: '2026-11-21', reason: 'a slip', version: 1 }
		});
		assert.match(moved.ok ? '' : (moved.errors.to ?? ''), /amend its table/);
		good(withdrawEvent(okafor(), { eventId: scheduleId, reason: 'another case' }));
		assert.deepEqual(
			listDates().map(({ state }) => state),
			['vacated']
		);
	});
});
