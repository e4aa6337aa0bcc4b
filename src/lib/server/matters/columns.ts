/** The columns a matter list may have: derived ones, and each fact of any kind. */
import type { Fact } from '#core/kinds/fact.ts';
import { factSql } from './sql.ts';
import type { StoredKind } from '#server/kinds/queries.ts';

export type ColumnType = 'text' | 'date' | 'days' | 'hours' | 'money' | 'number';
export type Column = {
	name: string;
	type: ColumnType;
	/** An expression on the matter m. */
	sql: string;
	/** The same, where a list has read the matter with its unit, its lawyer and what is derived. */
	listed?: string;
	/** What it is sorted and grouped by, where that is not what it shows. */
	order?: string;
	/** The list may be grouped by it. */
	group?: boolean;
	fact?: Fact;
};

/** A column of what is derived of the matter m. */
const derived = (column: string) =>
	`(SELECT x.${column} FROM matter_derived x WHERE x.matter_id = m.id)`;
const staffName = (column: string) => `(SELECT s.name FROM staff s WHERE s.id = m.${column})`;

/** High before normal before low. */
const PRIORITY_ORDER = "CASE m.priority WHEN 'high' THEN 0 WHEN 'normal' THEN 1 ELSE 2 END";
/** Stages stand in the order of their kind. */
const STAGE_ORDER = `(
	SELECT k.position * 100 + e.key
	FROM kind k, json_each(k.body, '$.stages') e
	WHERE k.id = m.kind AND e.value = m.stage
)`;
export const AGE_SQL = derived('age_days');
/** The instant of the last entry of the logbook; its day is of the department's zone. */
export const ACTIVITY_SQL = derived('last_activity');

/** A date of the matter m for which something holds. */
const hasDate = (condition: string) =>
	`EXISTS (
		SELECT 1
		FROM deadline d
		WHERE d.matter_id = m.id AND d.state = 'docketed' AND ${condition}
	)`;
/** Why a matter needs its lawyer: the first of these that holds; nothing where none does. */
const whySql = (activity: string) => `CASE
	WHEN m.status = 'closed' THEN NULL
	WHEN ${hasDate("d.date < today() AND d.sort = 'deadline'")} THEN 'a missed date'
	WHEN ${hasDate('d.date = today()')} THEN 'a date today'
	WHEN ${hasDate('d.returned_by IS NOT NULL')} THEN 'a returned date'
	WHEN ${hasDate("d.date < today() AND d.sort <> 'deadline'")} THEN 'a hearing without an outcome'
	WHEN ${hasDate('d.rule_gives IS NOT NULL')} THEN 'a date left behind'
	WHEN EXISTS (
		SELECT 1
		FROM logbook l
		JOIN logbook_mention n ON n.log_id = l.id
		WHERE l.matter_id = m.id AND l.asks = 1 AND n.staff_id = m.responsible_id
			AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id)
	) THEN 'a question'
	WHEN EXISTS (
		SELECT 1
		FROM task t
		WHERE t.matter_id = m.id AND t.state = 'open' AND t.assignee_id = m.responsible_id
			AND t.due < today()
	) THEN 'a late task'
	WHEN m.status = 'open' AND julianday(today()) - julianday(substr(${activity}, 1, 10)) > (
		SELECT json_extract(k.body, '$.quietDays') FROM kind k WHERE k.id = m.kind
	) THEN 'gone quiet'
END`;

const DERIVED: Readonly<Record<string, Column>> = {
	number: { name: 'Number', type: 'text', sql: 'm.number' },
	title: { name: 'Matter', type: 'text', sql: 'm.title' },
	kind: {
		name: 'Kind',
		type: 'text',
		sql: '(SELECT k.name FROM kind k WHERE k.id = m.kind)',
		group: true
	},
	status: { name: 'Status', type: 'text', sql: 'm.status', group: true },
	priority: {
		name: 'Priority',
		type: 'text',
		sql: 'm.priority',
		order: PRIORITY_ORDER,
		group: true
	},
	unit: {
		name: 'Business unit',
		type: 'text',
		sql: '(SELECT u.name FROM business_unit u WHERE u.id = m.unit_id)',
		listed: 'u.name',
		group: true
	},
	lawyer: {
		name: 'Lawyer',
		type: 'text',
		sql: staffName('responsible_id'),
		listed: 's.name',
		group: true
	},
	stage: {
		name: 'Stage',
		type: 'text',
		sql: "nullif(m.stage, '')",
		order: STAGE_ORDER,
		group: true
	},
	ending: { name: 'How it ended', type: 'text', sql: "nullif(m.ending, '')", group: true },
	origin: {
		name: 'Origin',
		type: 'text',
		sql: '(SELECT g.label FROM origin g WHERE g.id = m.origin_id)',
		group: true
	},
	originating: { name: 'Opened by', type: 'text', sql: staffName('originating_id'), group: true },
	next: {
		name: 'Next date',
		type: 'date',
		sql: `(
			SELECT d.date
			FROM matter_derived x
			JOIN deadline d ON d.id = x.next_deadline_id
			WHERE x.matter_id = m.id
		)`,
		listed: 'nd.date'
	},
	why: {
		name: 'Why',
		type: 'text',
		sql: whySql(ACTIVITY_SQL),
		listed: whySql('v.last_activity'),
		group: true
	},
	hearing: {
		name: 'Next hearing',
		type: 'date',
		sql: `(
			SELECT h.date
			FROM matter_derived x
			JOIN hearing h ON h.id = x.next_hearing_id
			WHERE x.matter_id = m.id
		)`
	},
	trial: {
		name: 'Days to trial',
		type: 'days',
		sql: `CAST(julianday(${derived('next_trial')}) - julianday(today()) AS INTEGER)`
	},
	age: { name: 'Age', type: 'days', sql: AGE_SQL, listed: 'v.age_days' },
	activity: { name: 'Last activity', type: 'date', sql: ACTIVITY_SQL, listed: 'v.last_activity' },
	hours: {
		name: 'Hours',
		type: 'hours',
		sql: derived('minutes'),
		listed: 'v.minutes',
		// Sorting reads it for every matter there is: the view's own sum, without the way through it.
		order: '(SELECT coalesce(sum(t.minutes), 0) FROM time_entry t WHERE t.matter_id = m.id)'
	},
	cost: { name: 'Cost', type: 'money', sql: derived('cents'), listed: 'v.cents' },
	opponent: {
		name: 'Other side',
		type: 'text',
		sql: `(
			SELECT group_concat(p.name, ', ')
			FROM matter_role r
			JOIN person p ON p.id = r.person_id
			WHERE r.matter_id = m.id
				AND r.role IN (
					SELECT json_extract(k.body, '$.roles[0].role') FROM kind k WHERE k.id = m.kind
				)
		)`
	},
	opened: { name: 'Opened', type: 'date', sql: 'm.opened_on' },
	closed: { name: 'Closed', type: 'date', sql: 'm.closed_on' },
	retain: { name: 'Keep until', type: 'date', sql: 'm.retain_until' },
	tasks: { name: 'Open tasks', type: 'number', sql: derived('open_tasks'), listed: 'v.open_tasks' },
	references: {
		name: 'Their numbers',
		type: 'text',
		sql: `(
			SELECT group_concat(r.whose || ' ' || r.number, '; ')
			FROM matter_reference r
			WHERE r.matter_id = m.id
		)`
	}
};

/** Kinds stand in the order of their editor. */
export const KIND_ORDER = '(SELECT k.position FROM kind k WHERE k.id = m.kind)';

export const DEFAULT_COLUMNS = ['number', 'title', 'unit', 'lawyer', 'next', 'why', 'age', 'hours'];

/** Every column there is, by its key; a fact is `fact:court`. */
export function listColumns(kinds: readonly StoredKind[]): Readonly<Record<string, Column>> {
	const columns: Record<string, Column> = { ...DERIVED };
	for (const { facts } of kinds)
		for (const fact of facts) if (!fact.retired) columns[`fact:${fact.key}`] ??= factColumn(fact);
	return columns;
}

const FACT_TYPES: Partial<Record<Fact['type'], ColumnType>> = {
	date: 'date',
	money: 'money',
	number: 'number'
};
const GROUPED: readonly Fact['type'][] = ['choice', 'coded', 'yesno'];

function factColumn(fact: Fact): Column {
	const type = FACT_TYPES[fact.type] ?? 'text';
	const value = `nullif(${factSql('m', fact.key)}, '')`;
	const isNumber = type === 'money' || type === 'number';
	return {
		name: fact.name,
		type,
		sql: isNumber ? `CAST(${value} AS REAL)` : value,
		group: GROUPED.includes(fact.type),
		fact
	};
}
