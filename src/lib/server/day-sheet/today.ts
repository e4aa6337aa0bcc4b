/** One's appointments of today, and the hours between them that are still free. */
import { mergeSpans, withoutSpans } from '#core/calendar/common-hours.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { clockAt } from '#core/dates/zone.ts';
import { formatTime } from '#core/format/dates.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { findCalendarChoice } from '#server/appointments/choices.ts';
import { listCalendarItems, type CalendarItem } from '#server/calendar-sheet/items.ts';

/** Less than this is no time to work in. */
const LEAST_MINUTES = 30;

export type Today = {
	items: CalendarItem[];
	/** What is left of the day, as "15:30 to 17:00". */
	free: string[];
	freeMinutes: number;
};

export function showToday(app: Reader, me: Staff): Today {
	const today = app.clock.today();
	const items = listCalendarItems(app, me, { from: today, to: today, staff: [me.id] });
	const { firstHour, lastHour } = findCalendarChoice(app, me);
	const now = clockAt(Date.parse(app.clock.now()), app.clock.zone).minutes;
	const from = Math.max(firstHour * 60, Math.ceil(now / 5) * 5);
	const busy = items.flatMap(({ day, lastDay, from: start, to: end }) =>
		start === null || end === null
			? []
			: [{ from: day < today ? 0 : start, to: lastDay > today ? 24 * 60 : end }]
	);
	const free = withoutSpans([{ from, to: lastHour * 60 }], mergeSpans(busy)).filter(
		(span) => span.to - span.from >= LEAST_MINUTES
	);
	return {
		items,
		free: free.map((span) => `${formatTime(span.from)} to ${formatTime(span.to % (24 * 60))}`),
		freeMinutes: free.reduce((sum, span) => sum + span.to - span.from, 0)
	};
}

/** The appointments of a span by their day, in words for one mark a day. */
export function describeAppointments(
	app: Reader,
	me: Staff,
	from: PlainDate,
	to: PlainDate
): { date: PlainDate; title: string }[] {
	const byDay = new Map<PlainDate, string[]>();
	for (const { day, from: start, subject } of listCalendarItems(app, me, {
		...{ from, to },
		staff: [me.id]
	})) {
		const date = day < from ? from : day;
		const words = start === null ? subject : `${formatTime(start)} ${subject}`;
		byDay.set(date, [...(byDay.get(date) ?? []), words]);
	}
	return [...byDay].map(([date, words]) => ({ date, title: words.join('; ') }));
}
