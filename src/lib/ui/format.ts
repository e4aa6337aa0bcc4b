/** Small words that several screens share. */
import { plainDate, daysBetween } from '#core/dates/plain.ts';
import { formatDay as formatPlainDay } from '#core/format/dates.ts';
import { dayAt, timeAt } from '#core/dates/zone.ts';

/** "Tue 24 Nov", with the year where it is not this one. */
export const formatDay = (day: string, today: string): string =>
	formatPlainDay(plainDate(day), plainDate(today));
/** "today", "in 3 days", "12 days ago". */
export function formatAway(day: string, today: string): string {
	const n = daysBetween(plainDate(today), plainDate(day));
	return n === 0
		? 'today'
		: n === 1
			? 'tomorrow'
			: n === -1
				? 'yesterday'
				: n > 0
					? `in ${n} days`
					: `${-n} days ago`;
}
/** An instant in the department's clock: "23 Nov 14:05". */
export function formatInstant(iso: string, zone: string, today: string): string {
	const [day, time] = [dayAt(iso, zone), timeAt(iso, zone)];
	return day === today ? `today ${time}` : `${formatDay(day, today).replace(/^\w+ /, '')} ${time}`;
}
export const countDays = (from: string, today: string): number =>
	daysBetween(plainDate(from), plainDate(today));
export const plural = (n: number, one: string, many = `${one}s`): string =>
	`${n} ${n === 1 ? one : many}`;
export const formatSize = (bytes: number): string =>
	bytes < 1024 * 1024
		? `${Math.max(1, Math.round(bytes / 1024))} kB`
		: `${(bytes / 1024 / 1024).toFixed(1)} MB`;
