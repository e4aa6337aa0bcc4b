/**
 * Compares the rows with what the audit trail says was written into them: a date that was changed
 * beside the application, a note that is gone, minutes that nobody entered.
 */
import Database from 'better-sqlite3';
import type { Db } from '../db/open.ts';
import { all, iterate, maybeOne, run, scalar } from '../db/sql.ts';
import type { RowChange } from './row-watch.ts';
import { isSame, listWatched, readValues, type RowValues } from './watched.ts';

/** How the trail and a row differ. */
export type RowDifference = {
	table: string;
	key: string;
	/** `missing`: the trail has it, the table does not; `unknown`: the other way round. */
	sort: 'missing' | 'unknown' | 'changed' | 'between';
	/** What the trail says is there; null where it knows of no such row. */
	trail: RowValues | null;
	/** What is there; where something lay between two entries, what the later one found. */
	row: RowValues | null;
	/** The entry that wrote it last; null where none did. */
	seq: number | null;
};

type State = { value: string; seq: number };

/**
 * Every difference, table by table.
 * `between` is a change that a later entry of the trail found and no entry made: it is told though
 * the row may be right again.
 */
export function* compareRows(db: Db): Generator<RowDifference> {
	// On disk where it grows large: a department of many years has millions of rows.
	const folded = new Database('');
	try {
		folded.exec(
			`CREATE TABLE state (
				tbl TEXT NOT NULL,
				key TEXT NOT NULL,
				value TEXT NOT NULL,
				seq INTEGER NOT NULL,
				PRIMARY KEY (tbl, key)
			) STRICT, WITHOUT ROWID`
		);
		folded.exec('BEGIN');
		yield* fold(db, folded);
		for (const table of listWatched(db)) {
			const rows = iterate<{ key: string; value: string }>(
				db,
				`SELECT ${table.key('t')} AS key, ${table.values('t')} AS value FROM main."${table.name}" t`
			);
			for (const { key, value } of rows) {
				const state = takeState(folded, table.name, key);
				const found = differenceOf(table.name, key, state, readValues(table.name, value));
				if (found) yield found;
			}
		}
		yield* listMissing(folded, new Set(listWatched(db).map(({ name }) => name)));
	} finally {
		folded.close();
	}
}

/** Brings every entry's changes together, row by row. */
function* fold(db: Db, folded: Db): Generator<RowDifference> {
	const entries = iterate<{ seq: number; changes: string }>(
		db,
		'SELECT seq, changes FROM audit WHERE changes IS NOT NULL ORDER BY seq'
	);
	for (const { seq, changes } of entries)
		for (const change of JSON.parse(changes) as RowChange[]) {
			const before = takeState(folded, change[0], change[1]);
			const between = betweenOf(change, before);
			if (between) yield between;
			keepState(folded, change, before, seq);
		}
}

function takeState(folded: Db, tbl: string, key: string): State | undefined {
	const state = maybeOne<State>(
		folded,
		'SELECT value, seq FROM state WHERE tbl = @tbl AND key = @key',
		{ tbl, key }
	);
	if (state) run(folded, 'DELETE FROM state WHERE tbl = @tbl AND key = @key', { tbl, key });
	return state;
}

function keepState(folded: Db, change: RowChange, before: State | undefined, seq: number): void {
	const [tbl, key, , is] = change;
	if (is === null) return;
	const value = { ...(before ? (JSON.parse(before.value) as RowValues) : {}), ...is };
	run(folded, 'INSERT INTO state (tbl, key, value, seq) VALUES (@tbl, @key, @value, @seq)', {
		tbl,
		key,
		value: JSON.stringify(value),
		seq
	});
}

/** What an entry found in a row and the entries before it had not left there. */
function betweenOf([table, key, was]: RowChange, before: State | undefined): RowDifference | null {
	if (was === null || !before) return null;
	const left = JSON.parse(before.value) as RowValues;
	const names = Object.keys(was).filter((name) => name in left && !isSame(left[name], was[name]));
	if (names.length === 0) return null;
	return {
		table,
		key,
		sort: 'between',
		trail: pick(left, names),
		row: pick(was, names),
		seq: before.seq
	};
}

const pick = (values: RowValues, names: readonly string[]): RowValues =>
	Object.fromEntries(names.map((name) => [name, values[name]]));

function differenceOf(
	table: string,
	key: string,
	state: State | undefined,
	row: RowValues
): RowDifference | null {
	if (!state) return { table, key, sort: 'unknown', trail: null, row, seq: null };
	const trail = JSON.parse(state.value) as RowValues;
	const names = Object.keys(row).filter((name) => !isSame(trail[name], row[name]));
	if (names.length === 0) return null;
	return {
		table,
		key,
		sort: 'changed',
		trail: pick(trail, names),
		row: pick(row, names),
		seq: state.seq
	};
}

/** What is left of the trail's rows when each row of the tables was taken. */
function* listMissing(folded: Db, tables: ReadonlySet<string>): Generator<RowDifference> {
	type Left = { tbl: string; key: string } & State;
	for (const { tbl, key, value, seq } of all<Left>(folded, 'SELECT * FROM state ORDER BY tbl, key'))
		if (tables.has(tbl))
			yield {
				table: tbl,
				key,
				sort: 'missing',
				trail: JSON.parse(value) as RowValues,
				row: null,
				seq
			};
}

/** How many rows were taken into the trail as they stood, and when: with a new release. */
export const listTakenUp = (db: Db): { at: string; seq: number; rows: number }[] =>
	all<{ at: string; seq: number; detail: string }>(
		db,
		'SELECT at, seq, detail FROM audit WHERE action = @action ORDER BY seq',
		{ action: TAKE_UP }
	).map(({ at, seq, detail }) => ({
		at,
		seq,
		rows: (JSON.parse(detail) as { rows: number }).rows
	}));

/** The trail's entries for rows that are taken up as they stand. */
export const TAKE_UP = 'take rows up as they stand';

/** The number of the schema the database has. */
export const schemaOf = (db: Db): number => Number(scalar(db, 'PRAGMA user_version'));
