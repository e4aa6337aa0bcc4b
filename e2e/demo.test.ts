/** The demo can be made on any day, is the same each time, and holds what it promises. */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { it } from 'node:test';
import Database from 'better-sqlite3';
import { totals } from '#core/costs/run.ts';
import { verifyAudit } from '#server/access/audit.ts';
import type { Application } from '#server/app/application.ts';
import { listRunLines } from '#server/costs/queries.ts';
import { all, scalar } from '#server/db/sql.ts';
import { makeDemo } from '../bin/prepare.mjs';
import { demoFolder, demoTwin } from '../demo/once.ts';

function make(today: string): { db: Database.Database; end(): void } {
	const data = mkdtempSync(join(tmpdir(), 'kite-demo-'));
	const child = spawnSync(process.execPath, [makeDemo], {
		env: { ...process.env, KITE_DATA: data, KITE_TODAY: today },
		encoding: 'utf8'
	});
	assert.equal(child.status, 0, `${today}: ${child.stderr}`);
	const db = new Database(join(data, 'kite-pen.db'), { readonly: true });
	return {
		db,
		end: () => {
			db.close();
			rmSync(data, { recursive: true, force: true });
		}
	};
}
const count = (db: Database.Database, sql: string) =>
	scalar(db, `SELECT count(*) AS n FROM ${sql}`);

/**
 * The last day of a February of 29 days, and a Sunday: the days that counting gets wrong. It is
 * made early in the morning, 16:15 in UTC.
 */
const ODD_DAY = '2032-02-29';

it('is made on any day, whole', () => {
	const { db, end } = make(`${ODD_DAY}T08:15`);
	assert.equal(count(db, 'matter'), 76);
	assert.ok(count(db, "matter WHERE status = 'closed'") >= 24, 'what is behind it');
	assert.equal(count(db, 'person'), 220);
	assert.ok(count(db, 'document') >= 140);
	assert.ok(count(db, 'time_entry') > 5000, 'three years of time');
	assert.ok(count(db, "cost_run WHERE state = 'approved'") >= 33);
	assert.ok(count(db, "deadline WHERE state = 'docketed' AND checked_by IS NULL") >= 4);
	const missed = `deadline WHERE state = 'docketed' AND date < '${ODD_DAY}'`;
	assert.equal(count(db, `${missed} AND title = 'Notice of appeal'`), 1, 'one date was missed');
	assert.equal(count(db, `logbook WHERE at > '${ODD_DAY}T16:30'`), 0, 'nothing is still to come');
	const early = `document o
		JOIN document_version v ON v.document_id = o.id
		JOIN matter m ON m.id = o.matter_id
		WHERE v.created_at < m.opened_on`;
	assert.equal(count(db, early), 0, 'no paper is filed before its matter is open');
	const after = 'time_entry t JOIN matter m ON m.id = t.matter_id WHERE t.day > m.closed_on';
	assert.equal(count(db, after), 0, 'no time on what is closed');
	const soon = `exhibit WHERE ruling IS NOT NULL AND matter_id NOT IN (
		SELECT matter_id FROM event WHERE event_key = 'judgment-entered'
	)`;
	assert.equal(count(db, soon), 0, 'no exhibit is ruled on before a trial');
	assert.ok(verifyAudit(db).ok);
	for (const row of all<{ id: string }>(db, 'SELECT id FROM cost_run'))
		assert.ok(totals(listRunLines({ db } as Application, row.id)).agrees);
	end();
});
it('is the same each time, but for ids and keys', () => {
	const facts = (db: Database.Database) =>
		[
			'SELECT number, title FROM matter ORDER BY number',
			'SELECT name FROM person ORDER BY rowid',
			'SELECT title, date, state FROM deadline ORDER BY date, title, state',
			'SELECT sum(minutes) FROM time_entry',
			'SELECT sum(cents) FROM cost_line'
		].map((text) => all(db, text));
	const factsIn = (folder: string) => {
		const db = new Database(join(folder, 'kite-pen.db'), { readonly: true });
		try {
			return facts(db);
		} finally {
			db.close();
		}
	};
	assert.notEqual(demoTwin(), demoFolder());
	assert.deepEqual(factsIn(demoTwin()), factsIn(demoFolder()));
});
