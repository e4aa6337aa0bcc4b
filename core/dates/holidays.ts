/**
 * The days on which a court does not sit, computed for any year. A calendar is data (see rulebooks/*.yaml);
 * this file reads it. Sources: the statutes named in each book.
 */
import {
	addMonths,
	dayOf,
	daysInMonth,
	fromDay,
	isWeekend,
	toDay,
	weekday,
	type DayNumber,
	type PlainDate
} from './plain.ts';

/** What a fixed holiday does when it falls on a weekend. */
export type Moved =
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

/** Easter Sunday of a year (Gregorian; the anonymous algorithm, Meeus, Astronomical Algorithms, ch. 8). */
export function easter(year: number): DayNumber {
	const a = year % 19;
	const b = Math.floor(year / 100);
	const c = year % 100;
	const h =
		(19 * a + b - Math.floor(b / 4) - Math.floor((b - Math.floor((b + 8) / 25) + 1) / 3) + 15) % 30;
	const l = (32 + 2 * (b % 4) + 2 * Math.floor(c / 4) - h - (c % 4)) % 7;
	const m = Math.floor((a + 11 * h + 22 * l) / 451);
	const at = h + l - 7 * m + 114;
	return dayOf(year, Math.floor(at / 31), (at % 31) + 1);
}

/** The nth weekday of a month; n = -1 is the last. */
export function nthWeekday(year: number, month: number, day: number, n: number): DayNumber {
	if (n > 0) {
		const first = dayOf(year, month, 1);
		return first + ((day - weekday(first) + 7) % 7) + (n - 1) * 7;
	}
	const last = dayOf(year, month, daysInMonth(year, month));
	return last - ((weekday(last) - day + 7) % 7);
}

function dayIn(rule: HolidayRule, year: number): DayNumber | undefined {
	if (rule.since !== undefined && year < rule.since) return undefined;
	if (rule.until !== undefined && year > rule.until) return undefined;
	if (rule.except?.includes(year)) return undefined;
	if ('fixed' in rule)
		return dayOf(year, Number(rule.fixed.slice(0, 2)), Number(rule.fixed.slice(3, 5)));
	if ('nth' in rule) return nthWeekday(year, rule.month, rule.weekday, rule.nth) + (rule.plus ?? 0);
	if ('easter' in rule) return easter(year) + rule.easter;
	return rule.once.startsWith(String(year)) ? toDay(rule.once as PlainDate) : undefined;
}

/** The holidays that belong to one year's rules, by day number; a moved day may fall in the year before or after. */
function ofYear(rules: readonly HolidayRule[], year: number): Map<DayNumber, string> {
	const days = new Map<DayNumber, string>();
	const later: { rule: HolidayRule }[] = [];
	for (const rule of rules) {
		const d = dayIn(rule, year);
		if (d === undefined) continue;
		if (!isWeekend(d)) {
			if (!days.has(d)) days.set(d, rule.name);
			continue;
		}
		days.set(d, rule.name);
		const saturday = weekday(d) === 6;
		switch (rule.moved ?? 'none') {
			case 'nearest':
				days.set(saturday ? d - 1 : d + 1, `${rule.name} (observed)`);
				break;
			case 'sunday-to-monday':
				if (!saturday) days.set(d + 1, `${rule.name} (observed)`);
				break;
			case 'next-weekday':
				later.push({ rule });
		}
	}
	// Moved last and in order, so that each finds a weekday that is not already a holiday.
	for (const { rule } of later) {
		let d = dayIn(rule, year)!;
		while (isWeekend(d) || days.has(d)) d++;
		days.set(d, `${rule.name} (substitute day)`);
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
			const [from, to] = [dayOf(year, 1, 1), dayOf(year, 12, 31)];
			for (const y of [year - 1, year, year + 1])
				for (const [d, name] of ofYear(this.#rules, y))
					if (d >= from && d <= to && !found.has(d)) found.set(d, name);
			this.#years.set(year, found);
		}
		return found;
	}
	/** The holiday's name, or undefined on any other day. */
	name(d: DayNumber): string | undefined {
		return this.year(yearOf(d)).get(d);
	}
}

/** Year of a day number, without building the whole civil date more often than needed. */
let lastYear = 1970,
	lastFrom = 0,
	lastTo = 364;
function yearOf(d: DayNumber): number {
	if (d >= lastFrom && d <= lastTo) return lastYear;
	lastYear = Number(fromDay(d).slice(0, 4));
	lastFrom = dayOf(lastYear, 1, 1);
	lastTo = addMonths(lastFrom, 12) - 1;
	return lastYear;
}
