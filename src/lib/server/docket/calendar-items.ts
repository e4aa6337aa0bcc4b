/** Dates and hearings as entries of a calendar. */
import { RESULT_WORDS } from '#core/docket/occasion.ts';
import { describeLeft, NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import type { Application } from '#server/app/application.ts';
import type { CalendarItem } from '#server/calendar/write.ts';
import { all, one, type Params } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { factSql } from '#server/matters/sql.ts';
import { requireBook } from '#server/rulebooks/shelf.ts';
import { isLate } from './met-late.ts';
import type { DeadlineRow } from './rows.ts';

type OfMatter = {
	number: string;
	matterTitle: string;
	status: MatterRow['status'];
	matterVersion: number;
	/** What sets it, with its name; the court of the matter. */
	event: string;
	court: string | null;
	workingMark: string | null;
};
const MATTER_COLUMNS = 'm.number, m.title AS matterTitle, m.status, m.version AS matterVersion';

/** A date with its matter. */
export type DatedRow = DeadlineRow & OfMatter;
const SELECT_DATES = `SELECT
		d.*, ${MATTER_COLUMNS}, ${factSql('m', 'court')} AS court, w.label AS workingMark,
		e.text || CASE WHEN e.name <> '' THEN ' (' || e.name || ')' ELSE '' END AS event
	FROM deadline d
	JOIN event e ON e.id = d.event_id
	JOIN matter m ON m.id = d.matter_id
	LEFT JOIN working_mark w ON w.id = d.working_mark_id`;

export const requireDated = (app: Application, deadlineId: string): DatedRow =>
	one<DatedRow>(app.db, `${SELECT_DATES} WHERE d.id = @deadlineId`, { deadlineId });

/** Whether it holds no longer: vacated, or its matter closed. */
export const isOff = ({ state, status }: DatedRow): boolean =>
	state === 'vacated' || status === 'closed';

/** The time at which it is due: the department's own, or else the rule's. */
export const timeOf = ({ hand_time, time }: DatedRow): string | null => hand_time ?? time;

const zoneOf = (app: Application, book: string) =>
	book ? requireBook(app, book).method.zone : app.clock.zone;

/** A date as an entry. */
export function dateItem(app: Application, date: DatedRow): CalendarItem {
	const address = `${app.origin}/matters/${date.number}/docket?deadline=${date.id}`;
	const description = [
		date.title,
		date.book !== '' && date.sort === 'deadline' && `From: ${date.event}`,
		date.court,
		`${date.authority}: ${app.origin}/docket/authority/${date.id}`,
		date.left_by !== null && `${capitalize(describeLeft(date.rule_gives))}.`,
		date.workingMark && `Marked: ${date.workingMark}`,
		date.internal && `Our own date: ${formatDate(date.internal)}`,
		date.long,
		address
	];
	return {
		uid: `${date.id}@kite-pen.local`,
		sequence: date.version - 1 + (date.matterVersion - 1),
		title: `${date.short || date.title}${ofEvent(date)}, ${date.number} ${date.matterTitle}${remark(date)}${marked(date)}`,
		date: date.date,
		time: timeOf(date),
		zone: zoneOf(app, date.book),
		description: description.filter(Boolean).join('\n'),
		place: date.place,
		url: date.link || address,
		cancelled: isOff(date),
		category: capitalize(date.sort)
	};
}

/** "Opposition" alone says nothing: of what. */
const ofEvent = ({ book, sort, event }: DatedRow): string =>
	book === '' || sort !== 'deadline' ? '' : `: ${event}`;

const marked = ({ workingMark }: DatedRow): string => (workingMark ? ` [${workingMark}]` : '');

function remark(date: DatedRow): string {
	if (date.result) return ` (${RESULT_WORDS[date.result]})`;
	if (date.state === 'met') return isLate(date) ? ' (met late)' : ' (met)';
	if (date.left_by !== null) return ` (${NO_LONGER_FOLLOWS})`;
	return date.checked_by !== null || isOff(date) ? '' : ' (not checked yet)';
}

/** The dates that hold, with the condition on `d` and `m`. */
export const listDateItems = (app: Application, where: string, params: Params): CalendarItem[] =>
	all<DatedRow>(
		app.db,
		`${SELECT_DATES}
		WHERE d.state <> 'proposed' AND d.date >= @from AND ${where}
		ORDER BY d.date, d.id
		LIMIT 20000`,
		params
	).map((date) => dateItem(app, date));
