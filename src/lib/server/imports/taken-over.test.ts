/**
 * What a department brings along: everything that is wrong with a row at once, put right in place;
 * two people of one name; matters with their numbers, facts, members and ends; done anew.
 */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, insert, one } from '#server/db/sql.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { listPeople } from '#server/people/list.ts';
import { addRole } from '#server/people/roles.ts';
import type { PersonContactRow } from '#server/people/rows.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import type { What } from './fields.ts';
import { undoImport } from './run.ts';
import { parseTable } from './table.ts';
import {
	beginAgain,
	beginWork,
	decide,
	dropWork,
	findWork,
	finishWork,
	listWorks,
	makeFaultsCsv,
	mend,
	type Work
} from './works.ts';

let house: TestHouse;
const ops = () => house.as('haddad');
const me = () => house.staff('haddad');
beforeEach(async () => {
	house = await testHouse();
});

/** The file, when it has been looked through. */
async function settled(id: string): Promise<Work> {
	for (let tries = 0; tries < 2000; tries++) {
		const work = findWork(me(), id)!;
		if (work.state === 'ready' || work.state === 'failed') return work;
		await new Promise((resolve) => setTimeout(resolve, 5));
	}
	throw new Error('it is not looked through');
}
const look = (what: What, csv: string) =>
	settled(beginWork(ops(), what, new File([csv], 'old.csv')));
const fates = ({ plan }: Work) => plan!.rows.map(({ fate, why }) => `${fate}: ${why}`);

describe('rows that are wrong', () => {
	const WRONG =
		'Title,Kind,Business unit,Responsible lawyer,Opened on,Priority,Members\n' +
		'Berth 6,Poem,Moon,nobody,31 Feb 2026,huge,"abernathy, ghost"\n' +
		'Berth 7,Litigation,Passenger,okafor,,,\n';

	it('say all that is wrong at once, each beside its field', async () => {
		const work = await look('matters', WRONG);
		assert.deepEqual(work.plan!.rows[0]!.faults.map(({ key }) => key).sort(), [
			'kind',
			'lawyer',
			'members',
			'opened',
			'priority',
			'unit'
		]);
		const csv = await parseTable(Buffer.from(makeFaultsCsv(work)));
		assert.deepEqual(csv.head.slice(0, 3), ['Row', 'What is wrong', 'Title']);
		assert.equal(csv.rows.length, 1, 'the good row is not in it');
		assert.match(csv.rows[0]!.cells[1]!, /no kind “Poem”.*no business unit “Moon”.*“ghost”/);
	});

	it('are put right in place, also where the file had no such column', async () => {
		let work = await look('matters', 'Title,Kind,Business unit\nBerth 6,Poem,Passenger\n');
		mend(ops(), work, 2, { kind: 'Litigation', lawyer: 'okafor' });
		work = await settled(work.id);
		assert.deepEqual(fates(work), ['new: new litigation']);
		good(await finishWork(ops(), work));
		assert.equal(one<{ n: number }>(house.db, 'SELECT count(*) AS n FROM matter').n, 1);
	});

	it('are refused where a value stands under no name', async () => {
		const work = await look('people', 'Name,,Mail\nAnna,lost,a@mail.example\n');
		assert.match(work.fault, /Row 2 has “lost” in column 2, which has no name/);
		dropWork(work);
		assert.ok(!listWorks(me()).some(({ id }) => id === work.id), 'it can be put away');
	});
});

describe('two people of one name', () => {
	const TWO = 'Name,Mail\nAnna Quill,anna@one.example\nAnna Quill,anna@two.example\nAnna Quill,\n';

	it('are two where their mail is not the same, unless somebody says otherwise', async () => {
		let work = await look('people', TWO);
		assert.deepEqual(fates(work), [
			'new: new card',
			'new: another Anna Quill: the mail is not the same',
			'known: There is a card for Anna Quill already: it stays as it is.'
		]);
		decide(ops(), work, 3, 'same');
		work = await settled(work.id);
		assert.equal(work.plan!.made, 1);
		decide(ops(), work, 3, 'other');
		decide(ops(), await settled(work.id), 4, 'other');
		work = await settled(work.id);
		assert.equal(work.plan!.made, 3);
		good(await finishWork(ops(), work));
		assert.equal(listPeople(house, me(), {}).total, 3);
	});

	it('each get their own parent', async () => {
		const csv = 'Name,Mail,Parent\nAnna Quill,a@one.example,One\nAnna Quill,a@two.example,Two\n';
		good(await finishWork(ops(), await look('people', csv)));
		assert.deepEqual(
			all<{ parent: string; mail: string }>(
				house.db,
				`SELECT o.name AS parent, c.value AS mail
				FROM person p
				JOIN person o ON o.id = p.parent_id
				JOIN person_contact c ON c.person_id = p.id
				ORDER BY 1`
			),
			[
				{ parent: 'One', mail: 'a@one.example' },
				{ parent: 'Two', mail: 'a@two.example' }
			]
		);
	});
});

it('a card that one does not see gets no parent by an import', async () => {
	const { matterId } = await newMatter(house);
	good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
	const role = { matterId, newName: 'Anna Quill', newKind: 'person', role: 'witness', note: '' };
	const { personId } = good(addRole(house.as('okafor'), role as never));
	insert<PersonContactRow>(house.db, 'person_contact', {
		...{ id: 'con_1', person_id: personId, kind: 'mail', label: '', value: 'a@one.example' },
		position: 0
	});
	const csv = 'Name,Mail,Parent\nAnna Quill,a@one.example,One\n';
	good(await finishWork(ops(), await look('people', csv)));
	const parents = all<{ id: string; parent_id: string | null }>(
		house.db,
		"SELECT id, parent_id FROM person WHERE name = 'Anna Quill'"
	);
	assert.equal(parents.length, 2);
	for (const { id, parent_id } of parents) assert.equal(parent_id === null, id === personId);
});

describe('a matter that is taken over', () => {
	const HEAD =
		'Number,Title,Kind,Business unit,Responsible lawyer,Opened on,Status,Closed on,' +
		'How it ended,Restricted,Members,Exposure,Court,Employee';
	const bring = async (...rows: string[]) => look('matters', [HEAD, ...rows].join('\n'));

	it('keeps its number, facts, members, restriction and end', async () => {
		const work = await bring(
			'old-14,Berth 6,Litigation,Passenger,okafor,2024-03-01,closed,2025-06-30,Settled,' +
				'no,"abernathy, Dorit Castellan","12,500",N.D. Cal.,',
			',Steward,Employment claim,Corporate,wardle,2025-01-10,on hold,2026-01-02,,yes,,,,Vasco Quill'
		);
		assert.match(fates(work)[1]!, /Closed on is given, and the status is another/);
		mend(ops(), work, 3, { closed: '' });
		good(await finishWork(ops(), await settled(work.id)));
		const berth = one<Record<string, unknown>>(
			house.db,
			"SELECT * FROM matter WHERE number = 'OLD-14'"
		);
		assert.deepEqual(
			[berth.status, berth.closed_on, berth.ending, berth.retain_until, berth.opened_on],
			['closed', '2025-06-30', 'Settled', '2032-06-30', '2024-03-01']
		);
		const facts = all<{ fact: string; value: string }>(
			house.db,
			'SELECT fact, value FROM matter_fact WHERE matter_id = @id ORDER BY fact',
			{ id: berth.id as string }
		);
		assert.deepEqual(facts, [
			{ fact: 'court', value: 'N.D. Cal.' },
			{ fact: 'exposure', value: '1250000' }
		]);
		const steward = one<{ id: string; status: string; restricted: number }>(
			house.db,
			"SELECT * FROM matter WHERE title = 'Steward'"
		);
		assert.deepEqual([steward.status, steward.restricted], ['on hold', 1]);
		const employee = one<{ name: string }>(
			house.db,
			`SELECT p.name
			FROM matter_fact f
			JOIN person p ON p.id = f.value
			WHERE f.matter_id = @id AND f.fact = 'employee'`,
			{ id: steward.id }
		);
		assert.equal(employee.name, 'Vasco Quill');
		const members = all<{ staff_id: string }>(
			house.db,
			'SELECT staff_id FROM matter_member WHERE matter_id = @id ORDER BY 1',
			{ id: berth.id as string }
		);
		assert.deepEqual(
			members.map(({ staff_id }) => staff_id),
			['stf_abernathy', 'stf_castellan']
		);
	});

	it('says what does not go together', async () => {
		const work = await bring(
			'A/1,One,Agreement review,Passenger,okafor,2025-03-01,closed,2025-02-01,Eaten,perhaps,,5,,',
			'B-1,Two,Litigation,Passenger,okafor,,resting,,,,,much,,',
			'B-1,Three,Litigation,Passenger,okafor,,,2027-06-30,Settled,,,,,'
		);
		const [one, two, three] = fates(work);
		assert.match(one!, /no fact “exposure”.*“A\/1” is no number/);
		assert.match(one!, /closed before it was opened.*How it ended is one of: Concluded/);
		assert.match(one!, /write yes or no/);
		assert.match(two!, /“resting” is no status/);
		assert.match(two!, /Exposure/);
		assert.match(three!, /Closed on is given.*How it ended is given/);
	});

	it('takes no number that is given, and none is given that it brought', async () => {
		const { number } = await newMatter(house);
		const year = number.slice(0, 8);
		const taken = await bring(`${number},One,Litigation,Passenger,okafor,,,,,,,,,`);
		assert.match(fates(taken)[0]!, new RegExp(`The number ${number} is taken`));
		const next = `${year}0002`;
		good(await finishWork(ops(), await bring(`${next},One,Litigation,Passenger,okafor,,,,,,,,,`)));
		const other = await newMatter(house, { title: 'After it' });
		assert.equal(other.number, `${year}0003`);
	});

	it('goes whole when the import is taken back, and comes again', async () => {
		const work = await bring(
			'old-14,Berth 6,Litigation,Passenger,okafor,2024-03-01,,,,yes,abernathy,"12,500",,'
		);
		const { batchId } = good(await finishWork(ops(), work));
		const tables = ['matter', 'matter_member', 'matter_fact', 'logbook', 'split'];
		const count = () =>
			tables.map((name) => one<{ n: number }>(house.db, `SELECT count(*) AS n FROM ${name}`).n);
		assert.ok(count().every((rows) => rows > 0));
		await undoImport(ops(), batchId);
		assert.deepEqual(count(), [0, 0, 0, 0, 0]);
		const again = await settled(beginAgain(ops(), batchId));
		assert.deepEqual(fates(again), ['new: new litigation']);
		good(await finishWork(ops(), again));
		assert.equal(one<{ number: string }>(house.db, 'SELECT number FROM matter').number, 'OLD-14');
		assert.match(
			Object.values(bad(await finishWork(ops(), again))).join(),
			/still being looked at/
		);
	});
});
