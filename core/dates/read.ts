/** Reads a date as people type it: 2026-10-30, 30 Oct 2026, Oct 30 2026, 30 Oct, today, yesterday, tomorrow, Friday. */
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

/** The date, or what is wrong with it. A day without a year is the nearest such day; a weekday is the last one that has been. */
export function readDate(typed: string, today: PlainDate): { date: PlainDate } | { error: string } {
	const t = typed
		.trim()
		.toLowerCase()
		.replace(/(\d)(st|nd|rd|th)\b/, '$1')
		.replace(/,/g, ' ')
		.replace(/\s+/g, ' ');
	if (t === '') return { error: 'A date is missing.' };
	const shift = { today: 0, yesterday: -1, tomorrow: 1 }[t];
	if (shift !== undefined) return { date: addDays(today, shift) };
	const w = WEEKDAYS.findIndex((n) => n.toLowerCase() === t || n.slice(0, 3).toLowerCase() === t);
	if (w !== -1) return { date: addDays(today, -((weekday(toDay(today)) - w + 7) % 7)) };
	const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(t);
	if (iso) return made(Number(iso[1]), Number(iso[2]), Number(iso[3]), typed);
	const words = t.replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]* /, '');
	const m =
		/^(\d{1,2}) ([a-z]{3,9})\.?(?: (\d{4}))?$/.exec(words) ??
		swap(/^([a-z]{3,9})\.? (\d{1,2})(?: (\d{4}))?$/.exec(words));
	if (m) {
		const month = MONTHS.findIndex((n) => n.toLowerCase().startsWith(m[2]!)) + 1;
		if (month > 0) {
			if (m[3]) return made(Number(m[3]), month, Number(m[1]), typed);
			const year = Number(today.slice(0, 4));
			const near = [year - 1, year, year + 1]
				.map((y) => made(y, month, Number(m[1]), typed))
				.filter((d): d is { date: PlainDate } => 'date' in d);
			if (near.length)
				return near.reduce((a, b) =>
					Math.abs(toDay(b.date) - toDay(today)) < Math.abs(toDay(a.date) - toDay(today)) ? b : a
				);
			return { error: `${typed.trim()} is not a date that exists.` };
		}
	}
	if (/^\d{1,2}[/.]\d{1,2}[/.]\d{2,4}$/.test(t))
		return { error: 'Day or month first? Write it like 30 Oct 2026.' };
	return { error: 'Write a date like 30 Oct 2026 or 2026-10-30.' };
}

const swap = (m: RegExpExecArray | null) => (m ? [m[0], m[2], m[1], m[3]] : null);

function made(
	year: number,
	month: number,
	day: number,
	typed: string
): { date: PlainDate } | { error: string } {
	const ok = month >= 1 && month <= 12 && day >= 1 && day <= daysInMonth(year, month);
	const d = ok
		? parseDate(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`)
		: undefined;
	return d ? { date: d } : { error: `${typed.trim()} is not a date that exists.` };
}
