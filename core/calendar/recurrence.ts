/**
 * A rule by which an appointment comes again, as RFC 5545 (3.3.10) has it: daily, weekly on days,
 * monthly by day or by nth weekday, yearly. Days only: the clock is the appointment's own and stays
 * the same through every change of clocks.
 */
import {
	civilToDay,
	dayToCivil,
	daysInMonth,
	fromDay,
	toDay,
	weekday,
	type DayNumber,
	type PlainDate
} from '../dates/plain.ts';

export const FREQUENCIES = ['daily', 'weekly', 'monthly', 'yearly'] as const;
type Frequency = (typeof FREQUENCIES)[number];
/** A weekday, 0 = Sunday; the nth of a month or year (from its end where negative), or each. */
export type NthWeekday = { weekday: number; nth: number | null };

export type Recurrence = {
	frequency: Frequency;
	/** Every so many days, weeks, months or years. */
	interval: number;
	weekdays: readonly NthWeekday[];
	/** Days of the month, from its end where negative. */
	monthDays: readonly number[];
	/** 1 = January. */
	months: readonly number[];
	/** How often in all. */
	count: number | null;
	/** The last day on which it may be. */
	until: PlainDate | null;
};

/** Years after which a rule that gives no day is held to give none at all. */
const BARREN_YEARS = 400;
/** More days than one asks for at once. */
const MOST = 20_000;

type Span = { from: DayNumber; to: DayNumber };

/**
 * The days of a rule that lie in a span, in order.
 * @param start the first day of the appointment: the rule counts from it, and gives it only where
 *   it fits
 */
export function expandRecurrence(
	rule: Recurrence,
	start: PlainDate,
	from: PlainDate,
	to: PlainDate
): PlainDate[] {
	const first = toDay(start);
	const until = rule.until === null ? Infinity : toDay(rule.until);
	const span = { from: Math.max(toDay(from), first), to: Math.min(toDay(to), until) };
	if (span.from > span.to) return [];
	const days = rule.count === null ? listSpan(rule, first, span) : listCounted(rule, first, span);
	return days.map(fromDay);
}

/** The first day of a rule; undefined where it gives none, like 30 February of each year. */
export function findFirst(rule: Recurrence, start: PlainDate): PlainDate | undefined {
	const first = toDay(start);
	const until = rule.until === null ? Infinity : toDay(rule.until);
	const { year } = dayToCivil(first);
	for (const period of periods(rule, first, first)) {
		if (period.from > until || dayToCivil(period.from).year > year + BARREN_YEARS) return undefined;
		const found = daysOf(rule, first, period).find((day) => day >= first);
		if (found !== undefined) return found <= until ? fromDay(found) : undefined;
	}
	return undefined;
}

function listSpan(rule: Recurrence, first: DayNumber, { from, to }: Span): DayNumber[] {
	const days: DayNumber[] = [];
	for (const period of periods(rule, first, from)) {
		if (period.from > to || days.length >= MOST) break;
		for (const day of daysOf(rule, first, period)) if (day >= from && day <= to) days.push(day);
	}
	return days;
}

/** A rule that ends after so many times has to be counted from its beginning. */
function listCounted(rule: Recurrence, first: DayNumber, { from, to }: Span): DayNumber[] {
	const days: DayNumber[] = [];
	let left = rule.count ?? 0;
	for (const period of periods(rule, first, first)) {
		if (period.from > to || left <= 0) break;
		for (const day of daysOf(rule, first, period)) {
			if (day < first || left <= 0) continue;
			left--;
			if (day >= from && day <= to) days.push(day);
		}
	}
	return days;
}

/** The days, weeks, months or years that a rule looks at, from the one that has a given day. */
function* periods(
	{ frequency, interval }: Recurrence,
	first: DayNumber,
	from: DayNumber
): Generator<Span> {
	const skip = (behind: number): number => Math.max(0, Math.floor(behind / interval)) * interval;
	if (frequency === 'daily')
		for (let day = first + skip(from - first); ; day += interval) yield { from: day, to: day };
	if (frequency === 'weekly') {
		const monday = mondayOf(first);
		const weeks = Math.floor((mondayOf(from) - monday) / 7);
		for (let at = monday + skip(weeks) * 7; ; at += interval * 7) yield { from: at, to: at + 6 };
	}
	const { year, month } = dayToCivil(first);
	const other = dayToCivil(from);
	if (frequency === 'monthly') {
		const months = (other.year - year) * 12 + other.month - month;
		for (let at = year * 12 + month - 1 + skip(months); ; at += interval)
			yield monthOf(Math.floor(at / 12), (at % 12) + 1);
	}
	for (let at = year + skip(other.year - year); ; at += interval)
		yield { from: civilToDay(at, 1, 1), to: civilToDay(at, 12, 31) };
}

/** Weeks begin on Monday, as RFC 5545 has it where nothing is said. */
const mondayOf = (day: DayNumber): DayNumber => day - ((weekday(day) + 6) % 7);
const monthOf = (year: number, month: number): Span => {
	const from = civilToDay(year, month, 1);
	return { from, to: from + daysInMonth(year, month) - 1 };
};

/** The days that a rule gives in one of its periods, in order. */
function daysOf(rule: Recurrence, first: DayNumber, period: Span): DayNumber[] {
	switch (rule.frequency) {
		case 'daily':
			return isLimited(rule, period.from) ? [period.from] : [];
		case 'weekly':
			return daysOfWeek(rule, first, period);
		case 'monthly':
			return isInMonths(rule, period.from) ? daysOfMonth(rule, first, period) : [];
		case 'yearly':
			return daysOfYear(rule, first, period);
	}
}

const isInMonths = ({ months }: Recurrence, day: DayNumber): boolean =>
	months.length === 0 || months.includes(dayToCivil(day).month);
const isOnWeekday = ({ weekdays }: Recurrence, day: DayNumber): boolean =>
	weekdays.length === 0 || weekdays.some((one) => one.weekday === weekday(day));

function isOnMonthDay({ monthDays }: Recurrence, day: DayNumber): boolean {
	if (monthDays.length === 0) return true;
	const civil = dayToCivil(day);
	const length = daysInMonth(civil.year, civil.month);
	return monthDays.some((one) => (one > 0 ? one : length + one + 1) === civil.day);
}

/** Of a daily rule: the other parts leave days out. */
const isLimited = (rule: Recurrence, day: DayNumber): boolean =>
	isInMonths(rule, day) && isOnWeekday(rule, day) && isOnMonthDay(rule, day);

function daysOfWeek(rule: Recurrence, first: DayNumber, { from, to }: Span): DayNumber[] {
	const wanted = rule.weekdays.length ? rule.weekdays.map((one) => one.weekday) : [weekday(first)];
	const days: DayNumber[] = [];
	for (let day = from; day <= to; day++)
		if (wanted.includes(weekday(day)) && isInMonths(rule, day)) days.push(day);
	return days;
}

function daysOfMonth(rule: Recurrence, first: DayNumber, { from, to }: Span): DayNumber[] {
	if (rule.monthDays.length) {
		const length = to - from + 1;
		const days = rule.monthDays
			.map((one) => (one > 0 ? one : length + one + 1))
			.filter((one) => one >= 1 && one <= length)
			.map((one) => from + one - 1)
			.filter((day) => isOnWeekday(rule, day));
		return sortDays(days);
	}
	if (rule.weekdays.length) return listNth(rule.weekdays, { from, to });
	const day = from + dayToCivil(first).day - 1;
	// A month without that day is passed over, not moved to its end.
	return day <= to ? [day] : [];
}

function daysOfYear(rule: Recurrence, first: DayNumber, { from, to }: Span): DayNumber[] {
	const { year } = dayToCivil(from);
	const own = dayToCivil(first);
	// Weekdays of a year are counted in it; in its months only where months are named.
	if (rule.months.length === 0 && rule.monthDays.length === 0 && rule.weekdays.length)
		return listNth(rule.weekdays, { from, to });
	const isPlain = rule.months.length === 0 && rule.monthDays.length === 0;
	const months = rule.months.length ? rule.months : isPlain ? [own.month] : ALL_MONTHS;
	return sortDays(months.flatMap((month) => daysOfMonth(rule, first, monthOf(year, month))));
}
const ALL_MONTHS = Array.from({ length: 12 }, (_, at) => at + 1);

/** The nth weekdays of a span, or each of them. */
function listNth(wanted: readonly NthWeekday[], { from, to }: Span): DayNumber[] {
	const days: DayNumber[] = [];
	for (const { weekday: day, nth } of wanted) {
		const earliest = from + ((day - weekday(from) + 7) % 7);
		const latest = to - ((weekday(to) - day + 7) % 7);
		if (nth === null) for (let at = earliest; at <= latest; at += 7) days.push(at);
		else {
			const at = nth > 0 ? earliest + (nth - 1) * 7 : latest + (nth + 1) * 7;
			if (at >= from && at <= to) days.push(at);
		}
	}
	return sortDays(days);
}

/** In order, each once. */
const sortDays = (days: readonly DayNumber[]): DayNumber[] =>
	[...new Set(days)].sort((one, other) => one - other);
