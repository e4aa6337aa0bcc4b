/** The database: opened once, migrated forward, backed up before a migration. */
import Database from 'better-sqlite3';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

export type Db = Database.Database;

const folder = () => join(process.env.KITE_HOME ?? process.cwd(), 'src/lib/server/db/migrations');

/** The migrations in order: number, name, SQL. */
function migrations(): { n: number; name: string; sql: string }[] {
	return readdirSync(folder())
		.filter((f) => /^\d{3}-.*\.sql$/.test(f))
		.sort()
		.map((name) => ({
			n: Number(name.slice(0, 3)),
			name,
			sql: readFileSync(join(folder(), name), 'utf8')
		}));
}

/** Opens (and makes) the database at a path, or one in memory for tests; brings it to the newest schema. */
export function openDb(path: string): Db {
	if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
	const existed = path !== ':memory:' && existsSync(path);
	const db = new Database(path);
	db.pragma('journal_mode = WAL');
	db.pragma('synchronous = FULL');
	db.pragma('foreign_keys = ON');
	db.pragma('busy_timeout = 5000');
	migrate(db, existed ? path : null);
	return db;
}

function migrate(db: Db, path: string | null): void {
	const at = db.pragma('user_version', { simple: true }) as number;
	const ahead = migrations().filter((m) => m.n > at);
	if (ahead.length === 0) return;
	if (path !== null && at > 0)
		db.exec(`VACUUM INTO '${`${path}.before-${ahead[0]!.n}`.replaceAll("'", "''")}'`);
	for (const m of ahead)
		db.transaction(() => {
			db.exec(m.sql);
			db.pragma(`user_version = ${m.n}`);
		})();
}
