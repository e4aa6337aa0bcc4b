/** Small words that several screens share. */
import { date, daysBetween, parseDate, shortDate, type PlainDate } from '#core/dates/plain.ts';
import { clockAt } from '#core/dates/zone.ts';

/** "Tue 24 Nov", with the year where it is not this one. */
export const short = (d: string, today: string): string =>
	shortDate(date(d), Number(today.slice(0, 4)));
/** "today", "in 3 days", "12 days ago". */
export function away(d: string, today: string): string {
	const n = daysBetween(date(today), date(d));
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
export function at(iso: string, zone: string, today: string): string {
	const c = clockAt(Date.parse(iso), zone);
	const hm = `${String(Math.floor(c.minutes / 60)).padStart(2, '0')}:${String(c.minutes % 60).padStart(2, '0')}`;
	return c.date === today ? `today ${hm}` : `${short(c.date, today).replace(/^\w+ /, '')} ${hm}`;
}
export const days = (from: string, today: string): number => daysBetween(date(from), date(today));
export const plural = (n: number, one: string, many = `${one}s`): string =>
	`${n} ${n === 1 ? one : many}`;
export const size = (bytes: number): string =>
	bytes < 1024 * 1024
		? `${Math.max(1, Math.round(bytes / 1024))} kB`
		: `${(bytes / 1024 / 1024).toFixed(1)} MB`;
export const isDate = (s: string): s is PlainDate => parseDate(s) !== undefined;
