/**
 * The docket report: the dates of a span by matter, person, unit or all, in two orders, with the
 * columns one chose.
 */
import { plainDate } from '#core/dates/plain.ts';
import { parseTypedDate } from '#core/dates/typed.ts';
import { RESULT_WORDS } from '#core/docket/occasion.ts';
import { describeClosed, explainLeft, NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
import { explainStep, type Step } from '#core/docket/trace.ts';
import { formatDate, formatDay } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { findDateOrder } from '#server/app/department.ts';
import { maybeOne, scalar } from '#server/db/sql.ts';
import { parseTrace } from './counts.ts';
import { listDeadlines, SHOWS, type DeadlineView, type DocketFilter } from './list.ts';

/** A day of an address, as it was typed into a form that makes one. */
function readDay(app: Application, typed: string | null): PlainDate | undefined {
	const read = typed ? parseTypedDate(typed, app.clock.today(), findDateOrder(app)) : undefined;
	return read && 'date' in read ? read.date : undefined;
}

/** The filter of the docket from an address; what is no date is left out and said. */
export function parseDocketFilter(
	app: Application,
	params: URLSearchParams
): { filter: DocketFilter; bad: string } {
	const [from, to] = [readDay(app, params.get('from')), readDay(app, params.get('to'))];
	const show = SHOWS.find((value) => value === params.get('show'));
	const text = (name: string) => {
		const value = params.get(name)?.trim();
		return value && value.length <= 200 ? value : undefined;
	};
	const filter: DocketFilter = {
		...(show && show !== 'open' ? { show } : {}),
		from,
		to,
		who: text('who') === 'all' ? undefined : text('who'),
		unit: text('unit'),
		kind: text('kind'),
		court: text('court'),
		matter: text('matter'),
		tag: text('tag'),
		mark: text('mark'),
		order: params.get('order') === 'matter' ? 'matter' : undefined,
		page: Math.max(1, Math.floor(Number(params.get('page'))) || 1)
	};
	if ((params.get('from') && !from) || (params.get('to') && !to))
		return { filter, bad: 'One of the days is not a date that exists; it was left out.' };
	const crossed = from && to && from > to;
	const bad = crossed ? 'The first day is after the last: nothing lies between them.' : '';
	return { filter, bad };
}

export const REPORT_COLUMNS = {
	date: 'Date',
	time: 'Time',
	title: 'What',
	matter: 'Matter',
	number: 'Number',
	authority: 'Authority',
	state: 'State',
	checked: 'Second check',
	responsible: 'Lawyer',
	unit: 'Business unit',
	court: 'Court',
	event: 'Event',
	computed: 'Rule gives',
	internal: 'Our date',
	outcome: 'Outcome',
	place: 'Place',
	tags: 'Tags',
	workingMark: 'Mark',
	count: 'How it was counted'
} as const;
export type ReportColumn = keyof typeof REPORT_COLUMNS;
const REPORT_DEFAULT: ReportColumn[] = [
	'date',
	'time',
	'title',
	'matter',
	'authority',
	'state',
	'checked',
	'responsible',
	'count'
];
/** Columns that hold a day. */
export const DAY_COLUMNS: ReadonlySet<ReportColumn> = new Set(['date', 'computed', 'internal']);
/** More dates than this are not reported at once; the head says so. */
const REPORT_LIMIT = 5000;

export type ReportRow = DeadlineView & { count: string };
export type ReportRequest = { filter: DocketFilter; columns: ReportColumn[]; long: boolean };
export type Report = ReportRequest & { rows: ReportRow[]; total: number };

/** What an address asks for. */
export function parseReport(
	app: Application,
	params: URLSearchParams
): ReportRequest & { bad: string } {
	const { filter, bad } = parseDocketFilter(app, params);
	const columns = (params.get('cols') ?? '')
		.split(',')
		.filter((name): name is ReportColumn => Object.hasOwn(REPORT_COLUMNS, name));
	return {
		filter,
		bad,
		long: params.get('long') === '1',
		columns: columns.length ? columns : REPORT_DEFAULT
	};
}

/** The report as this person may see it. */
export function makeReport(app: Application, me: Staff, request: ReportRequest): Report {
	const all = { ...request.filter, page: 1, per: REPORT_LIMIT };
	const { rows, total } = listDeadlines(app, me, all);
	return { ...request, total, rows: rows.map((row) => ({ ...row, count: describe(app, row) })) };
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

function describe(app: Application, deadline: DeadlineView): string {
	const stored = scalar<string>(app.db, 'SELECT trace FROM deadline WHERE id = @id', {
		id: deadline.id
	});
	const steps = parseTrace(stored).filter(({ step }) => NOTABLE.has(step));
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

/**
 * The title of a date in a report: with its long description, or its short one in the title's
 * place.
 */
export const formatTitle = (row: ReportRow, long: boolean): string =>
	long ? [row.title, row.long].filter(Boolean).join('\n') : row.short || row.title;

function formatCheck(row: ReportRow): string {
	if (row.left) return NO_LONGER_FOLLOWS;
	if (row.checked) return `checked by ${row.checkedBy}`;
	if (row.returnedBy) return `returned by ${row.returnedBy}`;
	return ['docketed', 'missed', 'passed'].includes(row.state) ? 'needs a second check' : '';
}

const STATE_WORDS: Readonly<Record<string, string>> = {
	passed: 'outcome not entered',
	late: 'met late'
};
/** How an entry stands, in the words of what it is. */
function formatState({ state, result }: ReportRow): string {
	if (result) return RESULT_WORDS[result];
	return STATE_WORDS[state] ?? state;
}

/** The text of one cell; days as YYYY-MM-DD. */
export function formatCell(row: ReportRow, column: ReportColumn, long: boolean): string {
	if (column === 'title') return formatTitle(row, long);
	if (column === 'matter') return row.matterTitle;
	if (column === 'number') return row.matterNumber;
	if (column === 'checked') return formatCheck(row);
	if (column === 'tags') return row.tags.join(', ');
	if (column === 'state') return formatState(row);
	if (column === 'outcome')
		return [row.outcome, row.appeared && `Appeared: ${row.appeared}.`].filter(Boolean).join(' ');
	return row[column] ?? '';
}

/** The text of one cell as people read it; days with their weekday. */
export function formatReadable(
	row: ReportRow,
	column: ReportColumn,
	long: boolean,
	today: PlainDate
): string {
	const text = formatCell(row, column, long);
	return DAY_COLUMNS.has(column) && text ? formatDay(plainDate(text), today) : text;
}

export type ReportGroup = { key: string; name: string; rows: ReportRow[] };
/** Groups by day or by matter, as the order says. */
export function groupRows({ rows, filter }: Report): ReportGroup[] {
	const groups: ReportGroup[] = [];
	for (const row of rows) {
		const byMatter = filter.order === 'matter';
		const key = byMatter ? row.matterNumber : row.date;
		let group = groups.at(-1);
		if (group?.key !== key) {
			const name = byMatter ? `${row.matterNumber} ${row.matterTitle}` : formatDate(row.date);
			group = { key, name, rows: [] };
			groups.push(group);
		}
		group.rows.push(row);
	}
	return groups;
}

const SHOW_WORDS = {
	open: 'Docketed dates',
	hearings: 'Hearings and their like',
	unchecked: 'Docketed dates without a second check',
	missed: 'Missed dates, those met late among them',
	unsettled: 'Missed dates that are not settled',
	settled: 'Missed dates that were met late and are settled',
	passed: 'Hearings without an outcome',
	returned: 'Dates the second check returned',
	proposed: 'Proposed dates',
	all: 'All dates'
} as const;

const WHOSE_WORDS: Readonly<Record<string, string>> = {
	mine: 'of my matters',
	held: 'that are mine to see to today',
	nobody: 'held by nobody who is here',
	answers: 'for me to answer'
};

function formatMark({ db }: Application, mark: string): string {
	if (mark === 'any') return 'with a mark';
	const found = maybeOne<{ label: string }>(db, 'SELECT label FROM working_mark WHERE id = @mark', {
		mark
	});
	return `marked “${found?.label ?? mark}”`;
}

/** What a filter asks, in words, for the head of a report. */
export function formatFilter(app: Application, filter: DocketFilter): string {
	const nameIn = (table: 'staff' | 'business_unit' | 'kind', id: string): string =>
		maybeOne<{ name: string }>(app.db, `SELECT name FROM ${table} WHERE id = @id`, { id })?.name ??
		id;
	const { show, matter, who, unit, kind, court, tag, mark, from, to } = filter;
	const parts = [
		SHOW_WORDS[show ?? 'open'],
		matter && `of ${matter}`,
		who && (WHOSE_WORDS[who] ?? `of ${nameIn('staff', who)}`),
		unit && `for ${nameIn('business_unit', unit)}`,
		kind && `of kind ${nameIn('kind', kind)}`,
		court && `in ${court}`,
		tag && `tagged ${tag}`,
		mark && formatMark(app, mark),
		from && `from ${formatDate(plainDate(from))}`,
		to && `to ${formatDate(plainDate(to))}`
	];
	return parts.filter(Boolean).join(' ');
}
