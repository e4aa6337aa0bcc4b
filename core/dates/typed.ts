/**
 * Reads a date as people type it: 2026-10-30, 30 Oct 2026, Oct 30 2026, 30 Oct, today, yesterday,
 * tomorrow, Friday.
 */
import {
	addDays,
	daysInMonth,
	MONTHS,
	parseDate,
	toDay,
	weekday,
	WEEKDAYS,
	type PlainDate
} from './plain.ts';

/**
 * The date, or what is wrong with it. A day without a year is the nearest such day; a weekday is
 * the last one that has been.
 */
export function parseTypedDate(
	typed: string,
	today: PlainDate
): { date: PlainDate } | { error: string } {
	const text = typed
		.trim()
		.toLowerCase()
		.replace(/(\d)(st|nd|rd|th)\b/, '$1')
		.replace(/,/g, ' ')
		.replace(/\s+/g, ' ');
	if (text === '') return { error: 'A date is missing.' };
	const shift = { today: 0, yesterday: -1, tomorrow: 1 }[text];
	if (shift !== undefined) return { date: addDays(today, shift) };
	const index = WEEKDAYS.findIndex(
		(n) => n.toLowerCase() === text || n.slice(0, 3).toLowerCase() === text
	);
	if (index !== -1) return { date: addDays(today, -((weekday(toDay(today)) - index + 7) % 7)) };
	const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
	if (iso) return made(Number(iso[1]), Number(iso[2]), Number(iso[3]), typed);
	const words = text.replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]* /, '');
	const match =
		/^(\d{1,2}) ([a-z]{3,9})\.?(?: (\d{4}))?$/.exec(words) ??
		swap(/^([a-z]{3,9})\.? (\d{1,2})(?: (\d{4}))?$/.exec(words));
	if (match) {
		const month = MONTHS.findIndex((n) => n.toLowerCase().startsWith(match[2]!)) + 1;
		if (month > 0) {
			if (match[3]) return made(Number(match[3]), month, Number(match[1]), typed);
			const year = Number(today.slice(0, 4));
			const near = [year - 1, year, year + 1]
				.map((y) => made(y, month, Number(match[1]), typed))
				.filter((item): item is { date: PlainDate } => 'date' in item);
			if (near.length)
				return near.reduce((a, b) =>
					Math.abs(toDay(b.date) - toDay(today)) < Math.abs(toDay(a.date) - toDay(today)) ? b : a
				);
			return { error: `${typed.trim()} is not a date that exists.` };
		}
	}
	if (/^\d{1,2}[/.]\d{1,2}[/.]\d{2,4}$/.test(text))
		return { error: 'Day or month first? Write it like 30 Oct 2026.' };
	return { error: 'Write a date like 30 Oct 2026 or 2026-10-30.' };
}

const swap = (match: RegExpExecArray | null) =>
	match ? [match[0], match[2], match[1], match[3]] : null;

function made(
	year: number,
	month: number,
	day: number,
	typed: string
): { date: PlainDate } | { error: string } {
	const ok = month >= 1 && month <= 12 && day >= 1 && day <= daysInMonth(year, month);
	const item = ok
		? parseDate(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`)
		: undefined;
	return item ? { date: item } : { error: `${typed.trim()} is not a date that exists.` };
}
