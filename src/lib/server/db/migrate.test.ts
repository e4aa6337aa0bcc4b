import assert from 'node:assert/strict';
import {
	cpSync,
	existsSync,
	mkdtempSync,
	readdirSync,
	readFileSync,
	rmSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import Database from 'better-sqlite3';
import { copyDemo } from '../../../../demo/once.ts';
import { migrate } from './migrate.ts';
import { openDb } from './open.ts';
import { all, exists, maybeOne, one, run, scalar } from '#server/db/sql.ts';

it('a database of the first version comes to the present one with nothing lost, and a copy is kept', () => {
	const path = join(mkdtempSync(join(tmpdir(), 'kite-migrate-')), 'kite-pen.db');
	const old = new Database(path);
	old.pragma('foreign_keys = ON');
	old.exec(readFileSync('src/lib/server/db/migrations/001-thread.sql', 'utf8'));
	old.pragma('user_version = 1');
	const at = '2026-01-05T10:00:00.000Z';
	old.exec(`INSERT INTO staff (id, login, name, initials, email, role, level, password_hash, demo)
		VALUES ('stf_a', 'a', 'Anna Quill', 'AQ', 'a@mail.example', 'counsel', 'lead', 'x', 0);
		INSERT INTO business_unit VALUES ('unit_0', 'Passenger', 0, 0);
		INSERT INTO matter (
			id, number, title, kind, status, unit_id, responsible_id, originating_id, rulebook, court,
			case_number, judge, caution, opened_on, created_at
		)
		VALUES (
			'mat_1', 'LF-2026-0001', 'Pier', 'litigation', 'open', 'unit_0', 'stf_a', 'stf_a', NULL,
			'N.D. Cal.', '3:26-cv-1', 'Hon. Q', 'Only through counsel', '2026-01-05', '${at}'
		);
		INSERT INTO matter (
			id, number, title, kind, status, unit_id, responsible_id, originating_id, opened_on,
			created_at
		)
		VALUES (
			'mat_2', 'LF-2026-0002', 'Bare', 'agreement', 'open', 'unit_0', 'stf_a', 'stf_a',
			'2026-01-05', '${at}'
		);
		INSERT INTO person (id, kind, name, folded, former_names, email, phone, note, created_at)
		VALUES (
			'per_1', 'person', 'Halina Ironwood', 'halina ironwood', 'Halina Brightwater',
			'h@mail.example', '+1 415 555 0100', 'Tall', '${at}'
		);
		INSERT INTO matter_role (id, matter_id, person_id, role)
		VALUES ('rol_1', 'mat_1', 'per_1', 'opponent');
		INSERT INTO task (id, matter_id, subject, assignee_id, due, state, created_by, created_at)
		VALUES ('tsk_1', 'mat_1', 'Order survey', 'stf_a', '2026-02-01', 'open', 'stf_a', '${at}');
		INSERT INTO event (
			id, matter_id, event_key, text, name, book, book_version, date, time, ahead, entered_by,
			entered_at
		)
		VALUES
			(
				'evt_1', 'mat_1', 'hearing-of-a-motion', 'Hearing of a motion', 'to strike',
				'us-federal.ca-nd', '1', '2199-03-01', '10:00', 'hearing', 'stf_a', '${at}'
			),
			(
				'evt_2', 'mat_1', 'by-hand', 'Conference', '', '', '', '2020-03-02', NULL, 'hearing',
				'stf_a', '${at}'
			);
		INSERT INTO logbook (id, matter_id, at, staff_id, kind, text)
		VALUES ('log_1', 'mat_1', '${at}', 'stf_a', 'note', 'The kelp was slippery');
		INSERT INTO time_entry (id, staff_id, matter_id, day, minutes, narrative, created_at)
		VALUES ('tim_1', 'stf_a', 'mat_1', '2026-01-06', 30, 'Read the log', '${at}');`);
	old.close();
	const db = openDb(path);
	const rows = (sql: string) => all(db, sql);
	assert.deepEqual(rows('SELECT matter_id, fact, value FROM matter_fact ORDER BY fact'), [
		{ matter_id: 'mat_1', fact: 'case-number', value: '3:26-cv-1' },
		{ matter_id: 'mat_1', fact: 'court', value: 'N.D. Cal.' },
		{ matter_id: 'mat_1', fact: 'judge', value: 'Hon. Q' }
	]);
	assert.deepEqual(rows('SELECT matter_id, text FROM matter_caution'), [
		{ matter_id: 'mat_1', text: 'Only through counsel' }
	]);
	assert.deepEqual(rows('SELECT kind, name FROM person_name'), [
		{ kind: 'former', name: 'Halina Brightwater' }
	]);
	assert.deepEqual(rows('SELECT kind, value FROM person_contact ORDER BY kind'), [
		{ kind: 'mail', value: 'h@mail.example' },
		{ kind: 'phone', value: '+1 415 555 0100' }
	]);
	assert.deepEqual(rows('SELECT subject, state FROM task'), [
		{ subject: 'Order survey', state: 'open' }
	]);
	assert.deepEqual(
		rows('SELECT title, state, sort, result, date, time FROM deadline ORDER BY date'),
		[
			{
				title: 'Conference',
				state: 'met',
				sort: 'hearing',
				result: 'held',
				date: '2020-03-02',
				time: null
			},
			{
				title: 'Hearing of a motion, to strike',
				state: 'docketed',
				sort: 'hearing',
				result: null,
				date: '2199-03-01',
				time: '10:00'
			}
		]
	);
	for (const [word, kind] of [
		['cv', 'matter'],
		['brightwater', 'person'],
		['kelp', 'note'],
		['survey', 'task'],
		['log', 'time']
	] as const)
		assert.ok(
			(
				rows(
					`SELECT s.kind
					FROM search x
					JOIN search_text s ON s.id = x.rowid
					WHERE search MATCH '${word}'`
				) as { kind: string }[]
			).some((each) => each.kind === kind),
			word
		);
	run(db, "UPDATE matter SET title = 'Pier nine' WHERE id = 'mat_1'");
	assert.equal(rows("SELECT 1 FROM search WHERE search MATCH 'nine'").length, 1);
	assert.deepEqual(rows('PRAGMA foreign_key_check'), []);
	assert.ok(existsSync(`${path}.before-2`), 'the copy from before');
	db.close();
});

const MIGRATIONS = 'src/lib/server/db/migrations';
/** A folder with the real migrations and further ones. */
function migrationsWith(more: Record<string, string>): string {
	const folder = mkdtempSync(join(tmpdir(), 'kite-migrations-'));
	cpSync(MIGRATIONS, folder, { recursive: true });
	for (const [name, sql] of Object.entries(more)) writeFileSync(join(folder, name), sql);
	return folder;
}
/** The demo's database, opened as the server opens it. */
function demoDatabase() {
	const folder = mkdtempSync(join(tmpdir(), 'kite-migrate-demo-'));
	copyDemo(folder);
	const path = join(folder, 'kite-pen.db');
	return { path, db: openDb(path) };
}
const count = (db: ReturnType<typeof openDb>, sql: string) =>
	scalar(db, `SELECT count(*) AS n FROM ${sql}`);

describe('a migration', () => {
	const REBUILD = `
		CREATE TABLE logbook_new (
			id TEXT PRIMARY KEY,
			matter_id TEXT NOT NULL REFERENCES matter(id),
			at TEXT NOT NULL,
			staff_id TEXT REFERENCES staff(id),
			kind TEXT NOT NULL,
			text TEXT NOT NULL CHECK (text <> ''),
			link TEXT,
			asks INTEGER NOT NULL DEFAULT 0 CHECK (asks IN (0, 1)),
			answers TEXT REFERENCES logbook(id)
		) STRICT;
		INSERT INTO logbook_new SELECT id, matter_id, at, staff_id, kind, text, link, asks, answers FROM logbook;
		DROP TABLE logbook;
		ALTER TABLE logbook_new RENAME TO logbook;
		CREATE INDEX logbook_matter ON logbook(matter_id, at DESC);`;

	it('rebuilds a table that others refer to, with every row and every reference as it was', () => {
		const { path, db } = demoDatabase();
		const next = readdirSync(MIGRATIONS).length + 1;
		const before = [count(db, 'logbook'), count(db, 'logbook_mention'), count(db, 'logbook_tag')];
		assert.ok(
			before.every((n) => n > 0),
			`the demo has entries, mentions and tags: ${before.join(', ')}`
		);
		migrate(
			db,
			path,
			migrationsWith({ [`${String(next).padStart(3, '0')}-rebuild.sql`]: REBUILD })
		);
		assert.deepEqual(
			[count(db, 'logbook'), count(db, 'logbook_mention'), count(db, 'logbook_tag')],
			before
		);
		assert.equal(db.pragma('user_version', { simple: true }), next);
		assert.deepEqual(db.pragma('foreign_key_check'), []);
		assert.equal(db.pragma('foreign_keys', { simple: true }), 1, 'foreign keys hold again');
		const mention = maybeOne<{ table: string }>(
			db,
			'SELECT "table" FROM pragma_foreign_key_list(\'logbook_mention\') WHERE "from" = \'log_id\''
		);
		assert.equal(mention?.table, 'logbook', 'the others still refer to the rebuilt table');
		assert.throws(
			() => db.exec('DELETE FROM logbook WHERE id IN (SELECT log_id FROM logbook_mention)'),
			/FOREIGN KEY/
		);
		db.close();
	});

	it('that leaves a broken reference is not kept', () => {
		const { path, db } = demoDatabase();
		const next = readdirSync(MIGRATIONS).length + 1;
		const before = count(db, 'staff');
		const folder = migrationsWith({
			[`${String(next).padStart(3, '0')}-lose.sql`]: "DELETE FROM staff WHERE login = 'okafor'"
		});
		assert.throws(() => migrate(db, path, folder), /broken references/);
		assert.equal(count(db, 'staff'), before);
		assert.equal(db.pragma('user_version', { simple: true }), next - 1);
		assert.equal(db.pragma('foreign_keys', { simple: true }), 1);
		db.close();
	});

	it('that fails twice does not stop the good one after it, and the copy from before opens', () => {
		const { path, db } = demoDatabase();
		const next = readdirSync(MIGRATIONS).length + 1;
		const name = `${String(next).padStart(3, '0')}-more.sql`;
		const matters = count(db, 'matter');
		const bad = migrationsWith({
			[name]: 'CREATE TABLE more (id TEXT PRIMARY KEY) STRICT; INSERT INTO nowhere VALUES (1);'
		});
		for (let time = 0; time < 2; time++) {
			assert.throws(() => migrate(db, path, bad), /nowhere/);
			assert.equal(db.pragma('user_version', { simple: true }), next - 1);
			assert.equal(exists(db, "SELECT 1 FROM sqlite_schema WHERE name = 'more'"), false);
		}
		// A copy that was cut off, as by a full disk.
		writeFileSync(`${path}.before-${next}.part`, 'half');
		migrate(
			db,
			path,
			migrationsWith({ [name]: 'CREATE TABLE more (id TEXT PRIMARY KEY) STRICT;' })
		);
		assert.equal(count(db, 'more'), 0);
		assert.equal(existsSync(`${path}.before-${next}.part`), false);
		const copy = new Database(`${path}.before-${next}`, { readonly: true });
		assert.equal(count(copy, 'matter'), matters);
		assert.equal(copy.pragma('user_version', { simple: true }), next - 1);
		copy.close();
		db.close();
		rmSync(path);
	});
});

it('mail about a request that went into a matter is read by those who may see the matter, also where it was sent before', () => {
	const { path, db } = demoDatabase();
	const request = one<{ id: string; matter_id: string }>(
		db,
		'SELECT id, matter_id FROM request WHERE matter_id IS NOT NULL LIMIT 1'
	);
	const open = one<{ id: string }>(db, "SELECT id FROM request WHERE state = 'sent' LIMIT 1");
	const write = (id: string, requestId: string) =>
		run(
			db,
			`INSERT INTO mail_out (id, recipient, subject, text, queued_at)
			VALUES (@id, 'w@mail.example', 'A request', @text, '2026-11-01T10:00:00.000Z')`,
			{ id, text: `Read it:\nhttp://localhost/requests/${requestId}\n` }
		);
	write('of a matter', request.id);
	write('of none', open.id);
	// As if it were the fourth version still, and only the fifth came after it.
	const folder = migrationsWith({});
	for (const name of readdirSync(folder)) if (name > '006') rmSync(join(folder, name));
	db.pragma('user_version = 4');
	migrate(db, path, folder);
	assert.deepEqual(all(db, "SELECT id, matter_id FROM mail_out WHERE id LIKE 'of %' ORDER BY id"), [
		{ id: 'of a matter', matter_id: request.matter_id },
		{ id: 'of none', matter_id: null }
	]);
	db.close();
});
