/**
 * A worker: does one task after another for the server, with a connection to the database that only
 * reads.
 */
import Database from 'better-sqlite3';
import { asPlain, requireTask, type TaskAnswer, type TaskBag } from '../app/task.ts';
import { Refused } from '../app/errors.ts';
import type { Db } from '../db/open.ts';
import { sqlTime } from '../db/sql.ts';
import './tasks.ts';

export type TaskCall = {
	name: string;
	input: unknown;
	/** The database's file, and the department's day for its views. */
	database: string;
	today: string;
};

let open: { path: string; db: Db } | undefined;
let today = '';

/** Kept from task to task: an index of names in memory belongs to its connection. */
function connect(path: string): Db {
	if (open?.path !== path) {
		open?.db.close();
		const db = new Database(path, { readonly: true });
		db.pragma('busy_timeout = 2000');
		db.pragma('cache_size = -32768');
		db.function('today', { deterministic: true }, () => today);
		open = { path, db };
	}
	return open.db;
}

/** What the pool calls. */
export default async function perform(call: TaskCall): Promise<TaskAnswer> {
	today = call.today;
	const bag: TaskBag = {
		get db() {
			return connect(call.database);
		}
	};
	try {
		const before = sqlTime();
		const value = await requireTask(call.name).run(call.input, bag);
		return { value, sqlTime: sqlTime() - before };
	} catch (error) {
		if (error instanceof Refused) return { refused: asPlain(error) };
		throw error;
	}
}
