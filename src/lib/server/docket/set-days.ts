/**
 * Days that were set and not counted: by hand, for a hearing, by an order. Nothing moves them off a
 * day on which the court does not sit, so it is said wherever they are shown.
 */
import { z } from 'zod';
import type { CourtCalendar } from '#core/dates/calendar.ts';
import { toDay, type PlainDate } from '#core/dates/plain.ts';
import { isOccasion, OCCASIONS, type Sort } from '#core/docket/occasion.ts';
import type { Application, Reader } from '#server/app/application.ts';
import { day, id } from '#server/app/fields.ts';
import { matterPreview } from '#server/app/preview.ts';
import { requireBook } from '#server/rulebooks/shelf.ts';
import { calendarFor, countedBy } from './counting.ts';
import { listWarnings } from './warnings.ts';

export type SetDay = {
	book: string;
	/** The court's book of its matter; null where there is none. */
	rulebook: string | null;
	sort: Sort;
	date: PlainDate;
	computed: PlainDate | null;
};

/**
 * Why no court sits on the day of an entry; null where one does, or where its rule chose the day.
 * One for each list: it keeps the calendars it has met.
 */
export function closedDayFinder(app: Reader): (entry: SetDay) => string | null {
	const calendars = new Map<string, CourtCalendar>();
	return ({ book, rulebook, sort, date, computed }) => {
		if (book !== '' && !isOccasion(sort) && computed === null) return null;
		const id = book || rulebook || 'us-federal';
		let calendar = calendars.get(id);
		if (!calendar) calendars.set(id, (calendar = calendarFor(app, requireBook(app, id))));
		return calendar.closed(toDay(date))?.name ?? null;
	};
}

/** What there is to say against a day that is about to be entered by hand. */
export const previewDay = matterPreview({
	action: 'docket.enter',
	input: z.object({
		matterId: id('a matter'),
		what: z.enum(['deadline', ...OCCASIONS]).default('deadline'),
		date: day('The date')
	}),
	run: ({ ctx, matter, input }): { warnings: string[] } => ({
		warnings: warnOfDay(ctx, matter.id, input.date, input.what)
	})
});

/** What there is to say against a day by hand, in words that go on after it. */
export const warnOfDay = (app: Application, matterId: string, day: PlainDate, sort: Sort) =>
	listWarnings(app, matterId, {
		day,
		book: countedBy(app, { matter_id: matterId, book: '' }),
		hearing: isOccasion(sort)
	});
