/** The count behind a date: its strip of days and its sentences, both from one trace. */
import type { PlainDate } from '#core/dates/plain.ts';
import { strip, type Cell, type Fold } from '#core/docket/strip.ts';
import { explainTrace, type Step } from '#core/docket/trace.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { maybeOne } from '#server/db/sql.ts';
import { requireBook, staleWarning } from '#server/rulebooks/shelf.ts';
import { calendarFor } from './counting.ts';
import type { DeadlineRow } from './rows.ts';

export type CountView = {
	sentences: string[];
	strip: (Cell | Fold)[];
	reviewed: string;
	bookTitle: string;
	stale: string | null;
	/** The count of the order or agreement that moved the date, where it counted days. */
	moved?: CountView;
};

/** The count of a trace under a book; without a book, a date by hand. */
export function findCount(
	app: Application,
	bookId: string,
	trace: readonly Step[],
	date: PlainDate
): CountView {
	const sentences = explainTrace(trace);
	if (!bookId)
		return { sentences, strip: [], reviewed: '', bookTitle: 'Entered by hand', stale: null };
	const book = requireBook(app, bookId);
	return {
		sentences,
		strip: strip(trace, date, calendarFor(app, book)),
		reviewed: book.reviewed,
		bookTitle: book.title,
		stale: staleWarning(book, app.clock.today())
	};
}

/** A stored trace. */
export const parseTrace = (json: string): Step[] => JSON.parse(json) as Step[];

/** What a count says it was not given: it is then of a part only, or of what was assumed. */
export const listUnanswered = (trace: readonly Step[]): string[] => [
	...new Set(trace.flatMap((step) => (step.step === 'missing' ? [step.text] : [])))
];

/** The count that moved a date, as it was kept; undefined where it was moved to a day. */
export const findMoveCount = (
	app: Application,
	{ book, date, move_trace: trace }: Pick<DeadlineRow, 'book' | 'date' | 'move_trace'>
): CountView | undefined =>
	trace === null ? undefined : findCount(app, book, parseTrace(trace), date);

/**
 * The count of one date that the viewer may see: of a moved date, that of the day the rule sets,
 * and beside it the one that moved it.
 */
export function findDeadlineCount(
	app: Application,
	me: Staff,
	deadlineId: string
): CountView | undefined {
	const deadline = maybeOne<
		Pick<DeadlineRow, 'book' | 'trace' | 'date' | 'computed' | 'move_trace'>
	>(
		app.db,
		`SELECT d.book, d.trace, d.date, d.computed, d.move_trace
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
		WHERE d.id = @deadlineId AND ${visible('m')}`,
		{ deadlineId, me: me.id }
	);
	if (!deadline) return undefined;
	const { book, trace, date, computed } = deadline;
	const moved = findMoveCount(app, deadline);
	return {
		...findCount(app, book, parseTrace(trace), computed ?? date),
		...(moved ? { moved } : {})
	};
}
