/** What a list of dates can be asked for, and the SQL that asks it. */
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import type { Params } from '#server/db/sql.ts';
import { factSql } from '#server/matters/sql.ts';
import { concerns } from './date-people.ts';
import { listTagged } from './tags.ts';

export const SHOWS = [
	'open',
	'hearings',
	'unchecked',
	'missed',
	'unsettled',
	'settled',
	'passed',
	'returned',
	'proposed',
	'all'
] as const;
type Show = (typeof SHOWS)[number];
/** By what dates are put together; by day where nothing is said. */
export const ORDERS = ['day', 'matter', 'event', 'person', 'unit', 'kind', 'court'] as const;
export type Order = (typeof ORDERS)[number];

export type DocketFilter = {
	from?: string | undefined;
	to?: string | undefined;
	show?: Show | undefined;
	/** A colleague's id, 'mine', 'held' today, 'nobody', those one 'answers' for, or all. */
	who?: string | undefined;
	unit?: string | undefined;
	kind?: string | undefined;
	court?: string | undefined;
	matter?: string | undefined;
	/** A tag of the rule. */
	tag?: string | undefined;
	/** A working mark's id, or 'any'. */
	mark?: string | undefined;
	order?: Order | undefined;
	page?: number | undefined;
	per?: number | undefined;
};
/**
 * Ids of dates that were missed: not met, or met late so. Each part names the index it is read by,
 * since most dates of a department are met, in time.
 */
const missedIds = (metLate: string): string => `
	SELECT id
	FROM deadline INDEXED BY deadline_date
	WHERE state = 'docketed' AND date < today()
	UNION ALL
	SELECT id
	FROM deadline INDEXED BY deadline_late
	WHERE state = 'met' AND closed_on > date AND ${metLate}`;

/** Docketed dates that no second person has confirmed: few among many, by an index of their own. */
export const UNCHECKED = `d.id IN (
	SELECT id
	FROM deadline INDEXED BY deadline_unchecked
	WHERE state = 'docketed' AND checked_by IS NULL
)`;

const STATES = {
	open: "d.state = 'docketed'",
	unchecked: UNCHECKED,
	hearings: "d.sort <> 'deadline' AND d.state <> 'vacated'",
	missed: `d.sort = 'deadline' AND d.id IN (${missedIds('1')})`,
	/** Those of the missed that are not settled: not met, or without a second person's word. */
	unsettled: `d.sort = 'deadline' AND d.id IN (${missedIds('late_by IS NULL')})`,
	/** Those of the missed that were met late, with a second person's word. */
	settled: `d.sort = 'deadline'
		AND d.state = 'met'
		AND d.closed_on > d.date
		AND d.late_by IS NOT NULL`,
	passed: "d.state = 'docketed' AND d.date < today() AND d.sort <> 'deadline'",
	returned: "d.state = 'docketed' AND d.returned_by IS NOT NULL",
	proposed: "d.state = 'proposed'",
	all: '1'
} as const;

/** By whom a date is held today. */
const HELD: Readonly<Record<string, string>> = {
	/** A returned date is for who docketed it and for whose it is. */
	answers: `(d.docketed_by = @me OR ${concerns('d', 'm')})`,
	held: 'd.id IN (SELECT deadline_id FROM date_people WHERE holder_id = @me)',
	nobody: `d.id IN (
		SELECT p.deadline_id
		FROM date_people p
		JOIN staff s ON s.id = p.holder_id
		WHERE s.active = 0
	)`
};

/** Its rule has the tag. */
const TAGGED = `EXISTS (
	SELECT 1
	FROM event t
	WHERE t.id = d.event_id
		AND t.book || '|' || t.event_key || '|' || d.rule IN (SELECT value FROM json_each(@tagged))
)`;

function markedSql(mark: string | undefined): string {
	if (!mark) return '1';
	return mark === 'any' ? 'd.working_mark_id IS NOT NULL' : 'd.working_mark_id = @mark';
}

type Conditions = {
	/** On the matter, and on whose date it is. */
	matter: string;
	/** On the date. */
	state: string;
	/** On a column with a day. */
	days(column: string): string;
	params: Params;
};

/**
 * What a filter asks. A closed matter's dates are off every calendar; its own sheet still shows
 * them.
 */
export function conditionsOf(app: Reader, me: Staff, filter: DocketFilter): Conditions {
	const who = filter.who === 'mine' ? me.id : filter.who === 'all' ? undefined : filter.who;
	const whose = who && (HELD[who] ?? concerns('d', 'm', '@who'));
	const matter = [
		visible('m'),
		"m.status <> 'closed'",
		whose,
		filter.unit && 'm.unit_id = @unit',
		filter.kind && 'm.kind = @kind',
		filter.court && `${factSql('m', 'court')} = @court`,
		filter.matter && 'm.number = @matter'
	];
	const { from, to, unit, kind, court } = filter;
	return {
		matter: matter.filter(Boolean).join(' AND '),
		state: [STATES[filter.show ?? 'open'], filter.tag ? TAGGED : '1', markedSql(filter.mark)].join(
			' AND '
		),
		days: (column) =>
			['1', from && `${column} >= @from`, to && `${column} <= @to`].filter(Boolean).join(' AND '),
		params: {
			...{ me: me.id, who, from, to, unit, kind, court, matter: filter.matter?.toUpperCase() },
			mark: filter.mark,
			tagged: filter.tag && JSON.stringify(listTagged(app, filter.tag))
		}
	};
}

/** What stands together first, then by day. */
const ORDER_SQL: Readonly<Record<Order, string>> = {
	day: 'd.date, d.id',
	matter: 'm.number, d.date, d.id',
	event: 'm.number, e.date, e.id, d.date, d.id',
	person: 'q.name, q.id, d.date, d.id',
	unit: 'u.position, u.id, d.date, d.id',
	kind: 'm.kind, d.date, d.id',
	court: 'court, d.date, d.id'
};

/** What waits for a decision stands by its age. */
export function orderOf({ order, show }: DocketFilter): string {
	if (!order && show === 'proposed') return 'e.entered_at, d.date, d.id';
	return ORDER_SQL[order ?? 'day'];
}
