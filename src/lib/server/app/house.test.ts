import assert from 'node:assert/strict';
import {
	existsSync,
	mkdtempSync,
	readdirSync,
	readFileSync,
	utimesSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import { openDb } from '#server/db/open.ts';
import { all, run, scalar } from '#server/db/sql.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { listLogbook } from '#server/logbook/queries.ts';
import { openApplication } from '#server/open.ts';
import { readSettings } from '#server/settings.ts';
import { fileStore } from '#server/files/store.ts';
import { listMatters, PAGE } from '#server/matters/list.ts';

import { newMatter, testHouse } from '#server/testing/house.ts';
import { makeClock } from './clock.ts';

import { newId } from './ids.ts';

const folder = () => mkdtempSync(join(tmpdir(), 'kite-db-'));

describe('the database', () => {
	it('opens with foreign keys, WAL, full synchronous writes and strict tables', () => {
		const db = openDb(join(folder(), 'a.db'));
		assert.equal(db.pragma('foreign_keys', { simple: true }), 1);
		assert.equal(db.pragma('journal_mode', { simple: true }), 'wal');
		assert.equal(db.pragma('synchronous', { simple: true }), 2);
		const loose = all<{ name: string }>(
			db,
			`SELECT name
			FROM pragma_table_list
			WHERE schema = 'main' AND type = 'table' AND strict = 0 AND name NOT LIKE 'sqlite%'`
		).map((row) => row.name);
		assert.deepEqual(loose, []);
		assert.throws(
			() =>
				run(db, "INSERT INTO cost_center (id, unit_id, code, name) VALUES ('x', 'none', '1', 'x')"),
			/FOREIGN KEY/
		);
		assert.throws(
			() =>
				run(
					db,
					"INSERT INTO rate (id, from_day, cents_per_hour) VALUES ('x', '2026-01-01', 'much')"
				),
			/cannot store TEXT/
		);
		db.close();
	});
	it('migrates once and keeps what is there when it is opened again', () => {
		const path = join(folder(), 'a.db');
		const db = openDb(path);
		run(db, "INSERT INTO setting VALUES ('department', 'Kept')");
		db.close();
		const again = openDb(path);
		assert.equal(
			scalar<string>(again, "SELECT value FROM setting WHERE name = 'department'"),
			'Kept'
		);
		assert.equal(
			again.pragma('user_version', { simple: true }),
			readdirSync('src/lib/server/db/migrations').length
		);
		again.close();
	});
});

describe('the file store', () => {
	it('keeps a file once by its hash and notices damage', () => {
		const at = folder();
		const files = fileStore(at);
		const sha = files.put(Buffer.from('contents'));
		assert.equal(files.put(Buffer.from('contents')), sha);
		assert.equal(files.get(sha).toString(), 'contents');
		assert.throws(() => files.get('../../etc/passwd'), /not the name of a file/);
		const path = join(at, sha.slice(0, 2), sha);
		assert.deepEqual(readdirSync(join(at, sha.slice(0, 2))), [sha], 'no half-written part stays');
		writeFileSync(path, 'changed');
		assert.throws(() => files.get(sha), /damaged/);
	});
});

describe('the file store, opened again', () => {
	it('takes away what a server that ended had begun, and leaves what is being written', () => {
		const at = folder();
		const sha = fileStore(at).put(Buffer.from('contents'));
		const drawer = join(at, sha.slice(0, 2));
		for (const name of ['old.1.part', 'new.2.part']) writeFileSync(join(drawer, name), 'half');
		const hours = Date.now() / 1000 - 7200;
		utimesSync(join(drawer, 'old.1.part'), hours, hours);
		fileStore(at);
		assert.deepEqual(readdirSync(drawer).sort(), [sha, 'new.2.part'].sort());
	});
});

describe('settings and the clock', () => {
	it('are read from the environment', () => {
		const settings = readSettings({
			KITE_ORIGIN: 'https://legal.example.com/',
			KITE_TODAY: '2026-11-23',
			KITE_DATA: '/x'
		});
		assert.deepEqual(
			[settings.origin, settings.secure, settings.today, settings.data],
			['https://legal.example.com', true, '2026-11-23', '/x']
		);
		assert.equal(readSettings({ PORT: '4000' }).origin, 'http://localhost:4000');
		for (const bad of ['2026-02-30', '2026-11-23T24:00', '2026-11-23 10:00', '23.11.2026'])
			assert.throws(() => readSettings({ KITE_TODAY: bad }), /KITE_TODAY is not a date/);
		assert.equal(readSettings({ KITE_TODAY: '2026-11-23T10:00' }).today, '2026-11-23T10:00');
	});
	it('pin the day and let the time of day run', () => {
		const clock = makeClock('America/Los_Angeles', '2026-11-23');
		assert.equal(clock.today(), '2026-11-23');
		assert.match(clock.now(), /^2026-11-2[34]T\d\d:\d\d:\d\d\.\d{3}Z$/);
	});
	it('set the time of day too, in the department’s zone, and keep its day when it is the next in UTC', () => {
		const clock = makeClock('America/Los_Angeles', '2026-11-23T23:30');
		assert.match(clock.now(), /^2026-11-24T07:3/);
		assert.equal(clock.today(), '2026-11-23');
		assert.match(
			makeClock('America/Los_Angeles', '2026-07-01T23:30').now(),
			/^2026-07-02T06:3/,
			'in summer an hour sooner'
		);
	});
	it('make a seal of the house’s own once, readable by nobody else', async () => {
		const data = folder();
		const world = openApplication(readSettings({ KITE_DATA: data }));
		const first = await world.seal();
		assert.ok(existsSync(join(data, 'seal.p12')));
		world.db.close();
		const again = openApplication(readSettings({ KITE_DATA: data }));
		assert.deepEqual((await again.seal()).p12, first.p12);
		assert.equal((await again.seal()).password, readFileSync(join(data, 'seal.password'), 'utf8'));
		again.db.close();
	});
});

describe('ids', () => {
	it('sort by the time they were made, also within a millisecond', () => {
		const ids = Array.from({ length: 20 }, (_, i) =>
			newId('x', 1_790_000_000_000 + Math.floor(i / 10))
		);
		assert.deepEqual([...ids].sort(), ids);
		assert.equal(new Set(ids).size, 20);
		assert.match(ids[0]!, /^x_[0-9a-z]{16}$/);
	});
});

describe('lists', () => {
	it('page, filter and search matters without minding signs that SQL would', async () => {
		const house = await testHouse();
		for (let i = 0; i < 65; i++)
			await newMatter(house, {
				title: i === 7 ? '100 % of 50_000 \\ tons' : `Matter ${i}`,
				kind: i % 2 ? 'agreement' : 'litigation',
				unitId: `unit_${i % 6}`
			});
		const me = house.staff('castellan');
		const all = listMatters(house, me, { who: 'all' });
		assert.deepEqual([all.total, all.rows.length], [65, PAGE]);
		assert.equal(listMatters(house, me, { who: 'all', page: 3 }).rows.length, 65 - 2 * PAGE);
		assert.equal(listMatters(house, me, { who: 'mine' }).total, 0);
		assert.equal(listMatters(house, me, { who: 'all', q: '100 %' }).total, 1);
		assert.equal(listMatters(house, me, { who: 'all', q: '50_000 \\' }).total, 1);
		assert.equal(listMatters(house, me, { who: 'all', q: '%' }).total, 0);
		assert.equal(listMatters(house, me, { who: 'all', q: '50_000 \\ " * NEAR(' }).total, 0);
		assert.equal(
			listMatters(house, me, { who: 'all', kind: 'agreement', unit: 'unit_1' }).total,
			11
		);
	});
	it('page and search a logbook', async () => {
		const house = await testHouse();
		const { matterId } = await newMatter(house);
		for (let i = 0; i < 120; i++)
			writeNote(house.as('okafor'), {
				matterId,
				words: `Note ${i}${i === 50 ? ' about the bell' : ''}`
			});
		const me = house.staff('okafor'),
			first = listLogbook(house, me, matterId);
		assert.ok(first.next);
		const second = listLogbook(house, me, matterId, { before: first.next });
		assert.deepEqual(
			[
				first.total,
				first.rows.length,
				new Set([...first.rows, ...second.rows].map((row) => row.id)).size,
				second.next
			],
			[first.total, 100, first.total, null]
		);
		assert.equal(
			listLogbook(house, me, matterId, { q: 'bell' }).rows[0]!.text,
			'Note 50 about the bell'
		);
		assert.equal(listLogbook(house, me, matterId, { kind: 'matter' }).total, 1);
		assert.equal(listLogbook(house, me, matterId).rows[0]!.text, 'Note 119', 'newest first');
	});
});
