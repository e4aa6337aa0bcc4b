import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { one, run, scalar } from '#server/db/sql.ts';
import { saveResource } from '#server/appointments/keep-lists.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { commitLine, lineInput, showLine, undoLine } from './line.ts';

let house: TestHouse;
let number = '';
beforeEach(async () => {
	house = await testHouse();
	({ number } = await newMatter(house, { title: 'Pier 9', rulebook: 'us-federal.ca-nd' }));
});

const input = (line: string, parts: object = {}) => lineInput.parse({ line, parts });
const show = (line: string, parts: object = {}) =>
	showLine(house.as('okafor'), house.staff('okafor'), input(line, parts));
const commit = (line: string, parts: object = {}) =>
	commitLine(house.as('okafor'), house.staff('okafor'), input(line, parts));

describe('a note on the pen line', () => {
	it('is taken back as the last act', () => {
		const done = good(commit(`note ${number} the barnacle memo`));
		assert.ok(done.undo);
		good(undoLine(house.as('okafor'), done.undo));
		assert.equal(
			scalar(house.db, "SELECT text FROM logbook WHERE kind = 'note'"),
			'This note was taken back by its writer.'
		);
	});
});

describe('a task on the pen line', () => {
	const task = () =>
		one<{ subject: string; assignee_id: string; due: string | null; state: string }>(
			house.db,
			'SELECT subject, assignee_id, due, state FROM task ORDER BY created_at DESC LIMIT 1'
		);
	it('is shown as understood, given to a colleague, and taken back', () => {
		const line = `task ${number} draft the reply by friday @lena`;
		const shown = show(line).task;
		assert.deepEqual(
			[shown?.subject, shown?.assignee.id, shown?.due],
			['draft the reply', 'stf_fairweather', '2026-11-27']
		);
		const done = good(commit(line));
		assert.match(done.message, /^Draft the reply: a task for Lena Fairweather on Pier 9, due/);
		assert.deepEqual(
			{ ...task() },
			{
				...{ subject: 'draft the reply', assignee_id: 'stf_fairweather' },
				...{ due: '2026-11-27', state: 'open' }
			}
		);
		good(undoLine(house.as('okafor'), done.undo!));
		assert.equal(task().state, 'dropped');
	});
	it('is one’s own where it names nobody, and refused where the name is nobody’s', () => {
		good(commit(`new task ${number} call the surveyor`));
		assert.equal(task().assignee_id, 'stf_okafor');
		const refused = commit(`task ${number} call @zzz`);
		assert.match(refused.ok ? '' : Object.values(refused.errors).join(), /Nobody here is called/);
		assert.match((show('task call').understood as { fault: string }).fault, /Name a matter/);
	});
});

describe('open and new on the pen line', () => {
	it('open a matter with its title, or go to what is found', () => {
		assert.deepEqual(show('new charter of a tug').understood, {
			kind: 'open',
			words: 'charter of a tug'
		});
		assert.deepEqual(show('open a matter').understood, { kind: 'open', words: '' });
		const found = show('open pier');
		assert.equal(found.understood.kind, 'find');
		assert.equal(found.hits[0]?.title, 'Pier 9');
	});
});

describe('an event on the pen line', () => {
	it('is entered with its time and place, and taken back as a whole', () => {
		const done = good(commit(`event ${number} hearing of a motion 15 mar 2027 10:00 room 4`));
		const hearing = one<{ date: string; time: string; place: string; state: string }>(
			house.db,
			"SELECT date, time, place, state FROM deadline WHERE sort = 'hearing'"
		);
		assert.deepEqual(
			{ ...hearing },
			{ date: '2027-03-15', time: '10:00', place: 'Room 4', state: 'docketed' }
		);
		assert.ok(done.undo);
		good(undoLine(house.as('okafor'), done.undo));
		assert.equal(scalar(house.db, "SELECT count(*) FROM deadline WHERE state = 'docketed'"), 0);
		assert.equal(
			scalar(house.db, 'SELECT withdrawn_reason FROM event'),
			'taken back at once on the pen line'
		);
	});
	it('is asked for where the words fit several, and never guessed', () => {
		const line = `event ${number} complaint served yesterday`;
		const shown = show(line);
		assert.match((shown.understood as { fault: string }).fault, /Which is meant/);
		assert.equal(shown.entry?.fits.length, 2);
		const refused = commit(line);
		assert.equal(refused.ok, false);
		const event = shown.entry!.fits.find(({ words }) => words.startsWith('summons'))!.id;
		assert.match(show(line, { event }).entry!.text, /^Summons and complaint served/);
		good(commit(line, { event }));
		assert.equal(scalar(house.db, 'SELECT date FROM event'), '2026-11-22');
	});
	it('takes the day and the service that were corrected in place', () => {
		const line = `event ${number} interrogatories served yesterday by mail`;
		const parts = { date: '2026-11-20', service: 'electronic' };
		good(commit(line, parts));
		const { date, service } = one<{ date: string; service: string }>(
			house.db,
			'SELECT date, service FROM event'
		);
		assert.deepEqual([date, service], ['2026-11-20', 'electronic']);
	});
	it('says that a day does not exist', () => {
		const { understood } = show(`event ${number} interrogatories served 30 feb`);
		assert.match((understood as { fault: string }).fault, /not a date that exists/);
	});
});

describe('a hearing by hand on the pen line', () => {
	it('says that the court does not sit that day, is docketed, and taken back', () => {
		const line = `deposition ${number} of Dr. Quill 25 dec 9:30 am room 4`;
		assert.match(show(line).entry!.warnings.join(), /does not sit/);
		const done = good(commit(line));
		assert.match(done.message, /^Deposition of Dr\. Quill on .*: it is docketed on Pier 9\.$/);
		const entry = one<{ title: string; date: string; time: string; place: string }>(
			house.db,
			"SELECT title, date, time, place FROM deadline WHERE sort = 'deposition'"
		);
		assert.deepEqual(
			{ ...entry },
			{
				...{ title: 'Deposition of Dr. Quill', date: '2026-12-25' },
				...{ time: '09:30', place: 'Room 4' }
			}
		);
		good(undoLine(house.as('okafor'), done.undo!));
		assert.equal(scalar(house.db, "SELECT count(*) FROM deadline WHERE state = 'docketed'"), 0);
	});
	it('of a book says so too', () => {
		const { entry } = show(`event ${number} hearing of a motion 25 dec 10:00`);
		assert.match(entry!.warnings.join(), /does not sit/);
		assert.deepEqual(show(`event ${number} complaint filed 20 nov`).entry!.warnings, []);
	});
});

describe('time on the pen line', () => {
	it('is logged on the day the line names, and not on one to come', () => {
		const done = good(commit(`0.3 ${number} call with counsel yesterday`));
		assert.match(done.message, /0\.3 h logged on Pier 9 for Sunday 22 November 2026\./);
		const { day, narrative } = one<{ day: string; narrative: string }>(
			house.db,
			'SELECT day, narrative FROM time_entry'
		);
		assert.deepEqual([day, narrative], ['2026-11-22', 'call with counsel']);
		const ahead = commit(`0.3 ${number} call on 30 nov 2026`);
		assert.match(ahead.ok ? '' : Object.values(ahead.errors).join(), /not come yet/);
		assert.equal(show(`0.3 ${number} call yesterday`).understood.day, '2026-11-22');
	});
});

describe('a matter on the pen line', () => {
	it('is named by words of its title, and what is left is said of it', () => {
		const shown = show('0.4 pier 9 call with the adjuster');
		assert.equal(shown.matter?.number, number);
		const done = good(commit('0.4 pier 9 call with the adjuster'));
		assert.match(done.message, /0\.4 h logged on Pier 9/);
		assert.equal(scalar(house.db, 'SELECT narrative FROM time_entry'), 'call with the adjuster');
	});

	it('is asked about where several fit, and taken as chosen', async () => {
		const other = await newMatter(house, { title: 'Pier 12 lease' });
		const shown = show('note pier the lift is broken');
		assert.deepEqual(shown.fits.map((fit) => fit.number).sort(), [number, other.number].sort());
		assert.match(bad(commit('note pier the lift is broken'))['']!, /Which matter is meant/);
		good(commit('note pier the lift is broken', { matter: other.number }));
		assert.equal(
			scalar(house.db, "SELECT text FROM logbook WHERE kind = 'note'"),
			'the lift is broken'
		);
	});

	it('is found neither hidden nor closed, nor by a word that no title has', async () => {
		const hidden = await newMatter(house, { title: 'Kestrel', restricted: 'on' }, 'wardle');
		assert.equal(show('0.4 kestrel call').matter, null);
		assert.match(bad(commit('0.4 kestrel call'))['']!, /Name a matter/);
		// A number that somebody sends by hand is taken only where it fits what is found.
		await newMatter(house, { title: 'Pier 12 lease' });
		assert.match(bad(commit('0.4 pier call', { matter: hidden.number }))['']!, /Which matter/);
	});

	it('named by its number is not looked for by words', () => {
		assert.equal(show(`0.4 ${number} pier call`).matter?.number, number);
		assert.equal(
			(show(`0.4 ${number} pier call`).understood as { words: string }).words,
			'pier call'
		);
	});
});

describe('parts corrected in place', () => {
	it('of a task are whose it is and until when', () => {
		const line = `task ${number} draft the reply by friday @zzz`;
		assert.match((show(line).understood as { fault: string }).fault, /Nobody here is called zzz/);
		const parts = { assignee: 'stf_wardle', date: '2026-12-04' };
		assert.equal(show(line, parts).task?.assignee.name, 'Tamsin Wardle');
		good(commit(line, parts));
		const { assignee, due } = one<{ assignee: string; due: string }>(
			house.db,
			"SELECT assignee_id AS assignee, due FROM task WHERE subject LIKE 'draft%'"
		);
		assert.deepEqual([assignee, due], ['stf_wardle', '2026-12-04']);
	});

	it('of time is its day', () => {
		good(commit(`0.4 ${number} call yesterday`, { date: '2026-11-19' }));
		assert.equal(scalar(house.db, 'SELECT day FROM time_entry'), '2026-11-19');
	});
});

describe('dates on the pen line', () => {
	it('are found by their words with how they stand, proposals are not', () => {
		const { matterId } = one<{ matterId: string }>(house.db, 'SELECT id AS matterId FROM matter');
		const ctx = house.as('okafor');
		const date = { matterId, title: 'Barnacle survey', date: '2026-12-04' };
		good(addDeadline(ctx, date));
		good(addDeadline(ctx, { ...date, title: 'Barnacle brief', date: '2026-11-02' }));
		const found = show('barnacle').hits.map(
			({ kind, title, about }) => `${kind} ${title} ${about}`
		);
		assert.equal(found.length, 2);
		assert.match(found.join('; '), /date Barnacle survey Friday 4 December 2026, docketed/);
		assert.match(found.join('; '), /date Barnacle brief Monday 2 November 2026, missed/);
		run(house.db, "UPDATE deadline SET state = 'met' WHERE title LIKE '%survey'", {});
		assert.deepEqual(
			show('barnacle').hits.map(({ title }) => title),
			['Barnacle brief', 'Barnacle survey']
		);
		run(house.db, "UPDATE deadline SET state = 'proposed' WHERE title LIKE '%brief'", {});
		assert.deepEqual(
			show('barnacle').hits.map(({ title }) => title),
			['Barnacle survey']
		);
	});
});

describe('an appointment on the pen line', () => {
	const line = 'appointment thu 10-11:30 insurer call with Lena in room 4';
	it('is shown as understood, made, and taken back', () => {
		good(saveResource(house.as('castellan'), { name: 'Room 4', sort: 'room' }));
		const { appointment, matter } = show(`${line}`.replace('insurer', `${number} insurer`));
		assert.equal(matter?.number, number);
		assert.deepEqual(
			{ ...appointment, colleagues: appointment?.colleagues.map(({ name }) => name) },
			{
				...{ subject: 'insurer call', day: '2026-11-26', hours: '10:00 to 11:30' },
				...{ from: '10:00', to: '11:30', place: '', fault: null },
				colleagues: ['Ines Okafor', 'Lena Fairweather'],
				resource: { id: appointment?.resource?.id, name: 'Room 4' }
			}
		);
		const done = good(commit(line));
		assert.match(done.message, /^insurer call: Thursday 26 November 2026, 10:00 to 11:30/);
		assert.match(bad(commit(line.replace('insurer', 'other')))['resources'] ?? '', /is taken/);
		good(undoLine(house.as('okafor'), done.undo!));
		assert.equal(scalar(house.db, 'SELECT state FROM appointment'), 'off');
	});
	it('says what is missing or no day, and takes another day in its place', () => {
		const fault = (text: string, parts: object = {}) => {
			const { understood } = show(text, parts);
			return understood.kind === 'appointment' ? understood.fault : understood.kind;
		};
		assert.match(fault('appointment 10-11 insurer call') ?? '', /on which day/);
		assert.equal(fault('appointment 10-11 insurer call', { date: '2026-12-01' }), null);
		assert.match(fault('appointment 30 feb insurer call') ?? '', /not a date that exists/);
		assert.match(fault('appointment thu 11-10 insurer call') ?? '', /end before it begins/);
		assert.match(fault('appointment thu LF-2020-0001 call') ?? '', /no matter/);
	});
});
