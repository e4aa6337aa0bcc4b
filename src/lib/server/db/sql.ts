/** Queries: SQL as it is written, prepared once for each database, with named parameters. */
import type { Statement } from 'better-sqlite3';
import type { Db } from './open.ts';

/**
 * Values by the name they have in the SQL: `@name`. One that the SQL wants and does not get is an
 * error.
 */
export type Params = Readonly<Record<string, unknown>>;

const prepared = new WeakMap<Db, Map<string, Statement>>();

/** The prepared statement of a text. Preparing would cost more than running most of them. */
function statement(db: Db, sql: string): Statement {
	let known = prepared.get(db);
	if (!known) prepared.set(db, (known = new Map()));
	let found = known.get(sql);
	if (!found) known.set(sql, (found = db.prepare(sql)));
	return found;
}

let spent = 0;
/** Milliseconds that queries have taken in this process, where `KITE_TIMING` asks to know. */
export const sqlTime = (): number => spent;
/** Adds what a worker's queries took on behalf of this process. */
export const addSqlTime = (ms: number): void => void (spent += ms);
const isTimed = process.env.KITE_TIMING === '1';
/** More than this of one query is named. */
const SLOW = 200;
function timed<Value>(sql: string, query: () => Value): Value {
	if (!isTimed) return query();
	const began = performance.now();
	try {
		return query();
	} finally {
		const took = performance.now() - began;
		spent += took;
		if (took > SLOW) console.error(`${Math.round(took)} ms: ${sql}`);
	}
}

/** All rows. */
export const all = <Row>(db: Db, sql: string, params: Params = {}): Row[] =>
	timed(sql, () => statement(db, sql).all(params) as Row[]);

/** The first row, or nothing. */
export const maybeOne = <Row>(db: Db, sql: string, params: Params = {}): Row | undefined =>
	timed(sql, () => statement(db, sql).get(params) as Row | undefined);

/**
 * The first row of a query that always has one. @throws where it has none, which is a fault of the
 * program
 */
export function one<Row>(db: Db, sql: string, params: Params = {}): Row {
	const row = maybeOne<Row>(db, sql, params);
	if (row === undefined) throw new Error(`no row for: ${sql}`);
	return row;
}

/** Whether there is a row. */
export const exists = (db: Db, sql: string, params: Params = {}): boolean =>
	timed(sql, () => statement(db, sql).get(params) !== undefined);

/** The one value of a query with one column that always has a row, such as a count. */
export function scalar<Value = number>(db: Db, sql: string, params: Params = {}): Value {
	const [value] = Object.values(one<Record<string, Value>>(db, sql, params));
	return value as Value;
}

/**
 * Rows one after another, for more than should be held at once. Has a statement of its own: it
 * stays busy meanwhile.
 */
export const iterate = <Row>(db: Db, sql: string, params: Params = {}): IterableIterator<Row> =>
	db.prepare(sql).iterate(params) as IterableIterator<Row>;

/** Changes rows; how many were touched. */
export const run = (db: Db, sql: string, params: Params = {}): number =>
	timed(sql, () => statement(db, sql).run(params).changes);

/** The columns that are given; `undefined` leaves a column to its default, or as it is. */
const given = (row: object): Record<string, unknown> =>
	Object.fromEntries(Object.entries(row).filter(([, value]) => value !== undefined));
const list = (names: readonly string[], prefix = '') =>
	names.map((name) => prefix + name).join(', ');

/** Adds a row. What is not given has the table's default. */
export function insert<Row extends object>(db: Db, table: string, row: Partial<Row>): void {
	const values = given(row);
	const names = Object.keys(values);
	run(db, `INSERT INTO ${table} (${list(names)}) VALUES (${list(names, '@')})`, values);
}

/** Adds a row unless one of its keys is taken; whether it was added. */
export function insertOrIgnore<Row extends object>(
	db: Db,
	table: string,
	row: Partial<Row>
): boolean {
	const values = given(row);
	const names = Object.keys(values);
	const sql = `INSERT OR IGNORE INTO ${table} (${list(names)}) VALUES (${list(names, '@')})`;
	return run(db, sql, values) > 0;
}

const condition = (names: readonly string[]) =>
	names.map((name) => `${name} = @key_${name}`).join(' AND ');
const keyParams = (key: object) =>
	Object.fromEntries(Object.entries(key).map(([name, value]) => [`key_${name}`, value as unknown]));

/** Changes the rows with this key; how many there were. */
export function update<Row extends object>(
	db: Db,
	table: string,
	key: Partial<Row>,
	set: Partial<Row>
): number {
	const values = given(set);
	const assignments = Object.keys(values)
		.map((name) => `${name} = @${name}`)
		.join(', ');
	const sql = `UPDATE ${table} SET ${assignments} WHERE ${condition(Object.keys(key))}`;
	return run(db, sql, { ...values, ...keyParams(key) });
}

/** Deletes the rows with this key; how many there were. */
export const remove = <Row extends object>(db: Db, table: string, key: Partial<Row>): number =>
	run(db, `DELETE FROM ${table} WHERE ${condition(Object.keys(key))}`, keyParams(key));

/** A pattern of LIKE for any text that has this within it; for `LIKE @pattern ESCAPE '\\'`. */
export const likeWithin = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;
