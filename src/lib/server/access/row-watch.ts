/**
 * Notes every row that is written, with what it was and what it is, for the audit trail. SQLite's
 * own triggers see each change, whichever query makes it; they and what they note belong to this
 * connection alone and go back with its transaction.
 */
import type { Db } from '../db/open.ts';
import { all, exists, run } from '../db/sql.ts';
import { isSame, listWatched, readValues, type RowValues, type WatchedTable } from './watched.ts';

/**
 * A row that was written: the table, its key, and its columns before and after. Before is null of
 * a row that was added, after of one that was taken away; otherwise both have the columns that
 * differ.
 */
export type RowChange = readonly [
	table: string,
	key: string,
	was: RowValues | null,
	is: RowValues | null
];

const watchedDbs = new WeakSet<Db>();

/** Begins to note what this connection writes. */
export function watchRows(db: Db): void {
	db.exec(`CREATE TEMP TABLE row_change (
		n INTEGER PRIMARY KEY,
		tbl TEXT NOT NULL,
		key TEXT NOT NULL,
		was TEXT,
		now TEXT
	)`);
	db.exec(listWatched(db).map(triggersOf).join('\n'));
	watchedDbs.add(db);
}

function triggersOf(table: WatchedTable): string {
	const note = (row: string, was: string, now: string) =>
		`INSERT INTO row_change (tbl, key, was, now)
		VALUES ('${table.name}', ${table.key(row)}, ${was}, ${now});`;
	const trigger = (act: string, body: string) =>
		`CREATE TEMP TRIGGER "note_${act}_${table.name}" AFTER ${act} ON main."${table.name}"
		BEGIN
			${body}
		END;`;
	return [
		trigger('INSERT', note('NEW', 'NULL', table.values('NEW'))),
		trigger('UPDATE', note('NEW', table.values('OLD'), table.values('NEW'))),
		trigger('DELETE', note('OLD', table.values('OLD'), 'NULL'))
	].join('\n');
}

/** Whether something was written that no entry of the trail has taken. */
export const hasRowChanges = (db: Db): boolean =>
	watchedDbs.has(db) && exists(db, 'SELECT 1 FROM temp.row_change');

type Noted = { tbl: string; key: string; was: string | null; now: string | null };

/** What was written since this was asked last, as the trail keeps it; null where nothing was. */
export function takeRowChanges(db: Db): string | null {
	if (!hasRowChanges(db)) return null;
	const noted = all<Noted>(db, 'SELECT tbl, key, was, now FROM temp.row_change ORDER BY n');
	run(db, 'DELETE FROM temp.row_change');
	const changes = putTogether(noted)
		.map(reduce)
		.filter((change) => change !== null);
	return changes.length === 0 ? null : JSON.stringify(changes);
}

/** One change for each row: what it was at first and is at last. */
function putTogether(noted: readonly Noted[]): Noted[] {
	const rows = new Map<string, Noted>();
	for (const change of noted) {
		const name = `${change.tbl} ${change.key}`;
		const first = rows.get(name);
		if (first) first.now = change.now;
		else rows.set(name, { ...change });
	}
	return [...rows.values()];
}

function reduce({ tbl, key, was, now }: Noted): RowChange | null {
	const before = was === null ? null : readValues(tbl, was);
	const after = now === null ? null : readValues(tbl, now);
	if (before === null || after === null) return before === after ? null : [tbl, key, before, after];
	const differing = Object.keys(after).filter((name) => !isSame(before[name], after[name]));
	if (differing.length === 0) return null;
	const only = (values: RowValues) =>
		Object.fromEntries(differing.map((name) => [name, values[name]]));
	return [tbl, key, only(before), only(after)];
}
