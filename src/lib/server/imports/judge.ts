/**
 * What an import would do, row by row, before anything is done: the fate of each, and why. Runs in
 * a worker.
 */
import type { Db } from '#server/db/open.ts';
import { FIELDS, readValues, type Mapping, type Values, type What } from './fields.ts';
import { judgeMatters } from './judge-matters.ts';
import { judgePeople } from './judge-people.ts';
import { judgeUnits } from './judge-units.ts';
import type { Table } from './table.ts';
import { isFault, type Asker, type Judge, type Verdict } from './verdict.ts';

export type JudgedRow = Verdict & {
	n: number;
	/** What the row is called. */
	what: string;
	values: Values;
};
export type Plan = { rows: JudgedRow[]; made: number; known: number; faults: number };
const JUDGES: Readonly<Record<What, (db: Db, asker: Asker) => Judge>> = {
	units: judgeUnits,
	people: judgePeople,
	matters: judgeMatters
};

export type JudgeQuery = Asker & {
	what: What;
	table: Table;
	mapping: Mapping;
	/** One number, shared between the threads: how many rows were judged. */
	progress: SharedArrayBuffer;
};

/** The fate of every row. A judge remembers the rows before: the second of two alike is told so. */
export function judgeTable(db: Db, query: JudgeQuery): Plan {
	const { what, table, mapping } = query;
	const judge = JUDGES[what](db, query);
	const done = new Int32Array(query.progress);
	const rows = table.rows.map(({ n, cells }): JudgedRow => {
		const values = readValues(what, table.head, mapping, cells);
		const verdict = findCommonFault(what, values) ?? judge(values);
		Atomics.add(done, 0, 1);
		return { n, values, what: values.name || values.title || values.unit || '', ...verdict };
	});
	const count = (fate: Verdict['fate']) => rows.filter((row) => row.fate === fate).length;
	return { rows, made: count('new'), known: count('known'), faults: count('fault') };
}

const LIMITS: Readonly<Record<string, number>> = { note: 4000, title: 500 };
const LIMIT = 300;

function findCommonFault(what: What, values: Values): Verdict | undefined {
	const missing = FIELDS[what].find(({ key, needed }) => needed && !values[key]);
	if (missing) return isFault(`${missing.name} is missing.`);
	const long = FIELDS[what].find(({ key }) => (values[key]?.length ?? 0) > (LIMITS[key] ?? LIMIT));
	return long && isFault(`${long.name} is too long.`);
}
