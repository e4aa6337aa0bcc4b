/**
 * How dates are counted here: a matter's book with its orders, and the department's closures over
 * its calendar.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Closure } from '#core/dates/calendar.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import { propose } from '#core/docket/propose.ts';
import { filledAnswers, parseAnswers } from '#core/docket/answers.ts';
import { calendarOf, type Rulebook } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { bookOnMatter, requireBook } from '#server/rulebooks/shelf.ts';
import type { ClosureRow, EventRow, DeadlineRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/**
 * The department's closures for a book: its own layers, and the books that some of its rules are
 * counted by.
 */
export function listClosuresFor({ db }: Has, book: Rulebook): (Closure & { id: string })[] {
	const others = [...book.others.values()];
	const ids = [...book.layers, ...others.flatMap((other) => other.layers)];
	return all<ClosureRow>(
		db,
		'SELECT * FROM closure WHERE book IN (SELECT value FROM json_each(@ids))',
		{ ids: JSON.stringify(ids) }
	);
}

/** The calendar of a book with the department's closures in it. */
export const calendarFor = (app: Has, book: Rulebook): ReturnType<typeof calendarOf> =>
	calendarOf(book, listClosuresFor(app, book));

/** The calendar by which the department counts a colleague's days where no court is concerned. */
export const departmentBook = (app: Has): Rulebook => requireBook(app, 'us-federal');

/**
 * How a date is counted: by its matter's book with its orders; a date by hand, by the days of its
 * matter's court, or else the department's own.
 */
export function countedBy(app: Has, deadline: { matter_id: string; book: string }): Rulebook {
	const court = maybeOne<{ rulebook: string | null }>(
		app.db,
		'SELECT rulebook FROM matter WHERE id = @matter_id',
		{ matter_id: deadline.matter_id }
	);
	const book = deadline.book || court?.rulebook;
	return book ? bookOnMatter(app, deadline.matter_id, book) : departmentBook(app);
}

/** The inputs of an event's count, in part replaced. */
export type EventInputs = Pick<EventRow, 'date' | 'time' | 'service'> & {
	answers: Record<string, string>;
};
export const inputsOf = (event: EventRow): EventInputs => ({
	date: event.date,
	time: event.time,
	service: event.service,
	answers: parseAnswers(event.answers)
});

/** Dates that stand on another day than their rule's, by rule. */
export type MovedDates = ReadonlyMap<string, PlainDate>;

/** The dates of an event that an order or an agreement moved. */
export const listMoved = ({ db }: Has, eventId: string): Map<string, PlainDate> =>
	new Map(
		all<Pick<DeadlineRow, 'rule' | 'date'>>(
			db,
			`SELECT rule, date
			FROM deadline
			WHERE event_id = @eventId AND computed IS NOT NULL AND state <> 'vacated'`,
			{ eventId }
		).map(({ rule, date }) => [rule, date])
	);

/**
 * The deadlines of an event under a book, from these inputs. @throws CountError where they cannot
 * be counted
 */
export const proposeFor = (
	app: Has,
	book: Rulebook,
	eventKey: string,
	inputs: EventInputs,
	moved: MovedDates = new Map()
): ReturnType<typeof propose> =>
	propose(book, {
		event: eventKey,
		moved,
		date: inputs.date,
		time: inputs.time ?? undefined,
		service: inputs.service ?? undefined,
		answers: filledAnswers(inputs.answers),
		closures: listClosuresFor(app, book)
	});

/** The rule under which an event that is itself an entry of the docket keeps that entry. */
export const OCCASION = 'occasion';

/** A hearing stands on the day of its event. */
const occasionOf = ({ text, date, time, book }: EventRow): Proposal => ({
	rule: OCCASION,
	title: text,
	authority: '',
	act: 'serve',
	date,
	time,
	suggested: false,
	book,
	owner: null,
	trace: [{ step: 'taken', date, label: text }]
});

/**
 * The same count once more, from the event's stored inputs and the book as it is now; undefined
 * where no rule sets it.
 */
export function recount(app: Has, event: EventRow, rule: string): Proposal | undefined {
	if (rule === OCCASION) return occasionOf(event);
	if (!event.book) return undefined;
	const book = bookOnMatter(app, event.matter_id, event.book);
	const moved = listMoved(app, event.id);
	const { deadlines } = proposeFor(app, book, event.event_key, inputsOf(event), moved);
	return deadlines.find((proposal) => proposal.rule === rule);
}
