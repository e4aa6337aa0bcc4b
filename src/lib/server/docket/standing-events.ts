/**
 * The events of the house with their dates as they stand, one after another: what a change of
 * books, closures or orders is held against.
 */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import { parseAmount } from '#core/docket/amount.ts';
import type { Rule } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import type { Alteration } from './effects.ts';
import type { DeadlineRow, EventRow } from './rows.ts';

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

/**
 * A count looks only at the days between its event and its date. Where it rolls back to a court
 * day, it also looked at the closed days behind it: no run of them is longer.
 */
const REACH_DAYS = 10;

/** How many calendar days a unit is at most: five court days may lie in a fortnight. */
const DAYS_IN: Readonly<Record<string, number>> = { d: 1, cd: 3, w: 7, m: 31, y: 366, h: 1 };

/** An early warning lies so many days, at most, from the date it warns of, where its count ends. */
const warningDays = ({ books, shelf }: Alteration): number =>
	Math.max(
		0,
		...books
			.flatMap((id) => [...shelf.book(id).events.values()])
			.flatMap(({ suggestions }) => suggestions)
			.map(({ count }) => parseAmount(count))
			.map(({ n, unit }) => n * (DAYS_IN[unit] ?? 1))
	);

/** The days near the closures: a date whose count lies beyond them is not touched by it. */
function reachOf(alteration: Alteration) {
	const { everything, fresh, closures, without } = alteration;
	const altered = closures ?? (without ? [without] : []);
	const days = everything || fresh ? [] : altered.map(({ date }) => date).sort();
	const [first, last] = [days[0], days.at(-1)];
	if (!first || !last) return { from: null, to: null, warnedFrom: null, warnedTo: null };
	const warned = REACH_DAYS + warningDays(alteration);
	// A run of closures lengthens how far a count may roll.
	const reach = REACH_DAYS + days.length;
	return {
		from: addDays(first, -reach),
		to: addDays(last, reach),
		warnedFrom: addDays(first, -warned - days.length),
		warnedTo: addDays(last, warned + days.length)
	};
}

/**
 * The events whose dates all hang on the event's day alone, and not on answers or on other counts
 * beside it, as `book key`.
 */
const listAloneEvents = ({ books, shelf }: Alteration): string[] =>
	books.flatMap((id) =>
		[...shelf.book(id).events]
			.filter(([, event]) => event.rules.every(countsFromItsEvent))
			.map(([key]) => `${id} ${key}`)
	);

/** Those that the change may touch, by event. */
export function* iterateEvents(
	app: Pick<Application, 'db'>,
	alteration: Alteration
): Generator<StandingEvent> {
	const lines = app.db
		.prepare(
			`SELECT
				e.id, e.matter_id, e.event_key, e.book, e.date, e.time, e.service, e.answers,
				d.id, d.rule, d.state, coalesce(d.computed, d.date), d.time,
				CASE WHEN d.computed IS NOT NULL AND d.state <> 'vacated' THEN d.date END
			FROM event e
			LEFT JOIN deadline d ON d.event_id = e.id AND d.sort = 'deadline'
			WHERE e.withdrawn_at IS NULL
				AND e.book IN (SELECT value FROM json_each(@books))
				AND (@matterId IS NULL OR e.matter_id = @matterId)
				AND (
					@from IS NULL
					OR (
						(d.state IN ('docketed', 'proposed') OR d.computed IS NOT NULL)
						AND (
							(
								min(e.date, coalesce(d.computed, d.date)) <= @to
								AND max(e.date, coalesce(d.computed, d.date)) >= @from
							)
							OR (d.suggested = 1 AND d.date BETWEEN @warnedFrom AND @warnedTo)
							OR d.computed IS NOT NULL
							OR e.book || ' ' || e.event_key NOT IN (SELECT value FROM json_each(@alone))
							OR e.matter_id IN (SELECT matter_id FROM matter_order WHERE ended_at IS NULL)
						)
					)
				)
			ORDER BY e.id`
		)
		.raw()
		.iterate({
			books: JSON.stringify(alteration.books),
			alone: JSON.stringify(listAloneEvents(alteration)),
			matterId: alteration.matterId ?? null,
			...reachOf(alteration)
		}) as Iterable<Line>;
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

const countsFromItsEvent = ({ count, variants }: Rule): boolean =>
	[count, ...variants.map((variant) => variant.count)].every(
		(expression) =>
			expression === undefined ||
			(expression.kind === 'count' && expression.from === 'event' && expression.of === undefined)
	);
