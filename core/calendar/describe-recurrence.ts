/** A recurrence in words: "every second week on Tuesday and Thursday, ten times". */
import { MONTHS, WEEKDAYS, dayToCivil, toDay, weekday, type PlainDate } from '../dates/plain.ts';
import { formatDate } from '../format/dates.ts';
import type { NthWeekday, Recurrence } from './recurrence.ts';

const UNITS = { daily: 'day', weekly: 'week', monthly: 'month', yearly: 'year' } as const;
const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth'];

const join = (words: readonly string[]): string =>
	words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** "first", "last", "last but one", "12th". */
function ordinal(nth: number): string {
	if (nth === -1) return 'last';
	if (nth < 0) return `${ordinal(-nth)} from the end`;
	const end = nth % 100 > 10 && nth % 100 < 14 ? 0 : nth % 10;
	return ORDINALS[nth] ?? `${nth}${['th', 'st', 'nd', 'rd'][end] ?? 'th'}`;
}

const dayOfMonth = (day: number): string =>
	day > 0 ? `the ${day}` : day === -1 ? 'the last day' : `the ${ordinal(-day)} day from the end`;

const nameWeekday = ({ weekday: day, nth }: NthWeekday): string =>
	nth === null ? WEEKDAYS[day]! : `the ${ordinal(nth)} ${WEEKDAYS[day]}`;

/** On which days of its day, week, month or year. */
function describeDays(rule: Recurrence, start: PlainDate): string {
	const { frequency, weekdays, monthDays, months } = rule;
	const inMonths = months.length ? ` in ${join(months.map((month) => MONTHS[month - 1]!))}` : '';
	if (monthDays.length || weekdays.length) {
		const days = [...monthDays.map(dayOfMonth), ...weekdays.map(nameWeekday)];
		return ` on ${join(days)}${inMonths}`;
	}
	const { month, day } = dayToCivil(toDay(start));
	if (frequency === 'weekly') return ` on ${WEEKDAYS[weekday(toDay(start))]}${inMonths}`;
	if (frequency === 'monthly') return ` on ${dayOfMonth(day)}${inMonths}`;
	if (frequency === 'yearly')
		return inMonths ? ` on ${dayOfMonth(day)}${inMonths}` : ` on ${day} ${MONTHS[month - 1]}`;
	return inMonths;
}

/** @param start the day it counts from: what the rule does not say is taken from it */
export function describeRecurrence(rule: Recurrence, start: PlainDate): string {
	const { frequency, interval, count, until } = rule;
	const unit = UNITS[frequency];
	const every = interval === 1 ? `every ${unit}` : `every ${ordinal(interval)} ${unit}`;
	const end =
		count !== null
			? `, ${count === 1 ? 'once' : `${count} times`}`
			: until
				? `, until ${formatDate(until)}`
				: '';
	return `${every}${describeDays(rule, start)}${end}`;
}
