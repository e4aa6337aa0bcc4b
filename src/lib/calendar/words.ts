/** Words of the calendar on the screen. */
import { dayToCivil, MONTHS, toDay, WEEKDAYS, weekday, type PlainDate } from '#core/dates/plain.ts';
import { formatTime } from '#core/format/dates.ts';
import type { CalendarItem } from '#server/calendar-sheet/items.ts';

export const dayName = (day: PlainDate): string => WEEKDAYS[weekday(toDay(day))]!;
export const dayNumber = (day: PlainDate): number => dayToCivil(toDay(day)).day;
const monthName = (day: PlainDate): string => MONTHS[dayToCivil(toDay(day)).month - 1]!;

export const isWeekend = (day: PlainDate): boolean => weekday(toDay(day)) % 6 === 0;

/** "Tuesday 24 November". */
export const nameDay = (day: PlainDate): string =>
	`${dayName(day)} ${dayNumber(day)} ${monthName(day)}`;

/** "23 to 29 November", "30 November to 6 December 2026". */
export function nameSpan(from: PlainDate, to: PlainDate, today: PlainDate): string {
	const year = to.slice(0, 4) === today.slice(0, 4) ? '' : ` ${to.slice(0, 4)}`;
	if (from === to) return `${nameDay(from)}${year}`;
	const isOne = from.slice(0, 7) === to.slice(0, 7);
	const start = isOne ? dayNumber(from) : `${dayNumber(from)} ${monthName(from)}`;
	return `${start} to ${dayNumber(to)} ${monthName(to)}${year}`;
}
export const nameMonth = (day: PlainDate): string => `${monthName(day)} ${day.slice(0, 4)}`;

/** "10:00 to 11:30", "all day". */
export const hoursOf = ({ from, to }: Pick<CalendarItem, 'from' | 'to'>): string =>
	from === null || to === null ? 'all day' : `${formatTime(from)} to ${formatTime(to)}`;

/** What of an item stands on a day: its part of it in minutes; null where it is all day. */
export function partOn(
	{ day, lastDay, from, to }: Pick<CalendarItem, 'day' | 'lastDay' | 'from' | 'to'>,
	on: PlainDate
): { from: number; to: number } | null {
	if (from === null || to === null) return null;
	const [start, end] = [day < on ? 0 : from, lastDay > on ? 1440 : to];
	return { from: start, to: end };
}
export const touches = (
	{ day, lastDay }: Pick<CalendarItem, 'day' | 'lastDay'>,
	on: PlainDate
): boolean => day <= on && lastDay >= on;
