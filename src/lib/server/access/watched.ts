/**
 * Which tables the audit trail keeps the values of, and how a row is written there. Every table but
 * those named here, so that a new one is watched without a word.
 */
import { sha256 } from '../app/ids.ts';
import type { Db } from '../db/open.ts';
import { all } from '../db/sql.ts';

/** Tables whose rows are left out, each with its reason. */
export const UNWATCHED: Readonly<Record<string, string>> = {
	audit: 'the trail itself',
	search: 'made from the other tables by triggers',
	search_text: 'made from the other tables by triggers',
	session: 'written with every page; signing in and out is in the trail',
	sign_in_attempt: 'counts wrong tries; each try is in the trail',
	sign_in_step: 'a few minutes between two steps of one sign-in',
	factor_offer: 'a few minutes while a second factor is set up',
	job_state: 'when a job ran last',
	mail_out: 'the queue of mail, made from what is in the trail',
	post: 'the stand-in for a mail server',
	recent: 'what a person looked at last'
};

/** Columns that hold a secret: of them the trail keeps a digest. */
const SECRET: ReadonlySet<string> = new Set([
	'staff.password_hash',
	'second_factor.secret',
	'identity_number.sealed',
	'password_link.token_hash',
	'signer.token_hash',
	'feed.digest'
]);

/** Of a longer text the trail keeps a digest: it is not a second copy of every document. */
const LONGEST = 2000;

export type RowValues = Record<string, unknown>;
export type WatchedTable = {
	name: string;
	columns: readonly string[];
	/** JSON of the key and of the whole row, as SQL over `NEW`, `OLD` or a table's name. */
	key(row: string): string;
	values(row: string): string;
};

type ColumnInfo = { name: string; type: string; pk: number };

/** The watched tables of a database, as they stand in its schema. */
export function listWatched(db: Db): WatchedTable[] {
	return all<{ name: string }>(
		db,
		`SELECT name
		FROM pragma_table_list
		WHERE schema = 'main' AND type = 'table' AND name NOT LIKE 'sqlite_%'
		ORDER BY name`
	)
		.filter(({ name }) => !(name in UNWATCHED))
		.map(({ name }) => {
			const columns = all<ColumnInfo>(
				db,
				'SELECT name, type, pk FROM pragma_table_info(@name) ORDER BY cid',
				{ name }
			);
			return watchedTable(name, columns);
		});
}

function watchedTable(name: string, columns: readonly ColumnInfo[]): WatchedTable {
	const keys = columns.filter(({ pk }) => pk > 0).toSorted((one, other) => one.pk - other.pk);
	// JSON has no place for bytes.
	const value = (row: string, column: ColumnInfo) =>
		column.type === 'BLOB' ? `hex(${row}."${column.name}")` : `${row}."${column.name}"`;
	return {
		name,
		columns: columns.map((column) => column.name),
		key: (row) =>
			keys.length === 0
				? `json_array(${row}.rowid)`
				: `json_array(${keys.map((column) => value(row, column)).join(', ')})`,
		values: (row) =>
			`json_object(${columns.map((column) => `'${column.name}', ${value(row, column)}`).join(', ')})`
	};
}

/** A row as the trail keeps it: secrets and long texts by their digest. */
export function readValues(table: string, json: string): RowValues {
	const values = JSON.parse(json) as RowValues;
	for (const [column, value] of Object.entries(values))
		if (typeof value === 'string' && (value.length > LONGEST || SECRET.has(`${table}.${column}`)))
			values[column] = { sha256: sha256(value) };
	return values;
}

/** Whether two values are the same to the trail. */
export const isSame = (one: unknown, other: unknown): boolean =>
	one === other || JSON.stringify(one) === JSON.stringify(other);
