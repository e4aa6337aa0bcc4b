/** Documents come in with an index: each file is taken in by itself, then all of them are filed. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, scalar } from '#server/db/sql.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { fatesOf, planImport } from '#server/testing/import-plan.ts';
import { listWanted } from './index-files.ts';
import { undoImport } from './run.ts';
import {
	beginAgain,
	beginWork,
	decide,
	findWork,
	finishWork,
	giveFile,
	lookAgain,
	type Work
} from './works.ts';

const HEAD = 'Matter number,File,Name,Folder,Mark,Filed on';
let house: TestHouse;
let number: string;
const me = () => house.as('haddad');
const workOf = (id: string): Work => {
	const work = findWork(house.staff('haddad'), id);
	assert.ok(work);
	return work;
};
async function settled(work: Work): Promise<void> {
	for (let tries = 0; tries < 500; tries++) {
		if (work.state === 'ready' || work.state === 'failed') return;
		await new Promise((resolve) => setTimeout(resolve, 10));
	}
	throw new Error('the rows are still being looked at');
}
async function begin(...rows: string[]): Promise<Work> {
	const file = new File([[HEAD, ...rows].join('\n')], 'index.csv');
	const work = workOf(beginWork(me(), 'documents', file));
	await settled(work);
	return work;
}
async function give(work: Work, path: string, text: string): Promise<void> {
	const name = path.split('/').at(-1)!;
	good(await giveFile(me(), work, path, new File([text], name)));
}
async function look(work: Work): Promise<string[]> {
	lookAgain(me(), work);
	await settled(work);
	return fatesOf(work.plan!);
}
const listFiled = () =>
	all<Record<string, unknown>>(
		house.db,
		`SELECT d.number, d.name, d.folder, d.mark, substr(d.created_at, 1, 10) AS filed, v.text
		FROM document d
		JOIN document_version v ON v.document_id = d.id
		ORDER BY d.number`
	);

beforeEach(async () => {
	house = await testHouse();
	({ number } = await newMatter(house));
});

describe('documents that are imported', () => {
	it('are asked for by the index, and filed as it says', async () => {
		const work = await begin(
			`${number},Pleadings\\Complaint.txt,,Pleadings,,2026-02-11`,
			`${number},letters/adjuster.txt,Letter of the adjuster,,privileged,`
		);
		assert.deepEqual(fatesOf(work.plan!), [
			'fault: Its file is not given yet.',
			'fault: Its file is not given yet.'
		]);
		assert.deepEqual(listWanted(work), ['pleadings/complaint.txt', 'letters/adjuster.txt']);
		await give(work, 'pleadings/complaint.txt', 'The gangway was wet.');
		await give(work, 'letters/adjuster.txt', 'We reserve all rights.');
		assert.deepEqual(await look(work), [
			'new: new document in Pleadings',
			'new: new document in Correspondence, privileged'
		]);
		good(await finishWork(me(), work));
		assert.deepEqual(listFiled(), [
			{
				...{ number: `${number}-D001`, name: 'Complaint', folder: 'Pleadings', mark: '' },
				...{ filed: '2026-02-11', text: 'The gangway was wet.' }
			},
			{
				...{ number: `${number}-D002`, name: 'Letter of the adjuster', folder: 'Correspondence' },
				...{ mark: 'privileged', filed: '2026-11-23', text: 'We reserve all rights.' }
			}
		]);
		assert.equal(scalar(house.db, "SELECT count(*) FROM search WHERE search MATCH 'gangway'"), 1);
	});

	it('are not filed while one is missing or is no document, unless its row is left out', async () => {
		const work = await begin(`${number},a.txt,,,,`, `${number},b.exe,,,,`);
		await give(work, 'a.txt', 'One.');
		await give(work, 'b.exe', 'MZ');
		assert.deepEqual(await look(work), [
			'new: new document in Correspondence',
			'fault: b.exe: files may be PDF, DOCX, PNG, JPEG or plain text.'
		]);
		assert.equal((await finishWork(me(), work)).ok, false);
		decide(me(), work, 3, 'out');
		await settled(work);
		assert.equal(fatesOf(work.plan!)[1], 'known: Left out.');
		decide(me(), work, 3, null);
		await settled(work);
		assert.match(fatesOf(work.plan!)[1]!, /^fault/);
		decide(me(), work, 3, 'out');
		await settled(work);
		good(await finishWork(me(), work));
		assert.equal(listFiled().length, 1);
	});

	it('are refused where the index does not name them', async () => {
		const work = await begin(`${number},a.txt,,,,`);
		const result = await giveFile(me(), work, 'b.txt', new File(['x'], 'b.txt'));
		assert.match(JSON.stringify(result), /No row of the index names this file/);
	});

	it('are the same by their bytes: what is filed there already is not filed again', async () => {
		const matterId = scalar<string>(house.db, 'SELECT id FROM matter');
		const file = new File(['The same words.'], 'first.txt');
		good(
			await uploadDocument(house.as('okafor'), {
				...{ matterId, name: '', folder: 'Pleadings', mark: '', file }
			})
		);
		const work = await begin(
			`${number},other.txt,,,,`,
			`${number},x.txt,,,,`,
			`${number},y.txt,,,,`
		);
		await give(work, 'other.txt', 'The same words.');
		await give(work, 'x.txt', 'New words.');
		await give(work, 'y.txt', 'New words.');
		assert.deepEqual(await look(work), [
			`known: Filed there already, as ${number}-D001.`,
			'new: new document in Correspondence',
			'fault: The same file is in another row, as “x”.'
		]);
	});

	it('are taken back, and done anew without the files being given again', async () => {
		const work = await begin(`${number},a.txt,Anew,,,`);
		await give(work, 'a.txt', 'Kept words.');
		await look(work);
		const { batchId } = good(await finishWork(me(), work));
		await undoImport(me(), batchId);
		assert.deepEqual(listFiled(), []);
		assert.equal(scalar(house.db, "SELECT count(*) FROM search WHERE search MATCH 'kept'"), 0);
		const again = workOf(beginAgain(me(), batchId));
		await settled(again);
		good(await finishWork(me(), again));
		assert.deepEqual(
			listFiled().map(({ name, text }) => [name, text]),
			[['Anew', 'Kept words.']]
		);
	});

	it('of a hash that somebody writes into an index are not taken from what is kept', async () => {
		const matterId = scalar<string>(house.db, 'SELECT id FROM matter');
		const file = new File(['Secret words.'], 'secret.txt');
		good(
			await uploadDocument(house.as('okafor'), {
				...{ matterId, name: '', folder: 'Pleadings', mark: '', file }
			})
		);
		const sha = scalar<string>(house.db, 'SELECT sha256 FROM document_version');
		const lines = [`${HEAD},SHA-256 of the file`, `${number},a.txt,,,,,${sha}`];
		const work = workOf(beginWork(me(), 'documents', new File([lines.join('\n')], 'index.csv')));
		await settled(work);
		assert.deepEqual(listWanted(work), ['a.txt']);
	});

	it('say all that is wrong with a row', async () => {
		const { rows } = await planImport(house, 'documents', [
			HEAD,
			`LF-1999-0001,a.txt,,${'f'.repeat(61)},secret,2027-01-01`
		]);
		const [row] = rows;
		assert.deepEqual(
			row!.faults.map(({ key }) => key),
			['matter', 'filed', 'mark', 'folder', 'file']
		);
	});
});
