/**
 * The days on which a court does not sit, computed for any year. A calendar is data (see
 * rulebooks/*.yaml); this file reads it. Sources: the statutes named in each book.
 */
import {
	addMonths,
	civilToDay,
	daysInMonth,
	fromDay,
	isWeekend,
	toDay,
	weekday,
	type DayNumber,
	type PlainDate
} from './plain.ts';

/** What a fixed holiday does when it falls on a weekend. */
type Moved =
	| 'none' /* nothing is moved */
	| 'sunday-to-monday'
	| 'nearest' /* Saturday: the Friday before as well; Sunday: the Monday after */
	| 'next-weekday'; /* either: the next weekday that is not already a holiday */

export type HolidayRule = {
	name: string;
	since?: number;
	until?: number;
	except?: number[];
	moved?: Moved;
} & (
	| { fixed: string /* MM-DD */ }
	| {
			nth: number /* 1 to 5, or -1 for the last */;
			weekday: number /* 0 = Sunday */;
			month: number;
			plus?: number; /* days after it */
	  }
	| { easter: number /* days from Easter Sunday */ }
	| { once: string /* YYYY-MM-DD */ }
);

/**
 * Easter Sunday of a year (Gregorian; the anonymous algorithm, Meeus, Astronomical Algorithms, ch.
 * 8).
 */
export function easter(year: number): DayNumber {
	const a = year % 19;
	const b = Math.floor(year / 100);
	const number = year % 100;
	const count =
		(19 * a + b - Math.floor(b / 4) - Math.floor((b - Math.floor((b + 8) / 25) + 1) / 3) + 15) % 30;
	const item = (32 + 2 * (b % 4) + 2 * Math.floor(number / 4) - count - (number % 4)) % 7;
	const other = Math.floor((a + 11 * count + 22 * item) / 451);
	const at = count + item - 7 * other + 114;
	return civilToDay(year, Math.floor(at / 31), (at % 31) + 1);
}

/** The nth weekday of a month; n = -1 is the last. */
function nthWeekday(year: number, month: number, day: number, n: number): DayNumber {
	if (n > 0) {
		const first = civilToDay(year, month, 1);
		return first + ((day - weekday(first) + 7) % 7) + (n - 1) * 7;
	}
	const last = civilToDay(year, month, daysInMonth(year, month));
	return last - ((weekday(last) - day + 7) % 7);
}

function dayIn(rule: HolidayRule, year: number): DayNumber | undefined {
	if (rule.since !== undefined && year < rule.since) return undefined;
	if (rule.until !== undefined && year > rule.until) return undefined;
	if (rule.except?.includes(year)) return undefined;
	if ('fixed' in rule)
		return civilToDay(year, Number(rule.fixed.slice(0, 2)), Number(rule.fixed.slice(3, 5)));
	if ('nth' in rule) return nthWeekday(year, rule.month, rule.weekday, rule.nth) + (rule.plus ?? 0);
	if ('easter' in rule) return easter(year) + rule.easter;
	return rule.once.startsWith(String(year)) ? toDay(rule.once as PlainDate) : undefined;
}

/**
 * The holidays that belong to one year's rules, by day number; a moved day may fall in the year
 * before or after.
 */
function ofYear(rules: readonly HolidayRule[], year: number): Map<DayNumber, string> {
	const days = new Map<DayNumber, string>();
	const later: { rule: HolidayRule }[] = [];
	for (const rule of rules) {
		const day = dayIn(rule, year);
		if (day === undefined) continue;
		if (!isWeekend(day)) {
			if (!days.has(day)) days.set(day, rule.name);
			continue;
		}
		days.set(day, rule.name);
		const saturday = weekday(day) === 6;
		switch (rule.moved ?? 'none') {
			case 'nearest':
				days.set(saturday ? day - 1 : day + 1, `${rule.name} (observed)`);
				break;
			case 'sunday-to-monday':
				if (!saturday) days.set(day + 1, `${rule.name} (observed)`);
				break;
			case 'next-weekday':
				later.push({ rule });
		}
	}
	// Moved last and in order, so that each finds a weekday that is not already a holiday.
	for (const { rule } of later) {
		let day = dayIn(rule, year)!;
		while (isWeekend(day) || days.has(day)) day++;
		days.set(day, `${rule.name} (substitute day)`);
	}
	return days;
}

/** Holidays of a set of rules, cached by year. */
export class Holidays {
	readonly #rules: readonly HolidayRule[];
	readonly #years = new Map<number, Map<DayNumber, string>>();
	constructor(rules: readonly HolidayRule[]) {
		this.#rules = rules;
	}
	/** All days of a calendar year with their names, moved days of the neighboring years included. */
	year(year: number): Map<DayNumber, string> {
		let found = this.#years.get(year);
		if (!found) {
			found = new Map();
			const [from, to] = [civilToDay(year, 1, 1), civilToDay(year, 12, 31)];
			for (const y of [year - 1, year, year + 1])
				for (const [day, name] of ofYear(this.#rules, y))
					if (day >= from && day <= to && !found.has(day)) found.set(day, name);
			this.#years.set(year, found);
		}
		return found;
	}
	/** The holiday's name, or undefined on any other day. */
	name(day: DayNumber): string | undefined {
		return this.year(yearOf(day)).get(day);
	}
}

/** Year of a day number, without building the whole civil date more often than needed. */
let lastYear = 1970,
	lastFrom = 0,
	lastTo = 364;
function yearOf(day: DayNumber): number {
	if (day >= lastFrom && day <= lastTo) return lastYear;
	lastYear = Number(fromDay(day).slice(0, 4));
	lastFrom = civilToDay(lastYear, 1, 1);
	lastTo = addMonths(lastFrom, 12) - 1;
	return lastYear;
}
