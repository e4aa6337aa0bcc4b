/**
 * The events of the house with their dates as they stand, one after another: what a change of
 * books, closures or orders is held against.
 */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import type { Alteration } from './effects.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { listWindows, RUN_DAYS } from './windows.ts';

/**
 * A date as it stands, with its event: read as places, since a house has hundreds of thousands of
 * them.
 */
type Line = [
	eventId: string,
	matterId: string,
	eventKey: string,
	book: string,
	date: PlainDate,
	time: string | null,
	service: string | null,
	answers: string,
	deadlineId: string | null,
	rule: string,
	state: DeadlineRow['state'],
	due: PlainDate,
	dueTime: string | null,
	moved: PlainDate | null
];
export type StandingEvent = Pick<EventRow, 'id' | 'date' | 'time' | 'service' | 'answers'> & {
	matterId: string;
	key: string;
	bookId: string;
	dates: StandingDate[];
};
export type StandingDate = {
	id: string;
	rule: string;
	state: DeadlineRow['state'];
	/** The rule's own day. */
	due: PlainDate;
	time: string | null;
	/** The day an order or an agreement moved it to. */
	moved: PlainDate | null;
};

/** What of each event and date is read, in the order of `Line`. */
const PLACES = `
	e.id, e.matter_id, e.event_key, e.book, e.date, e.time, e.service, e.answers,
	d.id, d.rule, d.state, coalesce(d.computed, d.date), d.time,
	CASE WHEN d.computed IS NOT NULL AND d.state <> 'vacated' THEN d.date END`;

/** Every event of the books. */
const ALL_EVENTS = `
	SELECT ${PLACES}
	FROM event e
	LEFT JOIN deadline d ON d.event_id = e.id AND d.sort = 'deadline'
	WHERE e.withdrawn_at IS NULL
		AND e.book IN (SELECT value FROM json_each(@books))
		AND (@matterId IS NULL OR e.matter_id = @matterId)
	ORDER BY e.id`;

const STILL_MAY_MOVE = "(d.state IN ('docketed', 'proposed') OR d.computed IS NOT NULL)";

/**
 * Events of which the day alone does not say whether a closed day touches them: those whose dates
 * hang on more than it, those with a date that was moved or left, those for which a change waits
 * (it may lead onto the closed day), and those under an order, whose counts may be any.
 */
const OTHER_EVENTS = `
	WITH other(id) AS (
		SELECT e.id
		FROM json_each(@windows) w
		CROSS JOIN event e INDEXED BY event_book_key
			ON e.book = w.value ->> 'book' AND e.event_key = w.value ->> 'key'
		WHERE w.value ->> 'alone' = 0
		UNION
		SELECT event_id FROM deadline WHERE computed IS NOT NULL
		UNION
		SELECT event_id FROM date_change WHERE state = 'waits'
		UNION
		SELECT event_id FROM deadline WHERE left_by IS NOT NULL
		UNION
		SELECT e.id
		FROM matter_order o
		CROSS JOIN event e ON e.matter_id = o.matter_id
		WHERE o.ended_at IS NULL
	)
	SELECT ${PLACES}
	FROM other
	CROSS JOIN event e ON e.id = other.id
	CROSS JOIN deadline d INDEXED BY deadline_may_move
		ON d.event_id = e.id AND d.sort = 'deadline'
	WHERE e.withdrawn_at IS NULL
		AND e.book IN (SELECT value FROM json_each(@books))
		AND (@matterId IS NULL OR e.matter_id = @matterId)
		AND ${STILL_MAY_MOVE}
	ORDER BY e.id`;

/**
 * Dates that hang on their event's day alone, where a closed day lies between the two: the event
 * lies within the window of its kind. One row after another by event.
 */
const NEAR_DATES = `
	SELECT ${PLACES}
	FROM json_each(@windows) w
	CROSS JOIN event e INDEXED BY event_book_key
		ON e.book = w.value ->> 'book'
		AND e.event_key = w.value ->> 'key'
		AND e.date BETWEEN w.value ->> 'from' AND w.value ->> 'to'
	CROSS JOIN deadline d INDEXED BY deadline_may_move
		ON d.event_id = e.id AND d.sort = 'deadline'
	WHERE w.value ->> 'alone' = 1
		AND e.withdrawn_at IS NULL
		AND (@matterId IS NULL OR e.matter_id = @matterId)
		AND ${STILL_MAY_MOVE}
		AND (d.suggested = 1 OR (min(e.date, d.date) <= @last AND max(e.date, d.date) >= @first))`;

/** The days that are closed, or open again; none where every event is counted anew. */
function listAlteredDays({ everything, fresh, closures, without }: Alteration): PlainDate[] {
	if (everything || fresh) return [];
	const altered = closures ?? (without ? [without] : []);
	return altered.map(({ date }) => date).sort();
}

/** Rows put together by event. */
function* byEvent(lines: Iterable<Line>): Generator<StandingEvent> {
	let event: StandingEvent | undefined;
	for (const line of lines) {
		const [id, ofMatter, key, bookId, date, time, service, answers, deadlineId] = line;
		if (event?.id !== id) {
			if (event) yield event;
			event = { id, matterId: ofMatter, key, bookId, date, time, service, answers, dates: [] };
		}
		const [, , , , , , , , , rule, state, due, dueTime, moved] = line;
		if (deadlineId !== null)
			event.dates.push({ id: deadlineId, rule, state, due, time: dueTime, moved });
	}
	if (event) yield event;
}

/** Those that the change may touch, by event. */
export function* iterateEvents(
	{ db }: Pick<Application, 'db'>,
	alteration: Alteration
): Generator<StandingEvent> {
	const { books, shelf, matterId = null } = alteration;
	const read = (sql: string, asked: object) =>
		byEvent(db.prepare(sql).raw().iterate(asked) as Iterable<Line>);
	const asked = { books: JSON.stringify(books), matterId };
	const days = listAlteredDays(alteration);
	const [first, last] = [days[0], days.at(-1)];
	if (!first || !last) return yield* read(ALL_EVENTS, asked);
	const windows = JSON.stringify(
		listWindows(
			books.map((id) => shelf.book(id)),
			{ first, last, count: days.length }
		)
	);
	const others = new Set<string>();
	for (const event of read(OTHER_EVENTS, { ...asked, windows })) {
		others.add(event.id);
		yield event;
	}
	// A date that rolled towards its event, off a run of closed days, does not have them between the
	// two: where one of them opens, it may roll less far.
	const run = alteration.without ? RUN_DAYS : 0;
	const between = { first: addDays(first, -run), last: addDays(last, run) };
	for (const event of read(NEAR_DATES, { matterId, windows, ...between }))
		if (!others.has(event.id)) yield event;
}
