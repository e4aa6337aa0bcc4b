/** Days as a court sees them: when it does not sit, how many of its days are left. */
import { fromDay, toDay, type PlainDate } from '#core/dates/plain.ts';
import type { Reader } from '#server/app/application.ts';
import { requireBook } from '#server/rulebooks/shelf.ts';
import { calendarFor } from './counting.ts';

/** At most so many days are looked at. */
const SPAN_LIMIT = 3700;
/** Beyond this many court days nobody counts. */
const COURT_DAYS_LIMIT = 400;

const bookOr = (app: Reader, bookId: string | null) => requireBook(app, bookId ?? 'us-federal');

/**
 * The days of a span on which a court does not sit, with why: for the hatching of a month or a
 * timeline.
 */
export function listClosedDays(
	app: Reader,
	bookId: string | null,
	from: PlainDate,
	to: PlainDate
): Record<string, string> {
	const calendar = calendarFor(app, bookOr(app, bookId));
	const closed: Record<string, string> = {};
	const last = Math.min(toDay(to), toDay(from) + SPAN_LIMIT);
	for (let day = toDay(from); day <= last; day++) {
		const reason = calendar.closed(day, 1);
		if (reason) closed[fromDay(day)] = reason.name;
	}
	return closed;
}

/** Court days from today to a date, for "in 3 court days". */
export function countCourtDaysTo(app: Reader, bookId: string | null, to: PlainDate): number {
	const { calendar } = bookOr(app, bookId);
	let count = 0;
	const last = toDay(to);
	for (let day = toDay(app.clock.today()) + 1; day <= last && count < COURT_DAYS_LIMIT; day++)
		if (!calendar.closed(day, 1)) count++;
	return count;
}

/** The last day that lies no more than so many court days ahead of today. */
export function findLastDayWithin(app: Reader, courtDays: number): PlainDate {
	const { calendar } = bookOr(app, null);
	let day = toDay(app.clock.today());
	for (let count = 0; count <= courtDays; day++) if (!calendar.closed(day + 1, 1)) count++;
	return fromDay(day - 1);
}
