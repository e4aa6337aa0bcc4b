/** The ways of looking at a calendar, and the days that each shows. */
import {
	addDays,
	civilToDay,
	dayToCivil,
	daysInMonth,
	fromDay,
	toDay,
	weekday,
	type PlainDate
} from '../dates/plain.ts';

export const VIEWS = ['day', 'days', 'week', 'month', 'agenda', 'team'] as const;
export type View = (typeof VIEWS)[number];
export const DAY_COUNTS = [3, 5, 7, 14] as const;
const AGENDA_DAYS = 28;

export type ShownSpan = { from: PlainDate; to: PlainDate };

const mondayOf = (day: PlainDate): PlainDate => addDays(day, -((weekday(toDay(day)) + 6) % 7));

/** The days that a view shows around one; a month shows its whole weeks. */
export function spanOfView(view: View, day: PlainDate, count: number): ShownSpan {
	const from = mondayOf(day);
	switch (view) {
		case 'day':
			return { from: day, to: day };
		case 'days':
			return { from: day, to: addDays(day, count - 1) };
		case 'agenda':
			return { from: day, to: addDays(day, AGENDA_DAYS - 1) };
		case 'week':
		case 'team':
			return { from, to: addDays(from, 6) };
		case 'month': {
			const { year, month } = dayToCivil(toDay(day));
			const first = civilToDay(year, month, 1);
			const last = fromDay(first + daysInMonth(year, month) - 1);
			return { from: mondayOf(fromDay(first)), to: addDays(mondayOf(last), 6) };
		}
	}
}

/** The day that the same view shows before or after. */
export function stepView(view: View, day: PlainDate, count: number, by: 1 | -1): PlainDate {
	if (view === 'day') return addDays(day, by);
	if (view === 'days') return addDays(day, by * count);
	if (view === 'agenda') return addDays(day, by * AGENDA_DAYS);
	if (view !== 'month') return addDays(day, by * 7);
	const { year, month, day: number } = dayToCivil(toDay(day));
	const at = year * 12 + month - 1 + by;
	const [nextYear, nextMonth] = [Math.floor(at / 12), (at % 12) + 1];
	const kept = Math.min(number, daysInMonth(nextYear, nextMonth));
	return fromDay(civilToDay(nextYear, nextMonth, kept));
}

/** Each day of a span. */
export const listDays = ({ from, to }: ShownSpan): PlainDate[] =>
	Array.from({ length: toDay(to) - toDay(from) + 1 }, (_, at) => addDays(from, at));
