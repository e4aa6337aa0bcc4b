import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import ExcelJS from 'exceljs';
import { remove, scalar } from '#server/db/sql.ts';
import type { LogbookRow } from '#server/logbook/rows.ts';
import { listMatters } from '#server/matters/list.ts';
import { listPeople } from '#server/people/list.ts';
import { addTask } from '#server/tasks/commands.ts';
import type { TaskRow } from '#server/tasks/rows.ts';
import { bad, good, testHouse, type TestHouse } from '#server/testing/house.ts';
import { beginBatch, importRows } from './commands.ts';
import type { What } from './fields.ts';
import { judgeTable } from './judge.ts';
import { guessMapping, listFields } from './mapping.ts';
import { listBatches } from './queries.ts';
import { runImport, undoImport, type ImportOrder } from './run.ts';
import { makeSampleCsv, makeSampleXlsx } from './sample.ts';
import { parseTable, type Table } from './table.ts';
import { beginWork, findWork, finishWork, remap } from './works.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

describe('an import', () => {
	const table = (csv: string) => parseTable(Buffer.from(csv));
	const plan = async (what: 'units' | 'people' | 'matters', csv: string) => {
		const item = await table(csv);
		return judgeAll(what, item);
	};
	const judgeAll = (what: What, table: Table) =>
		judgeTable(house.db, {
			me: house.staff('haddad').id,
			today: house.clock.today(),
			what,
			table,
			mapping: guessMapping(listFields(house.db, what), table.head, null),
			decisions: {},
			progress: new SharedArrayBuffer(4)
		});
	/** Imports rows as the screen does, whole. */
	const bringIn = (what: What, rows: ImportOrder['rows']) =>
		runImport(house.as('haddad'), {
			what,
			fileName: 'old.csv',
			header: ['Title'],
			mapping: { title: 'Title' },
			rows
		});
	const refused = (item: Promise<unknown>, words: RegExp) =>
		assert.rejects(item, (error: Error) => words.test(error.message));
	it('refuses files that are not tables, in words that help', async () => {
		await refused(parseTable(Buffer.alloc(0)), /empty/);
		await refused(
			parseTable(Buffer.from([0x4e, 0x61, 0x6d, 0x65, 0x0a, 0x4d, 0xfc, 0x6c])),
			/not written in UTF-8/
		);
		await refused(table('Name\n"Anna'), /Line \d+ cannot be read as CSV/);
		await refused(table('Name,name\na,b'), /Two columns are called/);
		await refused(table('Name\n'), /no row below/);
		await refused(table('Name,Note\nAnna,=1+1'), /Row 2, “Note”: =1\+1 looks like a formula/);
		await refused(table(`Name\n${'Anna\n'.repeat(20_001)}`), /more than 20,000 rows/);
		await refused(parseTable(Buffer.from('PK nonsense')), /workbook cannot be read/);
		const book = new ExcelJS.Workbook();
		const item = book.addWorksheet('x');
		item.addRow(['Name']);
		item.getCell('A2').value = { formula: '1+1', result: 2 } as ExcelJS.CellFormulaValue;
		await refused(parseTable(Buffer.from(await book.xlsx.writeBuffer())), /Cell A2 is a formula/);
	});
	it('reads commas, semicolons, UTF-16 and workbooks alike, and guesses the columns', async () => {
		for (const data of [
			Buffer.from('\uFEFFFull name;E-mail\r\nZoë;z@mail.example'),
			Buffer.from('\uFEFFFull name\tE-mail\nZoë\tz@mail.example', 'utf16le')
		]) {
			const item = await parseTable(data);
			assert.deepEqual(
				[item.rows[0]!.cells, guessMapping(listFields(house.db, 'people'), item.head, null)],
				[['Zoë', 'z@mail.example'], { name: 'Full name', mail: 'E-mail' }]
			);
		}
		for (const what of ['units', 'people', 'matters'] as const) {
			const [csv, xlsx] = [
				await parseTable(Buffer.from(makeSampleCsv(what))),
				await parseTable(await makeSampleXlsx(house, what))
			];
			assert.deepEqual(csv.head, xlsx.head);
			assert.deepEqual(
				csv.rows.map((row) => row.cells),
				xlsx.rows.map((row) =>
					row.cells.concat(Array(csv.head.length).fill('')).slice(0, csv.head.length)
				)
			);
			assert.equal(judgeAll(what, csv).faults, 0, what);
		}
	});
	it('says the fate of each row and why', async () => {
		await bringIn('people', [{ n: 2, values: { name: 'Quoin Staffing LLC' } }]);
		const item = await plan(
			'people',
			'Name,Kind,Mail\nAnna Quill,person,a@mail.example\nQuoin Staffing L.L.C,,\nquoin staffing llc,,\n,,x\nBob,alien,\nBob,,nonsense\nanna QUILL,,'
		);
		assert.deepEqual(
			item.rows.map((row) => [row.n, row.fate, row.why]),
			[
				[2, 'new', 'new card'],
				[3, 'new', 'new card; near to Quoin Staffing LLC, look at both afterwards'],
				[4, 'known', 'There is a card for Quoin Staffing LLC already: it stays as it is.'],
				[5, 'fault', 'Name is missing. x is not a mail address.'],
				[6, 'fault', '“alien” is neither person nor organization.'],
				[7, 'fault', 'nonsense is not a mail address.'],
				[8, 'known', 'There is a card for Anna Quill already: it stays as it is.']
			]
		);
		const other = await plan(
			'matters',
			'Title,Kind,Unit,Lawyer,Opened\nA,Litigation,Passenger,okafor,2025-03-01\nB,Poem,Passenger,okafor,\nC,Litigation,Moon,okafor,\nD,Litigation,Passenger,nobody,\nE,Litigation,Passenger,okafor,31 Feb 2026\nA,Litigation,Passenger,okafor,'
		);
		assert.deepEqual(
			other.rows.map((row) => row.fate),
			['new', 'fault', 'fault', 'fault', 'fault', 'fault']
		);
		assert.match(other.rows[1]!.why, /no kind “Poem”. Kinds are: Litigation/);
	});
	it('makes all rows or none, and is taken back whole while nothing hangs on it', async () => {
		const counts = () =>
			JSON.stringify(
				[
					'matter',
					'person',
					'matter_role',
					'matter_fact',
					'matter_reference',
					'logbook',
					'split',
					'split_share',
					'business_unit',
					'cost_center',
					'person_name',
					'person_contact',
					'search_text'
				].map((text) => scalar(house.db, `SELECT count(*) AS n FROM ${text}`))
			);
		const before = counts();
		const item = await plan(
			'matters',
			'Title,Kind,Unit,Lawyer,Opened,Other side,Their number,Court,First note\nBerth 6,Litigation,Passenger,okafor,2025-03-01,Sablewood Dredging Co.,INS-1,N.D. Cal.,Old list\nCrew deal,Agreement review,Corporate,Tamsin Wardle,,Sablewood Dredging Co.,,,'
		);
		const rows = item.rows.map((row) => ({ n: row.n, values: row.values }));
		const bad = {
			title: 'Bad',
			kind: 'Litigation',
			unit: 'Passenger',
			lawyer: 'okafor',
			party: '!!!'
		};
		await refused(
			bringIn('matters', [...rows, { n: 9, values: bad }]),
			/Row 9: .*letters or digits.*Nothing was imported/
		);
		assert.equal(counts(), before, 'nothing half done');
		const { batchId } = await bringIn('matters', rows);
		const list = listMatters(house, house.staff('okafor'), { who: 'all' }).rows;
		assert.deepEqual(list.map((other) => [other.number, other.title, other.openedOn]).sort(), [
			['LF-2025-0001', 'Berth 6', '2025-03-01'],
			['LF-2026-0001', 'Crew deal', '2026-11-23']
		]);
		assert.equal(
			listPeople(house, house.staff('okafor'), {}).total,
			1,
			'one card for the same other side'
		);
		assert.equal(listMatters(house, house.staff('okafor'), { who: 'all', q: 'INS-1' }).total, 1);
		const task = good(
			addTask(house.as('okafor'), {
				matterId: list[0]!.id,
				subject: 'x',
				assigneeId: 'stf_okafor',
				due: null,
				deadlineId: null
			})
		).taskId;
		await refused(undoImport(house.as('haddad'), batchId), /has tasks.*Nothing was taken back/);
		remove<TaskRow>(house.db, 'task', { id: task });
		remove<LogbookRow>(house.db, 'logbook', { kind: 'task' });
		await undoImport(house.as('haddad'), batchId);
		assert.equal(counts(), before);
		assert.ok(listBatches(house)[0]!.undoneAt);
		await refused(undoImport(house.as('haddad'), batchId), /already/);
	});
	it('refuses parents that go in a circle', async () => {
		const item = await plan(
			'people',
			'Name,Parent\nAlpha Group,Beta Group\nBeta Group,Alpha Group'
		);
		await refused(
			bringIn(
				'people',
				item.rows.map((row) => ({ n: row.n, values: row.values }))
			),
			/each other’s parent/
		);
		assert.equal(listPeople(house, house.staff('okafor'), {}).total, 0);
	});
	it('of thousands of rows is judged in pieces, remembers its columns, and stops for a bad row', async () => {
		const rows = Array.from(
			{ length: 3000 },
			(_, i) => `Person No ${i} ${'abcdefghij'[i % 10]}x,p${i}@mail.example`
		);
		const id = beginWork(
			house.as('haddad'),
			'people',
			new File([`Who,Post\n${rows.join('\n')}\n`], 'big.csv')
		);
		const until = async (state: string) => {
			for (let i = 0; i < 2000 && findWork(house.staff('haddad'), id)!.state !== state; i++)
				await new Promise((item) => setTimeout(item, 5));
			return findWork(house.staff('haddad'), id)!;
		};
		let work = await until('ready');
		assert.equal(findWork(house.staff('okafor'), id), undefined, 'another’s import is not there');
		assert.equal(work.plan!.faults, 3000, 'no column is the name yet');
		assert.match(bad(await finishWork(house.as('haddad'), work))['']!, /3000 rows have faults/);
		remap(house.as('haddad'), work, { name: 'Who', mail: 'Post', nothing: 'Post' });
		work = await until('ready');
		assert.deepEqual([work.plan!.made, work.done, work.total], [3000, 3000, 3000]);
		good(await finishWork(house.as('haddad'), work));
		assert.equal(listPeople(house, house.staff('okafor'), {}).total, 3000);
		const again = beginWork(
			house.as('haddad'),
			'people',
			new File(['Who,Post\nNew One,n@mail.example\n'], 'big.csv')
		);
		for (let i = 0; i < 400 && findWork(house.staff('haddad'), again)!.state !== 'ready'; i++)
			await new Promise((item) => setTimeout(item, 5));
		assert.deepEqual(findWork(house.staff('haddad'), again)!.mapping, {
			name: 'Who',
			mail: 'Post'
		});
	});
	it('is for those who may', () => {
		const rows = [{ n: 1, values: {} }];
		const begun = beginBatch(house.as('okafor'), {
			what: 'units',
			fileName: 'x',
			header: [],
			mapping: {}
		});
		assert.equal(!begun.ok && begun.status, 403);
		const made = importRows(house.as('okafor'), { batchId: 'imp_1', rows });
		assert.equal(!made.ok && made.status, 403);
	});
});
