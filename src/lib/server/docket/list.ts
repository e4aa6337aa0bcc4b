/** Lists of dates: of the department, of a span of days, of whatever a filter says. */
import type { PlainDate } from '#core/dates/plain.ts';
import { COUNTED_TO } from '#core/format/words.ts';
import { isOccasion, type Result, type Sort } from '#core/docket/occasion.ts';
import type { LeftDate } from '#core/docket/standing.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, scalar, type Params } from '#server/db/sql.ts';
import { factSql } from '#server/matters/sql.ts';
import { requireBook, staleWarning } from '#server/rulebooks/shelf.ts';
import { conditionsOf, orderOf, type DocketFilter } from './docket-filter.ts';
import type { DeadlineRow } from './rows.ts';
import { closedDayFinder } from './set-days.ts';

/** Missed is derived: docketed, and its day has passed. */
/** A hearing whose day has passed is not missed: it waits for its outcome. */
export type DeadlineState = DeadlineRow['state'] | 'missed' | 'passed' | 'late';

export type DeadlineView = {
	id: string;
	matterId: string;
	matterNumber: string;
	matterTitle: string;
	eventId: string;
	event: string;
	eventDate: PlainDate;
	title: string;
	authority: string;
	suggested: boolean;
	state: DeadlineState;
	checked: boolean;
	date: PlainDate;
	time: string | null;
	/** Initials. */
	docketedBy: string | null;
	docketedById: string | null;
	checkedBy: string | null;
	closedOn: PlainDate | null;
	reason: string;
	court: string;
	bookShort: string;
	stale: string | null;
	/** The rule's own date, where an order or an agreement moved it. */
	computed: PlainDate | null;
	movedHow: DeadlineRow['moved_how'];
	movedReason: string;
	internal: PlainDate | null;
	place: string;
	link: string;
	short: string;
	long: string;
	handTime: string | null;
	returnedBy: string | null;
	returnedReason: string;
	/** Where it does not follow what sets it any more. */
	left: LeftDate | null;
	/** Why the court does not sit that day, where no count chose it. */
	closed: string | null;
	sort: Sort;
	result: Result | null;
	outcome: string;
	appeared: string;
	/** Of a date that was met late: why, and the second person's word. */
	lateReason: string;
	lateBy: string | null;
	lateWord: string;
	setAside: 0 | 1;
	/** Of its rule. */
	tags: string[];
	/** A word of the department's own on it. */
	workingMark: string | null;
	/** When its event was entered. */
	enteredAt: string;
	/** Initials of whose it is, of who stands in, and of who holds it today. */
	responsible: string;
	standIn: string | null;
	holder: string;
	holderId: string;
	/** Its own people; null where they are the matter's. */
	assigneeId: string | null;
	standInId: string | null;
	unit: string;
	kind: string;
	version: number;
};

/** A date's title with what it is of, since "Opposition" alone says nothing; of `d` and `e`. */
export const FULL_TITLE = `d.title || CASE
		WHEN d.sort = 'deadline' AND d.book <> '' THEN ' (' || e.text || ')'
		ELSE ''
	END`;

/** Dates with everything a list shows of them; first the dates, then what belongs to each. */
export const SELECT_DEADLINES = `SELECT
		d.id, m.id AS matterId, m.number AS matterNumber, m.title AS matterTitle,
		d.event_id AS eventId, e.event_key AS eventKey, d.rule,
		e.text || CASE WHEN e.name <> '' THEN ' (' || e.name || ')' ELSE '' END AS event,
		e.date AS eventDate, d.title, d.authority, d.suggested, d.state, d.date,
		coalesce(d.hand_time, d.time) AS time, d.book, m.rulebook, a.initials AS docketedBy,
		d.docketed_by AS docketedById, c.initials AS checkedBy, d.closed_on AS closedOn, d.reason,
		${factSql('m', 'court')} AS court, d.computed, d.moved_how AS movedHow,
		d.moved_reason AS movedReason, d.internal, d.place, d.link, d.short, d.long,
		d.hand_time AS handTime, r.initials AS returnedBy, d.returned_reason AS returnedReason,
		d.sort, d.result, d.outcome, d.appeared,
		d.late_reason AS lateReason, b.initials AS lateBy, d.late_word AS lateWord,
		d.set_aside AS setAside, e.entered_at AS enteredAt, l.initials AS leftBy, d.left_reason AS leftReason, d.rule_gives AS ruleGives,
		q.initials AS responsible, i.initials AS standIn, h.initials AS holder, h.id AS holderId,
		d.assignee_id AS assigneeId, d.stand_in_id AS standInId, u.name AS unit, m.kind, d.version,
		w.label AS workingMark
	FROM deadline d
	JOIN matter m ON m.id = d.matter_id
	JOIN event e ON e.id = d.event_id
	CROSS JOIN date_people p ON p.deadline_id = d.id
	CROSS JOIN staff q ON q.id = p.assignee_id
	CROSS JOIN staff h ON h.id = p.holder_id
	LEFT JOIN staff i ON i.id = p.stand_in_id
	CROSS JOIN business_unit u ON u.id = m.unit_id
	LEFT JOIN staff a ON a.id = d.docketed_by
	LEFT JOIN staff c ON c.id = d.checked_by
	LEFT JOIN staff r ON r.id = d.returned_by
	LEFT JOIN staff l ON l.id = d.left_by
	LEFT JOIN staff b ON b.id = d.late_by
	LEFT JOIN working_mark w ON w.id = d.working_mark_id`;

/** What `SELECT_DEADLINES` gives. */
export type DeadlineListRow = Omit<
	DeadlineView,
	'suggested' | 'state' | 'checked' | 'bookShort' | 'stale' | 'left' | 'closed' | 'tags'
> & {
	suggested: 0 | 1;
	state: DeadlineRow['state'];
	eventKey: string;
	rule: string;
	book: string;
	rulebook: string | null;
	leftBy: string | null;
	leftReason: string;
	ruleGives: PlainDate | null;
};

type Standing = Pick<DeadlineRow, 'state' | 'date' | 'sort'> & { closedOn?: PlainDate | null };
/** Missed, passed and met late are derived. */
export const stateOn = (
	{ state, date, sort, closedOn }: Standing,
	today: PlainDate
): DeadlineState => {
	if (state === 'met' && !isOccasion(sort) && closedOn && closedOn > date) return 'late';
	if (state !== 'docketed' || date >= today) return state;
	return isOccasion(sort) ? 'passed' : 'missed';
};

/** Rows as their screens show them. */
export function viewDeadlines(app: Reader, rows: readonly DeadlineListRow[]): DeadlineView[] {
	const today = app.clock.today();
	const findClosed = closedDayFinder(app);
	return rows.map(({ book: bookId, rulebook, leftBy, leftReason, ruleGives, ...all }) => {
		const book = bookId ? requireBook(app, bookId) : null;
		const { eventKey, rule, ...row } = all;
		return {
			...row,
			tags: book?.events.get(eventKey)?.rules.find(({ id }) => id === rule)?.tags ?? [],
			suggested: row.suggested === 1,
			state: stateOn(row, today),
			checked: row.checkedBy !== null,
			closed: findClosed({ ...row, book: bookId, rulebook }),
			left: leftBy === null ? null : { by: leftBy, gives: ruleGives, reason: leftReason },
			bookShort: book?.short ?? BY_HAND_WORDS,
			stale: book && staleWarning(book, today)
		};
	});
}

/** In the place of a book's name, where none counted. */
export const BY_HAND_WORDS = 'by hand';
export const DOCKET_PAGE = 80;

/** What a list shows of these dates, in their order. */
function findRows({ db }: Reader, ids: readonly { id: string }[]): DeadlineListRow[] {
	const found = all<DeadlineListRow>(
		db,
		`${SELECT_DEADLINES} WHERE d.id IN (SELECT value FROM json_each(@ids))`,
		{ ids: JSON.stringify(ids.map(({ id }) => id)) }
	);
	const byId = new Map(found.map((row) => [row.id, row]));
	return ids.flatMap(({ id }) => byId.get(id) ?? []);
}

/** Whether dates can be read in the order they are asked for, until the page is full. */
const isRead = ({ order }: DocketFilter): boolean => (order ?? 'day') === 'day';

/**
 * Where dates are read from, in the order they are wanted: the dates first, or the events where
 * their age is the order. Left alone, the many open matters would be read first.
 */
function readFrom({ matter, show, order }: DocketFilter): string {
	if (matter)
		return 'deadline d JOIN event e ON e.id = d.event_id JOIN matter m ON m.id = d.matter_id';
	return show === 'proposed' && !order
		? `event e
			CROSS JOIN deadline d ON d.event_id = e.id
			CROSS JOIN matter m ON m.id = d.matter_id`
		: `deadline d
			CROSS JOIN event e ON e.id = d.event_id
			CROSS JOIN matter m ON m.id = d.matter_id`;
}

/** Where a filter's dates are read from, of `d`, `e` and `m`. */
export function sourceOf(app: Reader, me: Staff, filter: DocketFilter) {
	const { matter, state, days, params } = conditionsOf(app, me, filter);
	const where = `${state} AND ${days('d.date')} AND ${matter}`;
	return { where, from: `FROM ${readFrom(filter)} WHERE ${where}`, params };
}
const countUpTo = ({ db }: Reader, from: string, params: Params): number =>
	scalar(db, `SELECT count(*) FROM (SELECT 1 ${from} LIMIT @most)`, params);

/** How many dates a filter finds: exactly up to a thousand. */
export function countDeadlines(app: Reader, me: Staff, filter: DocketFilter): number {
	const { from, params } = sourceOf(app, me, filter);
	return countUpTo(app, from, { ...params, most: COUNTED_TO + 1 });
}

/** How many dates a filter finds in each month, by YYYY-MM; months without any are not there. */
export function countDeadlinesByMonth(
	app: Reader,
	me: Staff,
	filter: DocketFilter
): ReadonlyMap<string, number> {
	const { from, params } = sourceOf(app, me, filter);
	const rows = all<{ month: string; n: number }>(
		app.db,
		`SELECT substr(d.date, 1, 7) AS month, count(*) AS n ${from} GROUP BY 1`,
		params
	);
	return new Map(rows.map(({ month, n }) => [month, n]));
}

/**
 * The department's docket: every date in matters the viewer may see.
 * @returns a page of them, and how many there are: exactly up to a thousand and a page more
 */
export function listDeadlines(
	app: Reader,
	me: Staff,
	filter: DocketFilter
): { rows: DeadlineView[]; total: number } {
	const { where, from, params } = sourceOf(app, me, filter);
	const limit = filter.per ?? DOCKET_PAGE;
	const offset = limit * ((filter.page ?? 1) - 1);
	const most = offset + Math.max(limit, COUNTED_TO) + 1;
	const total = countUpTo(app, from, { ...params, most });
	const page = { ...params, limit, offset };
	const rest = `ORDER BY ${orderOf(filter)} LIMIT @limit OFFSET @offset`;
	const rows = isRead(filter)
		? findRows(app, all<{ id: string }>(app.db, `SELECT d.id ${from} ${rest}`, page))
		: all<DeadlineListRow>(app.db, `${SELECT_DEADLINES} WHERE ${where} ${rest}`, page);
	return { rows: viewDeadlines(app, rows), total };
}
