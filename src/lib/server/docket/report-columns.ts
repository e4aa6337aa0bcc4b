/** The columns of a docket report, and what stands in them. */
import { plainDate, type PlainDate } from '#core/dates/plain.ts';
import { RESULT_WORDS } from '#core/docket/occasion.ts';
import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
import { formatDay } from '#core/format/dates.ts';
import type { DeadlineView } from './list.ts';

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
	caseNumber: 'Case number',
	judge: 'Judge',
	event: 'Event',
	eventDate: 'Event on',
	people: 'People',
	rulebook: 'Rulebook',
	computed: 'Rule gives',
	internal: 'Our date',
	outcome: 'Outcome',
	place: 'Place',
	link: 'Link',
	changed: 'Last changed',
	tags: 'Tags',
	workingMark: 'Mark',
	count: 'How it was counted'
} as const;
export type ReportColumn = keyof typeof REPORT_COLUMNS;
export const REPORT_DEFAULT: ReportColumn[] = [
	'date',
	'time',
	'title',
	'matter',
	'court',
	'authority',
	'state',
	'checked',
	'responsible',
	'count'
];
/** Columns that hold a day. */
export const DAY_COLUMNS: ReadonlySet<ReportColumn> = new Set([
	'date',
	'computed',
	'internal',
	'eventDate',
	'changed'
]);

/** A date with what only a report says of it. */
export type ReportRow = DeadlineView & {
	/** The event it is of, where nothing else says it: "Opposition" alone says nothing. */
	of: string;
	/** What its count did beside counting, in words. */
	count: string;
	caseNumber: string;
	judge: string;
	/** Everyone of the department on its matter. */
	people: string;
	/** Its rulebook with the version that counted it. */
	rulebook: string;
	/** The day of the last change of it. */
	changed: PlainDate;
	responsibleId: string;
	responsibleName: string;
	kindName: string;
};

/**
 * The title of a date in a report with what it is of, and its long description, or its short one in
 * the title's place.
 */
export function formatTitle(row: ReportRow, long: boolean): string {
	const title = long ? row.title : row.short || row.title;
	const full = row.of ? `${title} (${row.of})` : title;
	return long && row.long ? `${full}\n${row.long}` : full;
}
/** The same as people read it: a line for each. */
const formatTitleLines = (row: ReportRow, long: boolean): string =>
	[long ? row.title : row.short || row.title, row.of, long && row.long].filter(Boolean).join('\n');

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
	if (column === 'title') return formatTitleLines(row, long);
	const text = formatCell(row, column, long);
	return DAY_COLUMNS.has(column) && text ? formatDay(plainDate(text), today) : text;
}
