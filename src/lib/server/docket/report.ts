/**
 * The docket report: the dates of a span by matter, person, unit or whatever one chose, with the
 * columns one chose.
 */
import { addDays, plainDate } from '#core/dates/plain.ts';
import { dayAt, timeAt } from '#core/dates/zone.ts';
import { isOccasion } from '#core/docket/occasion.ts';
import { describeClosed, explainLeft } from '#core/docket/standing.ts';
import { explainStep, type Step } from '#core/docket/trace.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import { onTeam } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { factSql } from '#server/matters/sql.ts';
import { parseTrace } from './counts.ts';
import type { DocketFilter } from './docket-filter.ts';
import { parseDocketFilter } from './filter-words.ts';
import { BY_HAND_WORDS, listDeadlines, type DeadlineView } from './list.ts';
import { groupingOf } from './report-groups.ts';
import {
	REPORT_COLUMNS,
	REPORT_DEFAULT,
	type ReportColumn,
	type ReportRow
} from './report-columns.ts';

/** More dates than this are not reported at once; the head says so. */
const REPORT_LIMIT = 5000;

export type ReportRequest = {
	filter: DocketFilter;
	columns: ReportColumn[];
	long: boolean;
	/** The size of its pages. */
	paper: 'letter' | 'a4';
};
export type Report = ReportRequest & {
	rows: ReportRow[];
	total: number;
	/** The matters of dates missed before its first day and not settled: one for each date. */
	missedBefore: string[];
};

/** What an address asks for. */
export function parseReport(app: Reader, params: URLSearchParams): ReportRequest & { bad: string } {
	const { filter, bad } = parseDocketFilter(app, params);
	const columns = (params.get('cols') ?? '')
		.split(',')
		.filter((name): name is ReportColumn => Object.hasOwn(REPORT_COLUMNS, name));
	return {
		filter,
		bad,
		long: params.get('long') === '1',
		paper: params.get('paper') === 'a4' ? 'a4' : 'letter',
		columns: columns.length ? columns : REPORT_DEFAULT
	};
}

/**
 * The report as this person may see it.
 * @param limit so many dates at most, the first of them
 */
export function makeReport(
	app: Reader,
	me: Staff,
	request: ReportRequest,
	limit = REPORT_LIMIT
): Report {
	const { rows, total } = listDeadlines(app, me, { ...request.filter, page: 1, per: limit });
	const more = findMore(app, rows);
	const isSaid = [...request.columns, ...groupingOf(request).said].includes('event');
	const full = rows.flatMap((row) => {
		const found = more.get(row.id);
		if (!found) return [];
		return [{ ...toReportRow(app, row, found), of: isSaid ? '' : eventWords(row) }];
	});
	return { ...request, total, rows: full, missedBefore: listMissedBefore(app, me, request.filter) };
}

/** A span that begins today leaves out what was missed yesterday: the report says how many. */
function listMissedBefore(app: Reader, me: Staff, filter: DocketFilter): string[] {
	const { from, show = 'open' } = filter;
	if (!from || !(show === 'open' || show === 'unchecked' || show === 'all')) return [];
	const to = addDays(plainDate(from), -1);
	return listDeadlines(app, me, {
		...filter,
		show: 'unsettled',
		from: undefined,
		to,
		page: 1,
		per: REPORT_LIMIT
	}).rows.map(({ matterId }) => matterId);
}

/** A hearing is called as its event is, and dates by hand have none. */
const eventWords = ({ sort, bookShort, event }: DeadlineView): string =>
	isOccasion(sort) || bookShort === BY_HAND_WORDS ? '' : event;

type More = {
	id: string;
	trace: string;
	version: string;
	caseNumber: string;
	judge: string;
	people: string;
	responsibleId: string;
	responsibleName: string;
	kindName: string;
	/** An instant. */
	changedAt: string;
};

/** Restricted matters: their dates never go where others may read of them. */
export const listRestricted = ({ db }: Reader): Set<string> =>
	new Set(
		all<{ id: string }>(db, 'SELECT id FROM matter WHERE restricted = 1').map(({ id }) => id)
	);

/** Who made it and when, as its pages say. */
export const describeReport = ({ clock }: Reader, { name }: Staff): string =>
	`Printed by ${name}, ${formatDate(clock.today())}, ${timeAt(clock.now(), clock.zone)}`;

/** What a list does not ask for, of all dates at once. */
function findMore({ db }: Reader, rows: readonly DeadlineView[]): Map<string, More> {
	const found = all<More>(
		db,
		`SELECT
			d.id, d.trace, d.book_version AS version,
			coalesce(
				nullif(${factSql('m', 'case-number')}, ''),
				${factSql('m', 'docket-number')}
			) AS caseNumber,
			${factSql('m', 'judge')} AS judge,
			(
				SELECT group_concat(name, ', ')
				FROM (
					SELECT s.name
					FROM staff s
					WHERE ${onTeam('m', 's.id')}
					ORDER BY s.name
				)
			) AS people,
			q.id AS responsibleId, q.name AS responsibleName, k.name AS kindName,
			max(
				e.entered_at, coalesce(d.docketed_at, ''), coalesce(d.checked_at, ''),
				coalesce(d.moved_at, ''), coalesce(d.returned_at, ''), coalesce(d.left_at, ''),
				coalesce(d.closed_at, ''), coalesce(d.late_at, '')
			) AS changedAt
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		CROSS JOIN kind k ON k.id = m.kind
		CROSS JOIN date_people p ON p.deadline_id = d.id
		CROSS JOIN staff q ON q.id = p.assignee_id
		WHERE d.id IN (SELECT value FROM json_each(@ids))`,
		{ ids: JSON.stringify(rows.map(({ id }) => id)) }
	);
	return new Map(found.map((row) => [row.id, row]));
}

function toReportRow(app: Reader, row: DeadlineView, more: More): Omit<ReportRow, 'of'> {
	const { trace, version, changedAt, ...said } = more;
	return {
		...row,
		...said,
		count: describe(row, trace),
		rulebook: [row.bookShort, version].filter(Boolean).join(' '),
		changed: dayAt(changedAt, app.clock.zone)
	};
}

/**
 * What the count did beside counting: what was rolled, how service counted, which reading was
 * cautious.
 */
const NOTABLE: ReadonlySet<Step['step']> = new Set([
	'rolled',
	'service',
	'deemed',
	'stays',
	'no-service',
	'weekday'
]);

/** When a date was met that was due before, why, and who gave the second word. */
function formatLate({ closedOn, lateReason, lateBy, lateWord }: DeadlineView): string {
	const word = lateBy ? `${lateBy}: ${lateWord}` : 'without a second person’s word yet';
	return `Met late${closedOn ? ` on ${formatDate(closedOn)}` : ''}: ${lateReason}; ${word}.`;
}

function describe(deadline: DeadlineView, trace: string): string {
	const steps = parseTrace(trace).filter(({ step }) => NOTABLE.has(step));
	return [
		...steps.map(explainStep),
		deadline.closed && `${capitalize(describeClosed(deadline.closed))}.`,
		deadline.state === 'late' && formatLate(deadline),
		deadline.left && `${capitalize(explainLeft(deadline.left))}.`,
		deadline.computed && `Moved by ${deadline.movedHow}: ${deadline.movedReason}.`,
		deadline.stale
	]
		.filter(Boolean)
		.join(' ');
}
