/**
 * Brings a database to the newest schema: forward only, each migration whole or not at all, a copy
 * kept from before.
 */
import { readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { assetFolder } from '#server/app/assets.ts';
import type { Db } from './open.ts';

type Migration = { number: number; sql: string };

/** The migrations of a folder in order. `003-docket.sql` is number 3. */
function listMigrations(folder: string): Migration[] {
	return readdirSync(folder)
		.filter((name) => /^\d{3}-.*\.sql$/.test(name))
		.sort()
		.map((name) => ({
			number: Number(name.slice(0, 3)),
			sql: readFileSync(join(folder, name), 'utf8')
		}));
}

/**
 * Runs the migrations this database has not had.
 * @param path the database's file, or null where there is nothing to keep a copy of
 * @throws where a migration fails or leaves a broken reference; the database is then as it was
 */
export function migrate(db: Db, path: string | null, folder = assetFolder('migrations')): void {
	const version = db.pragma('user_version', { simple: true }) as number;
	const ahead = listMigrations(folder).filter((migration) => migration.number > version);
	const first = ahead[0];
	if (!first) return;
	if (path !== null && version > 0) keepCopy(db, `${path}.before-${first.number}`);
	// A table that others refer to is rebuilt by dropping it, which foreign keys forbid. SQLite's own
	// way is to switch them off outside the transaction and to check every reference before it ends
	// (sqlite.org/lang_altertable.html, 7).
	db.pragma('foreign_keys = OFF');
	// Renaming the rebuilt table into place must not touch the triggers and views that name it.
	db.pragma('legacy_alter_table = ON');
	try {
		for (const migration of ahead) runMigration(db, migration);
	} finally {
		db.pragma('legacy_alter_table = OFF');
		db.pragma('foreign_keys = ON');
	}
}

function runMigration(db: Db, migration: Migration): void {
	db.transaction(() => {
		db.exec(migration.sql);
		const broken = db.pragma('foreign_key_check') as { table: string; parent: string }[];
		const [fault] = broken;
		if (fault)
			throw new Error(
				`migration ${migration.number} leaves ${broken.length} broken references, the first from ${fault.table} to ${fault.parent}`
			);
		db.pragma(`user_version = ${migration.number}`);
	}).immediate();
}

/**
 * Copies the database beside itself. Written under another name first: a copy that was cut off
 * never looks like a whole one, and one from an earlier try is replaced, since the database has not
 * changed its version since.
 */
function keepCopy(db: Db, name: string): void {
	const part = `${name}.part`;
	rmSync(part, { force: true });
	db.exec(`VACUUM INTO '${part.replaceAll("'", "''")}'`);
	renameSync(part, name);
}
