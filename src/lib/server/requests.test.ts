import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import ExcelJS from 'exceljs';
import { store } from './documents/commands.ts';
import { documents } from './documents/queries.ts';
import { batches, importRows, undoImport } from './imports/commands.ts';
import { guess, judgeFor, planRows } from './imports/plan.ts';
import { readTable } from './imports/read.ts';
import { beginImport, finishImport, remap, sample, workOf } from './imports/work.ts';
import { openMatter } from './matters/commands.ts';
import { matterList } from './matters/list.ts';
import { caption, logbook } from './matters/queries.ts';
import { peopleList } from './people/queries.ts';
import {
	answerRequest,
	askBack,
	dropDraft,
	mergeRequest,
	takeRequest,
	turnDown,
	withdrawRequest,
	writeRequest
} from './requests/commands.ts';
import { myRequests, request, requestFile, requestQueue } from './requests/queries.ts';
import { search } from './search/queries.ts';
import { addTask } from './agenda/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

let h: TestHouse;
beforeEach(async () => {
	h = await testHouse();
});
const send = (more: object = {}) =>
	good(
		writeRequest(h.as('tarrant'), {
			about: 'Supplier wants a longer term',
			words: 'They ask for five years.',
			unitId: 'unit_4',
			counterparty: 'Quoin Catering LLC',
			urgency: 'soon',
			send: true,
			...more
		})
	);
const wes = () => h.staff('tarrant');

describe('a request', () => {
	it('is kept as a draft that nobody else sees, then sent, and found', async () => {
		const d = good(writeRequest(h.as('tarrant'), { about: 'Half a thought' }));
		assert.deepEqual(
			[
				request(h, h.staff('okafor'), d.requestId),
				requestQueue(h, h.staff('okafor'), 'open').length,
				search(h, h.staff('okafor'), 'thought').length
			],
			[undefined, 0, 0]
		);
		assert.match(
			bad(
				writeRequest(h.as('tarrant'), {
					requestId: d.requestId,
					about: 'Half a thought',
					send: true
				})
			).unitId!,
			/business unit/
		);
		const s = good(
			writeRequest(h.as('tarrant'), {
				requestId: d.requestId,
				about: 'A whole thought',
				unitId: 'unit_0',
				send: true,
				files: [await store(h, 'a.txt', Buffer.from('x'))]
			})
		);
		assert.equal(s.number, 'RQ-2026-0001');
		assert.deepEqual(
			requestQueue(h, h.staff('okafor'), 'open').map((r) => [r.about, r.files]),
			[['A whole thought', 1]]
		);
		assert.equal(search(h, h.staff('okafor'), 'whole thought')[0]?.kind, 'request');
		assert.ok(h.db.prepare("SELECT 1 FROM mail_out WHERE subject LIKE 'RQ-2026-0001%'").get());
		assert.match(
			Object.values(bad(dropDraft(h.as('tarrant'), { requestId: d.requestId })))[0]!,
			/withdraw it/
		);
	});
	it('goes to and fro, and ends with a reason', () => {
		const { requestId } = send();
		good(takeRequest(h.as('abernathy'), { requestId }));
		good(askBack(h.as('abernathy'), { requestId, words: 'Who signs for them?' }));
		assert.equal(myRequests(h, wes())[0]!.state, 'asked');
		good(answerRequest(h.as('tarrant'), { requestId, words: 'Their director.' }));
		assert.deepEqual(
			request(h, wes(), requestId)!.talk.map((t) => t.kind),
			['state', 'state', 'question', 'answer']
		);
		assert.match(bad(turnDown(h.as('abernathy'), { requestId, reason: ' ' })).reason!, /missing/);
		good(turnDown(h.as('abernathy'), { requestId, reason: 'The contract runs until 2028.' }));
		assert.equal(request(h, wes(), requestId)!.reason, 'The contract runs until 2028.');
		for (const r of [
			answerRequest(h.as('tarrant'), { requestId, words: 'x' }),
			withdrawRequest(h.as('tarrant'), { requestId }),
			takeRequest(h.as('reyes'), { requestId })
		])
			assert.match(Object.values(bad(r))[0]!, /finished/);
		const two = send();
		good(withdrawRequest(h.as('tarrant'), { requestId: two.requestId, reason: 'Solved' }));
		assert.equal(requestQueue(h, h.staff('okafor'), 'done').length, 2);
	});
	it('becomes a matter with everything in it, and nothing typed twice', async () => {
		const { requestId } = send({
			files: [await store(h, 'offer.txt', Buffer.from('five years at the old price'))]
		});
		good(askBack(h.as('okafor'), { requestId, words: 'Which vessels?' }));
		good(answerRequest(h.as('tarrant'), { requestId, words: 'All four.' }));
		const m = good(
			openMatter(h.as('okafor'), {
				kind: 'agreement',
				title: 'Supplier wants a longer term',
				unitId: 'unit_4',
				responsibleId: 'stf_okafor',
				opponentName: 'Quoin Catering LLC',
				requestId
			})
		);
		const all = logbook(h, h.staff('okafor'), m.matterId)
			.rows.map((r) => r.text)
			.join('\n');
		for (const w of [
			'They ask for five years.',
			'Which vessels?',
			'All four.',
			'offer.txt filed as'
		])
			assert.ok(all.includes(w), w);
		assert.deepEqual(
			documents(h, h.staff('okafor'), { matterId: m.matterId }).rows.map((d) => d.name),
			['offer']
		);
		assert.equal(search(h, h.staff('okafor'), 'old price')[0]?.kind, 'document');
		const seen = request(h, wes(), requestId)!;
		assert.deepEqual(
			[seen.state, seen.handler, seen.matter],
			['matter', 'Ines Okafor', null],
			'its writer is not told which matter'
		);
		assert.match(
			Object.values(
				bad(
					openMatter(h.as('okafor'), {
						kind: 'agreement',
						title: 'again',
						unitId: 'unit_4',
						responsibleId: 'stf_okafor',
						requestId
					})
				)
			)[0]!,
			/a matter already/
		);
	});
	it('joins a matter that exists; of a restricted one its writer learns no name, and the department nothing', () => {
		const m = newMatter(h, { restricted: true });
		const { requestId } = send();
		assert.match(
			bad(mergeRequest(h.as('abernathy'), { requestId, number: m.number })).number!,
			/no matter .* that you may see/
		);
		good(mergeRequest(h.as('okafor'), { requestId, number: m.number }));
		assert.deepEqual(
			[request(h, wes(), requestId)!.handler, request(h, wes(), requestId)!.inWork],
			[null, true]
		);
		assert.deepEqual(
			[
				request(h, h.staff('abernathy'), requestId),
				requestQueue(h, h.staff('abernathy'), 'done').length
			],
			[undefined, 0]
		);
		assert.equal(request(h, h.staff('okafor'), requestId)!.matter?.number, m.number);
	});
	it('is its writer’s and the department’s: no other business partner, no role of a partner in the queue', () => {
		const { requestId } = send();
		h.db
			.prepare(
				"INSERT INTO staff (id, login, name, initials, email, role, level, password_hash, active, demo) SELECT 'stf_other', 'other', 'Other Partner', 'OP', 'o@larkhaven.example', role, level, password_hash, active, demo FROM staff WHERE id = 'stf_tarrant'"
			)
			.run();
		const other = { ...wes(), id: 'stf_other' };
		assert.equal(request(h, other, requestId), undefined);
		assert.equal(requestFile(h, other, requestId, 'x'), undefined);
		assert.equal(
			Object.values(
				bad(answerRequest({ ...h, actor: { staff: other } }, { requestId, words: 'x' }))
			)[0],
			'There is no such request, or it is not yours to see.'
		);
		assert.equal(takeRequest(h.as('tarrant'), { requestId }).ok, false);
		assert.equal(search(h, wes(), 'supplier').length, 0);
	});
});

describe('an import', () => {
	const table = (csv: string) => readTable(Buffer.from(csv));
	const plan = async (what: 'units' | 'people' | 'matters', csv: string) => {
		const t = await table(csv);
		return planRows(judgeFor(h, h.staff('haddad'), what), what, t, guess(what, t.head, null));
	};
	const refused = (p: Promise<unknown>, words: RegExp) =>
		assert.rejects(p, (e: Error) => words.test(e.message));
	it('refuses files that are not tables, in words that help', async () => {
		await refused(readTable(Buffer.alloc(0)), /empty/);
		await refused(
			readTable(Buffer.from([0x4e, 0x61, 0x6d, 0x65, 0x0a, 0x4d, 0xfc, 0x6c])),
			/not written in UTF-8/
		);
		await refused(table('Name\n"Anna'), /Line \d+ cannot be read as CSV/);
		await refused(table('Name,name\na,b'), /Two columns are called/);
		await refused(table('Name\n'), /no row below/);
		await refused(table('Name,Note\nAnna,=1+1'), /Row 2, “Note”: =1\+1 looks like a formula/);
		await refused(table(`Name\n${'Anna\n'.repeat(20_001)}`), /more than 20,000 rows/);
		await refused(readTable(Buffer.from('PK nonsense')), /workbook cannot be read/);
		const book = new ExcelJS.Workbook();
		const s = book.addWorksheet('x');
		s.addRow(['Name']);
		s.getCell('A2').value = { formula: '1+1', result: 2 } as ExcelJS.CellFormulaValue;
		await refused(readTable(Buffer.from(await book.xlsx.writeBuffer())), /Cell A2 is a formula/);
	});
	it('reads commas, semicolons, UTF-16 and workbooks alike, and guesses the columns', async () => {
		for (const data of [
			Buffer.from('\uFEFFFull name;E-mail\r\nZoë;z@mail.example'),
			Buffer.from('\uFEFFFull name\tE-mail\nZoë\tz@mail.example', 'utf16le')
		]) {
			const t = await readTable(data);
			assert.deepEqual(
				[t.rows[0]!.cells, guess('people', t.head, null)],
				[['Zoë', 'z@mail.example'], { name: 'Full name', mail: 'E-mail' }]
			);
		}
		for (const what of ['units', 'people', 'matters'] as const) {
			const [csv, xlsx] = [
				await readTable(await sample(what, 'csv')),
				await readTable(await sample(what, 'xlsx'))
			];
			assert.deepEqual(csv.head, xlsx.head);
			assert.deepEqual(
				csv.rows.map((r) => r.cells),
				xlsx.rows.map((r) =>
					r.cells.concat(Array(csv.head.length).fill('')).slice(0, csv.head.length)
				)
			);
			assert.equal(
				planRows(judgeFor(h, h.staff('haddad'), what), what, csv, guess(what, csv.head, null))
					.faults,
				0,
				what
			);
		}
	});
	it('says the fate of each row and why', async () => {
		good(
			importRows(h.as('haddad'), {
				what: 'people',
				fileName: 'a.csv',
				header: [],
				mapping: {},
				rows: [{ n: 2, values: { name: 'Quoin Staffing LLC' } }]
			})
		);
		const p = await plan(
			'people',
			'Name,Kind,Mail\nAnna Quill,person,a@mail.example\nQuoin Staffing L.L.C,,\nquoin staffing llc,,\n,,x\nBob,alien,\nBob,,nonsense\nanna QUILL,,'
		);
		assert.deepEqual(
			p.rows.map((r) => [r.n, r.fate, r.say]),
			[
				[2, 'new', 'new card'],
				[3, 'new', 'new card; near to Quoin Staffing LLC, look at both afterwards'],
				[4, 'known', 'There is a card for Quoin Staffing LLC already: it stays as it is.'],
				[5, 'fault', 'Name is missing.'],
				[6, 'fault', '“alien” is neither person nor organization.'],
				[7, 'fault', 'nonsense is not a mail address.'],
				[8, 'known', 'There is a card for Anna Quill already: it stays as it is.']
			]
		);
		const m = await plan(
			'matters',
			'Title,Kind,Unit,Lawyer,Opened\nA,Litigation,Passenger,okafor,2025-03-01\nB,Poem,Passenger,okafor,\nC,Litigation,Moon,okafor,\nD,Litigation,Passenger,nobody,\nE,Litigation,Passenger,okafor,31 Feb 2026\nA,Litigation,Passenger,okafor,'
		);
		assert.deepEqual(
			m.rows.map((r) => r.fate),
			['new', 'fault', 'fault', 'fault', 'fault', 'fault']
		);
		assert.match(m.rows[1]!.say, /no kind “Poem”. Kinds are: Litigation/);
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
				].map((t) => h.db.prepare<[], { n: number }>(`SELECT count(*) AS n FROM ${t}`).get()!.n)
			);
		const before = counts();
		const p = await plan(
			'matters',
			'Title,Kind,Unit,Lawyer,Opened,Other side,Their number,Court,First note\nBerth 6,Litigation,Passenger,okafor,2025-03-01,Sablewood Dredging Co.,INS-1,N.D. Cal.,Old list\nCrew deal,Agreement review,Corporate,Tamsin Wardle,,Sablewood Dredging Co.,,,'
		);
		const rows = p.rows.map((r) => ({ n: r.n, values: r.values }));
		const input = {
			what: 'matters' as const,
			fileName: 'old.csv',
			header: ['Title'],
			mapping: { title: 'Title' },
			rows
		};
		assert.match(
			Object.values(
				bad(
					importRows(h.as('haddad'), {
						...input,
						rows: [
							...rows,
							{
								n: 9,
								values: {
									title: 'Bad',
									kind: 'Litigation',
									unit: 'Passenger',
									lawyer: 'okafor',
									party: '!!!'
								}
							}
						]
					})
				)
			)[0]!,
			/letters or digits/
		);
		assert.equal(counts(), before, 'nothing half done');
		const { batchId } = good(importRows(h.as('haddad'), input));
		const list = matterList(h, h.staff('okafor'), { who: 'all' }).rows;
		assert.deepEqual(list.map((r) => [r.number, r.title, r.openedOn]).sort(), [
			['LF-2025-0001', 'Berth 6', '2025-03-01'],
			['LF-2026-0001', 'Crew deal', '2026-11-23']
		]);
		assert.equal(peopleList(h, h.staff('okafor'), {}).total, 1, 'one card for the same other side');
		assert.equal(matterList(h, h.staff('okafor'), { who: 'all', q: 'INS-1' }).total, 1);
		const task = good(
			addTask(h.as('okafor'), {
				matterId: list[0]!.id,
				subject: 'x',
				assigneeId: 'stf_okafor',
				due: null,
				deadlineId: null
			})
		).taskId;
		assert.match(
			Object.values(bad(undoImport(h.as('haddad'), { batchId })))[0]!,
			/has tasks\. Nothing was taken back|has tasks/
		);
		h.db.prepare('DELETE FROM task WHERE id = ?').run(task);
		h.db.prepare('DELETE FROM logbook WHERE kind = ?').run('task');
		good(undoImport(h.as('haddad'), { batchId }));
		assert.equal(counts(), before);
		assert.ok(batches(h, h.staff('haddad'))[0]!.undoneAt);
		assert.match(Object.values(bad(undoImport(h.as('haddad'), { batchId })))[0]!, /already/);
	});
	it('refuses parents that go in a circle', async () => {
		const p = await plan('people', 'Name,Parent\nAlpha Group,Beta Group\nBeta Group,Alpha Group');
		assert.match(
			Object.values(
				bad(
					importRows(h.as('haddad'), {
						what: 'people',
						fileName: 'x',
						header: [],
						mapping: {},
						rows: p.rows.map((r) => ({ n: r.n, values: r.values }))
					})
				)
			)[0]!,
			/each other’s parent/
		);
		assert.equal(peopleList(h, h.staff('okafor'), {}).total, 0);
	});
	it('of thousands of rows is judged in pieces, remembers its columns, and stops for a bad row', async () => {
		const rows = Array.from(
			{ length: 3000 },
			(_, i) => `Person No ${i} ${'abcdefghij'[i % 10]}x,p${i}@mail.example`
		);
		const id = beginImport(
			h,
			h.staff('haddad'),
			'people',
			'big.csv',
			Buffer.from(`Who,Post\n${rows.join('\n')}\n`)
		);
		const until = async (state: string) => {
			for (let i = 0; i < 2000 && workOf(h.staff('haddad'), id)!.state !== state; i++)
				await new Promise((r) => setTimeout(r, 5));
			return workOf(h.staff('haddad'), id)!;
		};
		let w = await until('ready');
		assert.equal(workOf(h.staff('okafor'), id), undefined, 'another’s import is not there');
		assert.equal(w.plan!.faults, 3000, 'no column is the name yet');
		assert.throws(() => finishImport(h.as('haddad'), w), /3000 rows have faults/);
		await remap(h, h.staff('haddad'), w, { name: 'Who', mail: 'Post', nothing: 'Post' });
		w = await until('ready');
		assert.deepEqual([w.plan!.made, w.done, w.total], [3000, 3000, 3000]);
		good(finishImport(h.as('haddad'), w));
		assert.equal(peopleList(h, h.staff('okafor'), {}).total, 3000);
		const again = beginImport(
			h,
			h.staff('haddad'),
			'people',
			'big.csv',
			Buffer.from('Who,Post\nNew One,n@mail.example\n')
		);
		for (let i = 0; i < 400 && workOf(h.staff('haddad'), again)!.state !== 'ready'; i++)
			await new Promise((r) => setTimeout(r, 5));
		assert.deepEqual(workOf(h.staff('haddad'), again)!.mapping, { name: 'Who', mail: 'Post' });
	});
	it('is for those who may', () => {
		assert.equal(
			importRows(h.as('okafor'), {
				what: 'units',
				fileName: 'x',
				header: [],
				mapping: {},
				rows: []
			}).ok,
			false
		);
		assert.ok(caption(h, h.staff('okafor'), 'LF-1') === undefined);
	});
});
