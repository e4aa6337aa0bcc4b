/** Dates and times as people read them. */
import { dayToCivil, MONTHS, toDay, weekday, WEEKDAYS, type PlainDate } from '../dates/plain.ts';

/** "Friday 20 November 2026"; without the year where `year` is false. */
export function formatDate(date: PlainDate, options: { year?: boolean } = {}): string {
	const number = toDay(date);
	const { year, month, day } = dayToCivil(number);
	const text = `${WEEKDAYS[weekday(number)]} ${day} ${MONTHS[month - 1]}`;
	return options.year === false ? text : `${text} ${year}`;
}

/** "Fri 20 Nov"; with the year where it is not `thisYear`. */
export function formatShortDate(date: PlainDate, thisYear?: number): string {
	const number = toDay(date);
	const { year, month, day } = dayToCivil(number);
	const text = `${WEEKDAYS[weekday(number)]?.slice(0, 3)} ${day} ${MONTHS[month - 1]?.slice(0, 3)}`;
	return thisYear !== undefined && thisYear !== year ? `${text} ${year}` : text;
}

/** "Fri 20 Nov", with the year where it is not the year of `today`. */
export const formatDay = (date: PlainDate, today: PlainDate): string =>
	formatShortDate(date, Number(today.slice(0, 4)));

/** "20 November 2026", without the weekday. */
export function formatLongDate(date: PlainDate): string {
	const { year, month, day } = dayToCivil(toDay(date));
	return `${day} ${MONTHS[month - 1]} ${year}`;
}

/** "November 2026" of a day in it. */
export function formatMonth(date: PlainDate): string {
	const { year, month } = dayToCivil(toDay(date));
	return `${MONTHS[month - 1]} ${year}`;
}

const two = (number: number) => String(number).padStart(2, '0');

/** `HH:MM` of minutes after midnight (0 to 1439). */
export const formatTime = (minutes: number): string =>
	`${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;

/** "today", "tomorrow", "in 3 days", "1 day ago" of a number of days from today. */
export function formatDaysFromNow(days: number): string {
	if (days === 0) return 'today';
	if (days === 1) return 'tomorrow';
	if (days > 0) return `in ${days} days`;
	return days === -1 ? '1 day ago' : `${-days} days ago`;
}
