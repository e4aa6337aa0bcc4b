/**
 * What was counted over every row is kept until something is written: counting it again before
 * would give the same. Each connection keeps its own.
 */
import type { Db } from '../db/open.ts';
import { scalar } from '../db/sql.ts';
import type { Reader, Staff } from './application.ts';

type Kept = { version: string; values: Map<string, unknown> };
const keptBy = new WeakMap<Db, Kept>();
/** Of so many askers; then all of it is counted anew. */
const MOST = 200;

/**
 * What the database stands at: the first part changes with what other connections write, the
 * second with what this one does.
 * @see https://www.sqlite.org/pragma.html#pragma_data_version
 */
const versionOf = (db: Db): string =>
	`${String(db.pragma('data_version', { simple: true }))} ${scalar(db, 'SELECT total_changes()')}`;

/**
 * A reading whose value is kept until the database changes or the day ends.
 * @param name tells it from others on the same connection
 */
export function keep<Args, Value>(
	name: string,
	read: (reader: Reader, me: Staff, args: Args) => Value
): (reader: Reader, me: Staff, args: Args) => Value {
	return (reader, me, args) => {
		const version = versionOf(reader.db);
		let kept = keptBy.get(reader.db);
		if (kept?.version !== version || kept.values.size >= MOST)
			keptBy.set(reader.db, (kept = { version, values: new Map() }));
		const key = JSON.stringify([name, me.id, me.role, reader.clock.today(), args]);
		if (!kept.values.has(key)) kept.values.set(key, read(reader, me, args));
		return kept.values.get(key) as Value;
	};
}
