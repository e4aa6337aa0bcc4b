/**
 * Houses of the size of a real department, made on top of the demo: its matters with all that hangs
 * on them, many times over. Made once and kept.
 */
import { cpSync, existsSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Db } from '#server/db/open.ts';
import { openDb } from '#server/db/open.ts';
import { run } from '#server/db/sql.ts';
import { plainDate } from '#core/dates/plain.ts';
import { demoFolder, digest, TEST_NOW } from '../demo/once.ts';

export type Size = {
	name: string;
	/** How often each matter is there, and how often each date of one. */
	matters: number;
	dates: number;
};
export const TENFOLD: Size = { name: 'tenfold', matters: 10, dates: 1 };
/** 50,000 matters and 500,000 dates. */
export const LARGE: Size = { name: 'large', matters: 1042, dates: 5 };

/** What decides how these houses look. */
const MADE_FROM = ['demo', 'src/lib/server/db/migrations'];
const TODAY = TEST_NOW.slice(0, 10);
const folderOf = (name: string) =>
	fileURLToPath(new URL(`../data/bench/${name}-${digest(MADE_FROM)}`, import.meta.url));

/** The folder of a house of this size. */
export function houseOf(size: Size): string {
	const folder = folderOf(size.name);
	if (existsSync(folder)) return folder;
	const bench = fileURLToPath(new URL('../data/bench', import.meta.url));
	if (existsSync(bench))
		for (const old of readdirSync(bench))
			if (old.startsWith(size.name)) rmSync(join(bench, old), { recursive: true });
	const part = `${folder}.part`;
	cpSync(demoFolder(), part, { recursive: true });
	const db = openDb(join(part, 'kite-pen.db'), () => plainDate(TODAY));
	db.pragma('synchronous = off');
	db.prepare('ATTACH ? AS demo').run(join(demoFolder(), 'kite-pen.db'));
	const inserts = TABLES.flatMap((table) => insertsOf(db, table, size));
	for (let copy = 1; copy < size.matters; copy++) {
		const params = { copy, suffix: `_${copy}`, shift: shiftOf(copy) };
		db.transaction(() => inserts.forEach((sql) => run(db, sql, params)))();
	}
	// Its reminders and digests were sent as their days came.
	run(
		db,
		`INSERT OR IGNORE INTO reminder (deadline_id, date, rung, at)
		SELECT d.id, d.date, r.value, '${TEST_NOW}:00.000Z'
		FROM main.deadline d
		JOIN json_each('[365, 90, 60, 45, 30, 21, 14, 10, 7, 5, 3, 2, 1, 0, -1]') r
		WHERE d.state = 'docketed' AND d.rule <> ''
			AND r.value >= julianday(d.date) - julianday('${TODAY}')`
	);
	run(db, `INSERT OR IGNORE INTO digest (staff_id, day) SELECT id, '${TODAY}' FROM main.staff`);
	db.exec('ANALYZE main');
	db.close();
	renameSync(part, folder);
	return folder;
}

/** Tables that hang on a matter, each after those it refers to; of some only the newest rows. */
const TABLES: readonly { name: string; newest?: string }[] = [
	{ name: 'matter' },
	{ name: 'matter_fact' },
	{ name: 'matter_member' },
	{ name: 'matter_role' },
	{ name: 'split' },
	{ name: 'split_share' },
	{ name: 'event' },
	{ name: 'deadline' },
	{ name: 'task' },
	{ name: 'logbook', newest: 'at' },
	{ name: 'time_entry', newest: 'day' }
];
const NEWEST = 5;
const CLONED = new Set(TABLES.map(({ name }) => name));

/** Days of a copy lie up to a year before or after those of the demo. */
const shiftOf = (copy: number) => ((copy * 37) % 721) - 360;
const DAYS = new Set([
	'date',
	'computed',
	'internal',
	'rule_gives',
	'closed_on',
	'move_from',
	'due'
]);
/** A further date of the same event lies a week after the one before. */
const dayOf = (column: string, again: number) =>
	`date(t.${column}, (@shift + ${7 * again}) || ' days')`;

/** What was due before today was met in its time or set aside, but for one in a thousand. */
const SETTLED: Readonly<Record<string, (again: number) => string>> = {
	state: () => "CASE t.state WHEN 'proposed' THEN 'vacated' ELSE 'met' END",
	set_aside: () => "t.state = 'proposed'",
	reason: () => "'Not needed.'",
	docketed_by: () => 'coalesce(t.docketed_by, (SELECT id FROM main.staff LIMIT 1))',
	closed_by: () => 'coalesce(t.docketed_by, (SELECT id FROM staff))',
	closed_at: (again) => `${dayOf('date', again)} || 'T18:00:00.000Z'`,
	closed_on: (again) => dayOf('date', again),
	result: () => "CASE WHEN t.sort <> 'deadline' AND t.state = 'docketed' THEN 'held' END"
};
const settledOr = (settled: string, otherwise: string, again: number) => `CASE
	WHEN t.state IN ('docketed', 'proposed') AND ${dayOf('date', again)} < '${TODAY}'
		AND (@copy * 31 + t.rowid) % 1000 > 0
	THEN ${settled}
	ELSE ${otherwise}
END`;

/** Columns that are not copied as the others are. */
const OWN: Readonly<Record<string, (again: number) => string>> = {
	'logbook.answers': () => 'NULL',
	'matter.number': () => "'K' || @copy || '-' || t.number",
	/** An event has a rule's date once. */
	'deadline.rule': (again) => (again ? `t.rule || '_${again}'` : 't.rule'),
	/** One in a hundred waits for its second check. */
	'deadline.checked_by': () => `CASE
		WHEN t.state = 'docketed' AND (@copy * 7 + t.rowid) % 100 > 0
		THEN (SELECT id FROM main.staff WHERE id <> t.docketed_by LIMIT 1)
		ELSE t.checked_by
	END`
};

type Foreign = { from: string; table: string };

/** The value of a column in a copy. */
function valueOf(
	table: string,
	column: string,
	foreign: readonly Foreign[],
	again: number
): string {
	const own = OWN[`${table}.${column}`]?.(again);
	if (own !== undefined) return own;
	const refers = foreign.find(({ from }) => from === column)?.table;
	if (refers !== undefined && CLONED.has(refers)) return `t.${column} || @suffix`;
	if (column === 'id') return `t.id || @suffix${again ? ` || '_${again}'` : ''}`;
	const plain = DAYS.has(column) ? dayOf(column, again) : `t.${column}`;
	const settled = table === 'deadline' ? SETTLED[column] : undefined;
	return settled ? settledOr(settled(again), plain, again) : plain;
}

/** The statements that add one copy of a table's rows. */
function insertsOf(db: Db, { name, newest }: (typeof TABLES)[number], { dates }: Size): string[] {
	const foreign = db.pragma(`foreign_key_list(${name})`) as Foreign[];
	const columns = (db.pragma(`table_info(${name})`) as { name: string }[]).map((one) => one.name);
	const rows = newest
		? `(
			SELECT *, row_number() OVER (PARTITION BY matter_id ORDER BY ${newest} DESC) AS place
			FROM demo.${name}
		)`
		: `demo.${name}`;
	return Array.from({ length: name === 'deadline' ? dates : 1 }, (_, again) => {
		const values = columns.map((column) => valueOf(name, column, foreign, again));
		return `INSERT INTO main.${name} (${columns.join(', ')})
			SELECT ${values.join(', ')}
			FROM ${rows} t
			${newest ? `WHERE t.place <= ${NEWEST}` : ''}`;
	});
}
