/**
 * Reads a date as people type it: 2026-10-30, 30 Oct 2026, Oct 30 2026, 30 Oct, 10/30/26, today,
 * next fri, Friday, +14, in 2 weeks.
 */
import type { DateOrder } from './in-text.ts';
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

/** `isOtherDay`: a weekday stands before a day that is another one. */
export type TypedDate = { date: PlainDate } | { error: string; isOtherDay?: true };

/** How a kind of writing is read; undefined where it is not written so. */
type Reader = (text: string, today: PlainDate, order: DateOrder | null) => TypedDate | undefined;

const READERS: readonly Reader[] = [
	readWord,
	readWeekday,
	readCount,
	readYearFirst,
	readFigures,
	readMonthName
];

/**
 * The date, or what is wrong with it. A day without a year is the nearest such day; a weekday by
 * itself is the last one that has been.
 * @param order which comes first in figures; null where the department has not said
 */
export function parseTypedDate(
	typed: string,
	today: PlainDate,
	order: DateOrder | null = null
): TypedDate {
	const text = typed
		.trim()
		.toLowerCase()
		.replace(/(\d)(st|nd|rd|th)\b/, '$1')
		.replace(/,/g, ' ')
		.replace(/\s+/g, ' ');
	if (text === '') return { error: 'A date is missing.' };
	const [, named = '', rest = text] =
		/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.? (.+)$/.exec(text) ?? [];
	for (const read of READERS) {
		const found = read(rest, today, order);
		if (!found) continue;
		if ('date' in found) return agreeing(found.date, named);
		return found.error === NO_SUCH_DAY
			? { error: `${typed.trim()} is not a date that exists.` }
			: found;
	}
	return { error: 'Write a date like 30 Oct 2026 or 2026-10-30.' };
}

/** A weekday that is not the day's says that one of the two is wrong: nobody knows which. */
function agreeing(date: PlainDate, named: string): TypedDate {
	const itsOwn = WEEKDAYS[weekday(toDay(date))]!;
	const other = WEEKDAYS.find((name) => name.slice(0, 3).toLowerCase() === named);
	if (!other || other === itsOwn) return { date };
	const [year, month, day] = date.split('-').map(Number) as [number, number, number];
	const error = `${day} ${MONTHS[month - 1]} ${year} is a ${itsOwn}, not a ${other}.`;
	return { error, isOtherDay: true };
}

const NO_SUCH_DAY = 'no such day';

function readWord(text: string, today: PlainDate): TypedDate | undefined {
	const shift = { today: 0, yesterday: -1, tomorrow: 1 }[text];
	return shift === undefined ? undefined : { date: addDays(today, shift) };
}

/** "fri" and "last fri" have been, "this fri" and "next fri" come. */
function readWeekday(text: string, today: PlainDate): TypedDate | undefined {
	const match = /^(?:(last|this|next) )?([a-z]{3,9})\.?$/.exec(text);
	const index = WEEKDAYS.findIndex((name) => {
		const full = name.toLowerCase();
		return full === match?.[2] || full.slice(0, 3) === match?.[2];
	});
	if (!match || index === -1) return undefined;
	const back = (weekday(toDay(today)) - index + 7) % 7;
	switch (match[1]) {
		case 'next':
			return { date: addDays(today, 7 - back) };
		case 'this':
			return { date: addDays(today, back === 0 ? 0 : 7 - back) };
		case 'last':
			return { date: addDays(today, back === 0 ? -7 : -back) };
		default:
			return { date: addDays(today, -back) };
	}
}

/** "+14", "in 14 days", "2 weeks", "3w": from today. Court days need a court. */
function readCount(text: string, today: PlainDate): TypedDate | undefined {
	const match = /^(?:\+|in )?(\d{1,3}) ?(court days?|cd|days?|d|weeks?|w)?$/.exec(text);
	if (!match || (!match[2] && !text.startsWith('+'))) return undefined;
	if (/^c/.test(match[2] ?? ''))
		return { error: 'Court days need a court: count them under “Count a date”, or write the day.' };
	return { date: addDays(today, Number(match[1]) * (/^w/.test(match[2] ?? '') ? 7 : 1)) };
}

function readYearFirst(text: string): TypedDate | undefined {
	const match = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
	return match ? made(Number(match[1]), Number(match[2]), Number(match[3])) : undefined;
}

/** 10/30/26, 30.10.2026, 10/30. A number over twelve can only be the day. */
function readFigures(
	text: string,
	today: PlainDate,
	order: DateOrder | null
): TypedDate | undefined {
	const match = /^(\d{1,2})[/.-](\d{1,2})(?:[/.-](\d{4}|\d{2}))?\.?$/.exec(text);
	if (!match) return undefined;
	const [one, other] = [Number(match[1]), Number(match[2])];
	const first = one > 12 ? 'day' : other > 12 ? 'month' : order;
	if (first === null && one !== other)
		return { error: 'Day or month first? Write it like 30 Oct 2026.' };
	const [month, day] = first === 'day' ? [other, one] : [one, other];
	if (!match[3]) return nearest(month, day, today);
	return made(match[3].length === 2 ? 2000 + Number(match[3]) : Number(match[3]), month, day);
}

/** Either order, with the month in words. */
function readMonthName(text: string, today: PlainDate): TypedDate | undefined {
	const match =
		/^(?<day>\d{1,2}) (?<word>[a-z]{3,9})\.?(?: (?<year>\d{4}|\d{2}))?$/.exec(text) ??
		/^(?<word>[a-z]{3,9})\.? (?<day>\d{1,2})(?: (?<year>\d{4}|\d{2}))?$/.exec(text);
	const { day, word = '', year } = match?.groups ?? {};
	const month = MONTHS.findIndex((name) => name.toLowerCase().startsWith(word)) + 1;
	if (!match || month === 0) return undefined;
	if (!year) return nearest(month, Number(day), today);
	return made(year.length === 2 ? 2000 + Number(year) : Number(year), month, Number(day));
}

/** The nearest day of that name. */
function nearest(month: number, day: number, today: PlainDate): TypedDate {
	const year = Number(today.slice(0, 4));
	const away = (date: PlainDate) => Math.abs(toDay(date) - toDay(today));
	const near = [year - 1, year, year + 1]
		.flatMap((each) => {
			const found = made(each, month, day);
			return 'date' in found ? [found.date] : [];
		})
		.sort((one, other) => away(one) - away(other));
	return near[0] ? { date: near[0] } : { error: NO_SUCH_DAY };
}

function made(year: number, month: number, day: number): TypedDate {
	const isDay = month >= 1 && month <= 12 && day >= 1 && day <= daysInMonth(year, month);
	const pad = (number: number) => String(number).padStart(2, '0');
	const date = isDay ? parseDate(`${year}-${pad(month)}-${pad(day)}`) : undefined;
	return date ? { date } : { error: NO_SUCH_DAY };
}

const YEAR_DAYS = 365;
/** Whether words mean another day when they are read another day: "yesterday", "5 Nov". */
export function dependsOnToday(
	typed: string,
	today: PlainDate,
	order: DateOrder | null = null
): boolean {
	const now = parseTypedDate(typed, today, order);
	const later = parseTypedDate(typed, addDays(today, YEAR_DAYS), order);
	return 'date' in now && !('date' in later && later.date === now.date);
}
