import assert from 'node:assert/strict';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { it } from 'node:test';
import Database from 'better-sqlite3';
import { openDb } from './db/open.ts';

it('a database of the first version comes to the present one with nothing lost, and a copy is kept', () => {
	const path = join(mkdtempSync(join(tmpdir(), 'kite-migrate-')), 'kite-pen.db');
	const old = new Database(path);
	old.pragma('foreign_keys = ON');
	old.exec(readFileSync('src/lib/server/db/migrations/001-thread.sql', 'utf8'));
	old.pragma('user_version = 1');
	const at = '2026-01-05T10:00:00.000Z';
	old.exec(`
		INSERT INTO staff (id, login, name, initials, email, role, level, password_hash, demo) VALUES ('stf_a', 'a', 'Anna Quill', 'AQ', 'a@mail.example', 'counsel', 'lead', 'x', 0);
		INSERT INTO business_unit VALUES ('unit_0', 'Passenger', 0, 0);
		INSERT INTO matter (id, number, title, kind, status, unit_id, responsible_id, originating_id, rulebook, court, case_number, judge, caution, opened_on, created_at) VALUES ('mat_1', 'LF-2026-0001', 'Pier', 'litigation', 'open', 'unit_0', 'stf_a', 'stf_a', NULL, 'N.D. Cal.', '3:26-cv-1', 'Hon. Q', 'Only through counsel', '2026-01-05', '${at}');
		INSERT INTO matter (id, number, title, kind, status, unit_id, responsible_id, originating_id, opened_on, created_at) VALUES ('mat_2', 'LF-2026-0002', 'Bare', 'agreement', 'open', 'unit_0', 'stf_a', 'stf_a', '2026-01-05', '${at}');
		INSERT INTO person (id, kind, name, folded, former_names, email, phone, note, created_at) VALUES ('per_1', 'person', 'Halina Ironwood', 'halina ironwood', 'Halina Brightwater', 'h@mail.example', '+1 415 555 0100', 'Tall', '${at}');
		INSERT INTO matter_role (id, matter_id, person_id, role) VALUES ('rol_1', 'mat_1', 'per_1', 'opponent');
		INSERT INTO task (id, matter_id, subject, assignee_id, due, state, created_by, created_at) VALUES ('tsk_1', 'mat_1', 'Order survey', 'stf_a', '2026-02-01', 'open', 'stf_a', '${at}');
		INSERT INTO logbook (id, matter_id, at, staff_id, kind, text) VALUES ('log_1', 'mat_1', '${at}', 'stf_a', 'note', 'The kelp was slippery');
		INSERT INTO time_entry (id, staff_id, matter_id, day, minutes, narrative, created_at) VALUES ('tim_1', 'stf_a', 'mat_1', '2026-01-06', 30, 'Read the log', '${at}');`);
	old.close();
	const db = openDb(path);
	const all = (sql: string) => db.prepare(sql).all();
	assert.deepEqual(all('SELECT matter_id, fact, value FROM matter_fact ORDER BY fact'), [
		{ matter_id: 'mat_1', fact: 'case-number', value: '3:26-cv-1' },
		{ matter_id: 'mat_1', fact: 'court', value: 'N.D. Cal.' },
		{ matter_id: 'mat_1', fact: 'judge', value: 'Hon. Q' }
	]);
	assert.deepEqual(all('SELECT matter_id, text FROM matter_caution'), [
		{ matter_id: 'mat_1', text: 'Only through counsel' }
	]);
	assert.deepEqual(all('SELECT kind, name FROM person_name'), [
		{ kind: 'former', name: 'Halina Brightwater' }
	]);
	assert.deepEqual(all('SELECT kind, value FROM person_contact ORDER BY kind'), [
		{ kind: 'mail', value: 'h@mail.example' },
		{ kind: 'phone', value: '+1 415 555 0100' }
	]);
	assert.deepEqual(all('SELECT subject, state FROM task'), [
		{ subject: 'Order survey', state: 'open' }
	]);
	for (const [word, kind] of [
		['cv', 'matter'],
		['brightwater', 'person'],
		['kelp', 'note'],
		['survey', 'task'],
		['log', 'time']
	] as const)
		assert.ok(
			(
				all(
					`SELECT s.kind FROM search x JOIN search_text s ON s.id = x.rowid WHERE search MATCH '${word}'`
				) as { kind: string }[]
			).some((r) => r.kind === kind),
			word
		);
	db.prepare("UPDATE matter SET title = 'Pier nine' WHERE id = 'mat_1'").run();
	assert.equal(all("SELECT 1 FROM search WHERE search MATCH 'nine'").length, 1);
	assert.deepEqual(all('PRAGMA foreign_key_check'), []);
	assert.ok(existsSync(`${path}.before-2`), 'the copy from before');
	db.close();
});
