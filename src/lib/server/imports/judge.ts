/**
 * What an import would do, row by row, before anything is done: the fate of each, and all that is
 * wrong with it. Runs in a worker.
 */
import type { Db } from '#server/db/open.ts';
import type { Field, What } from './fields.ts';
import { listFields, readValues, type Mapping, type Values } from './mapping.ts';
import { judgeDates } from './judge-dates.ts';
import { judgeDocuments } from './judge-documents.ts';
import { judgeMatters } from './judge-matters.ts';
import { judgePeople } from './judge-people.ts';
import { judgeTime } from './judge-time.ts';
import { judgeUnits } from './judge-units.ts';
import type { Table } from './table.ts';
import {
	isFault,
	isKnown,
	type Asker,
	type Decision,
	type Fault,
	type Judge,
	type Verdict
} from './verdict.ts';

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
	matters: judgeMatters,
	dates: judgeDates,
	documents: judgeDocuments,
	time: judgeTime
};

/** By the number of a row, what was said of it. */
export type Decisions = Record<string, Decision>;
export type JudgeQuery = Asker & {
	what: What;
	table: Table;
	mapping: Mapping;
	decisions: Decisions;
	/** One number, shared between the threads: how many rows were judged. */
	progress: SharedArrayBuffer;
};

/** The fate of every row. A judge remembers the rows before: the second of two alike is told so. */
export function judgeTable(db: Db, query: JudgeQuery): Plan {
	const { what, table, mapping, decisions } = query;
	const fields = listFields(db, what);
	const judge = JUDGES[what](db, query);
	const done = new Int32Array(query.progress);
	const rows = table.rows.map(({ n, cells }): JudgedRow => {
		const values = readValues(fields, table.head, mapping, cells);
		const decision = decisions[n];
		if (decision === 'out') {
			Atomics.add(done, 0, 1);
			return { n, values, what: nameOf(values), ...LEFT_OUT };
		}
		const common = listCommonFaults(fields, values);
		const judged = judge(values, decision);
		const verdict = common.length ? isFault([...common, ...judged.faults]) : judged;
		Atomics.add(done, 0, 1);
		return { n, values, what: nameOf(values), ...verdict };
	});
	const count = (fate: Verdict['fate']) => rows.filter((row) => row.fate === fate).length;
	return { rows, made: count('new'), known: count('known'), faults: count('fault') };
}

const LEFT_OUT: Verdict = { ...isKnown('Left out.'), out: true };

const nameOf = ({ name, title, unit, file, narrative }: Values): string =>
	name || title || unit || file || narrative || '';

const LIMITS: Readonly<Record<string, number>> = {
	note: 4000,
	title: 500,
	members: 1000,
	narrative: 1000,
	long: 4000,
	reason: 500
};
const LIMIT = 300;
const FACT_LIMIT = 4000;

const limitOf = (key: string): number =>
	LIMITS[key] ?? (key.startsWith('fact:') ? FACT_LIMIT : LIMIT);

const listCommonFaults = (fields: readonly Field[], values: Values): Fault[] =>
	fields.flatMap(({ key, name, needed }): Fault[] => {
		const value = values[key] ?? '';
		if (needed && !value) return [{ key, text: `${name} is missing.` }];
		return value.length > limitOf(key) ? [{ key, text: `${name} is too long.` }] : [];
	});
