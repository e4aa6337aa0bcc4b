/**
 * A series that is moved as a whole by some days: the days that its rule names go with it, where
 * that is one thing; "each Tuesday and Thursday" moved by a day is not.
 */
import {
	addDays,
	dayToCivil,
	daysInMonth,
	toDay,
	weekday,
	type PlainDate
} from '../dates/plain.ts';
import { expandRecurrence, type Recurrence } from './recurrence.ts';

export type MovedRule = { rule: Recurrence } | { error: string };

const REFUSED =
	'It comes on several days: it cannot be moved to another day as a whole. Change on which days it comes.';
const WEEK = 7;

/**
 * @param start the first day of the series
 * @param by so many days later, or earlier where negative
 */
export function moveRule(rule: Recurrence, start: PlainDate, by: number): MovedRule {
	const until = rule.until === null ? null : addDays(rule.until, by);
	if (by === 0) return { rule };
	const days = moveDays(rule, addDays(start, by), by);
	return days === undefined ? { error: REFUSED } : { rule: { ...rule, ...days, until } };
}

/** The days that the moved rule names; undefined where they do not move as one. */
function moveDays(
	rule: Recurrence,
	start: PlainDate,
	by: number
): Pick<Recurrence, 'weekdays' | 'monthDays' | 'months'> | undefined {
	const { weekdays, monthDays, months } = rule;
	const isPlain = weekdays.length === 0 && monthDays.length === 0 && months.length === 0;
	if (isPlain) return { weekdays, monthDays, months };
	const isWeekly = rule.frequency === 'weekly' && months.length === 0;
	if (isWeekly) {
		// The weeks are counted from Monday: what goes over one would be another week's.
		const moved = weekdays.map((one) => one.weekday + by);
		if (weekdays.length > 1 && by % WEEK !== 0 && !areWithinWeek(weekdays, by)) return undefined;
		const turned = moved.map((one) => ({ weekday: ((one % WEEK) + WEEK) % WEEK, nth: null }));
		return { weekdays: turned, monthDays, months };
	}
	if (weekdays.length + monthDays.length !== 1 || months.length > 1) return undefined;
	return moveOne(rule, start);
}

/** Whether each of the weekdays stays in its week, which begins on Monday. */
function areWithinWeek(weekdays: readonly { weekday: number }[], by: number): boolean {
	const places = weekdays.map((one) => ((one.weekday + 6) % WEEK) + by);
	return places.every((place) => place >= 0 && place < WEEK);
}

/** The one day of a month or a year becomes that of the new first day. */
function moveOne(
	{ weekdays, monthDays, months }: Recurrence,
	start: PlainDate
): Pick<Recurrence, 'weekdays' | 'monthDays' | 'months'> | undefined {
	const { year, month, day } = dayToCivil(toDay(start));
	const length = daysInMonth(year, month);
	const named = months.length ? [month] : months;
	if (monthDays.length) {
		const moved = monthDays[0]! > 0 ? day : day - length - 1;
		return { weekdays, monthDays: [moved], months: named };
	}
	const [one] = weekdays;
	if (!one || one.nth === null) return undefined;
	const nth = one.nth > 0 ? Math.ceil(day / WEEK) : -Math.ceil((length - day + 1) / WEEK);
	return { weekdays: [{ weekday: weekday(toDay(start)), nth }], monthDays, months: named };
}

/** The last day on which a series comes; null where it never ends. */
export function findLastDay(rule: Recurrence, start: PlainDate): PlainDate | null {
	if (rule.until !== null) return rule.until;
	if (rule.count === null) return null;
	const days = expandRecurrence(rule, start, start, addDays(start, LONGEST_DAYS));
	return days.at(-1) ?? start;
}
/** Longer than any counted series that is let in. */
const LONGEST_DAYS = 366 * 120;
