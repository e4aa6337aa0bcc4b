/** The database: opened once, brought to the newest schema. */
import Database from 'better-sqlite3';
import { existsSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { migrate } from './migrate.ts';

export type Db = Database.Database;

/**
 * Opens (and makes) the database at a path, or one in memory for tests.
 * @param source a path, `:memory:`, or the bytes of a database
 * @param today the department's day, which views ask for as `today()`
 */
export function openDb(source: string | Buffer, today: () => string = utcToday): Db {
	const path = typeof source === 'string' && source !== ':memory:' ? source : null;
	if (path !== null) mkdirSync(dirname(path), { recursive: true });
	const existed = path !== null && existsSync(path);
	const db = new Database(source);
	db.pragma('journal_mode = WAL');
	db.pragma('synchronous = FULL');
	db.pragma('foreign_keys = ON');
	db.pragma('busy_timeout = 5000');
	// In kilobytes: what a list reads again and again stays at hand.
	db.pragma('cache_size = -32768');
	db.function('today', { deterministic: true }, today);
	migrate(db, existed ? path : null);
	return db;
}

/** For tools that ask no view for the day. */
const utcToday = () => new Date().toISOString().slice(0, 10);
