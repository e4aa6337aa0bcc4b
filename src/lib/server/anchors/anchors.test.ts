/** Heads of the audit trail are kept outside the database, signed, once a day. */
import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, it } from 'node:test';
import { findHead } from '#server/access/audit.ts';
import { all } from '#server/db/sql.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { certificateFile, readAnchors } from './file.ts';
import { keepHead } from './keep.ts';
import { setHeadReaders } from './readers.ts';

let house: TestHouse;
let folder = '';
let file = '';
before(async () => {
	house = await testHouse();
	await newMatter(house);
	folder = mkdtempSync(join(tmpdir(), 'kite-heads-'));
	file = join(folder, 'heads.log');
});
after(() => rmSync(folder, { recursive: true }));
const anchors = () => readAnchors(file, readFileSync(certificateFile(file), 'utf8'));
const mails = () =>
	all<{ recipient: string; text: string }>(
		house.db,
		"SELECT recipient, text FROM mail_out WHERE subject LIKE 'Head of the audit trail%'"
	);

it('goes to those an administrator named, and into the file, once a day', async () => {
	bad(setHeadReaders(house.as('okafor'), { staffIds: ['stf_okafor'] }));
	bad(setHeadReaders(house.as('harrowgate'), { staffIds: ['stf_nobody'] }));
	good(setHeadReaders(house.as('harrowgate'), { staffIds: ['stf_okafor', 'stf_castellan'] }));
	assert.equal((await keepHead(house, file)).worked, 1);
	assert.equal((await keepHead(house, file)).worked, 0);
	assert.equal(mails().length, 2);
	const [first] = anchors();
	assert.ok(first?.ok);
	assert.ok(mails()[0]!.text.includes(first.anchor.head));
	const found = findHead(house.db, first.anchor.head);
	assert.ok(typeof found === 'object' && found.seq === first.anchor.entries);
	house.set('2026-11-24');
	assert.equal((await keepHead(house, file)).worked, 1);
	assert.equal(anchors().length, 2);
});
it('is not marked as done on a day its file could not be written', async () => {
	house.set('2026-11-25');
	await assert.rejects(keepHead(house, join(folder, 'missing', 'heads.log')));
	assert.equal((await keepHead(house, file)).worked, 1);
});
it('shows a line that was changed, and one that is none', () => {
	const lines = readFileSync(file, 'utf8').trim().split('\n');
	const changed = lines[0]!.replace(/"head":"./, (text) =>
		text.endsWith('0') ? '"head":"1' : '"head":"0'
	);
	writeFileSync(file, [changed, 'no line', ...lines.slice(1)].join('\n'));
	assert.deepEqual(
		anchors().map((line) => (line.ok ? 'good' : line.why)),
		['its signature is not the seal’s', 'it is no line of heads', 'good', 'good']
	);
});
