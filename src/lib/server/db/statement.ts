/** Statements prepared once: where a query is asked with every keystroke, preparing it would cost more than running it. */
import type { Statement } from 'better-sqlite3';
import type { Db } from './open.ts';

const all = new WeakMap<Db, Map<string, Statement>>();
export function statement<T>(db: Db, sql: string): Statement<unknown[], T> {
	let mine = all.get(db);
	if (!mine) all.set(db, (mine = new Map()));
	let s = mine.get(sql);
	if (!s) mine.set(sql, (s = db.prepare(sql)));
	return s as Statement<unknown[], T>;
}
