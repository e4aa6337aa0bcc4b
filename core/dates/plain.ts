/**
 * Plain dates: `YYYY-MM-DD`, the proleptic Gregorian calendar, no clock and no zone.
 * Inside the core a day is also a whole number (days since 1970-01-01), because counting on
 * integers is exact and quick. Conversion after H. Hinnant, "chrono-compatible low-level date
 * algorithms" (public domain).
 */
export type PlainDate = string & { readonly __brand: 'PlainDate' };
/** Days since 1970-01-01. */
export type DayNumber = number;

const SHAPE = /^(\d{4})-(\d{2})-(\d{2})$/;

/** The first and last dates the product works with; outside them a date is refused. */
export const FIRST_DATE = '1900-01-01';
export const LAST_DATE = '2199-12-31';

/** Day number of a civil date. `month` is 1 to 12. */
export function civilToDay(year: number, month: number, day: number): DayNumber {
	const y = month <= 2 ? year - 1 : year;
	const era = Math.floor(y / 400);
	const yoe = y - era * 400;
	const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
	const doe = yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy;
	return era * 146097 + doe - 719468;
}

/** Civil date of a day number: year, month 1 to 12, day 1 to 31. */
export function dayToCivil(n: DayNumber): { year: number; month: number; day: number } {
	const number = n + 719468;
	const era = Math.floor(number / 146097);
	const doe = number - era * 146097;
	const yoe = Math.floor(
		(doe - Math.floor(doe / 1460) + Math.floor(doe / 36524) - Math.floor(doe / 146096)) / 365
	);
	const doy = doe - (365 * yoe + Math.floor(yoe / 4) - Math.floor(yoe / 100));
	const mp = Math.floor((5 * doy + 2) / 153);
	const day = doy - Math.floor((153 * mp + 2) / 5) + 1;
	const month = mp < 10 ? mp + 3 : mp - 9;
	return { year: yoe + era * 400 + (month <= 2 ? 1 : 0), month, day };
}

const isLeap = (year: number): boolean => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);

/** Days in a month (1 to 12). */
export function daysInMonth(year: number, month: number): number {
	return month === 2 ? (isLeap(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31;
}

const two = (n: number) => (n < 10 ? `0${n}` : `${n}`);

/** The dates said before, by day number: a docket says the same few thousand over and over. */
const said: (PlainDate | undefined)[] = [];

/** The plain date of a day number. */
export function fromDay(n: DayNumber): PlainDate {
	const at = n + 25567; // from 1900-01-01 on
	const known = at >= 0 && at < 110_000 ? said[at] : undefined;
	if (known !== undefined) return known;
	const { year, month, day } = dayToCivil(n);
	const text = `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}` as PlainDate;
	if (at >= 0 && at < 110_000) said[at] = text;
	return text;
}

/**
 * Reads `YYYY-MM-DD`; undefined where it is not a date that exists, or lies outside 1900 to 2199.
 */
export function parseDate(text: unknown): PlainDate | undefined {
	if (typeof text !== 'string') return undefined;
	const match = SHAPE.exec(text);
	if (!match) return undefined;
	const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
	if (month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return undefined;
	return text >= FIRST_DATE && text <= LAST_DATE ? (text as PlainDate) : undefined;
}

/**
 * A date known to be good. Throws a RangeError otherwise: for literals and values already
 * validated.
 */
export function plainDate(text: string): PlainDate {
	const day = parseDate(text);
	if (!day) throw new RangeError(`${text} is not a date`);
	return day;
}

/** Day number of a plain date. */
export function toDay(day: PlainDate): DayNumber {
	const digit = (i: number) => day.charCodeAt(i) - 48;
	return civilToDay(
		digit(0) * 1000 + digit(1) * 100 + digit(2) * 10 + digit(3),
		digit(5) * 10 + digit(6),
		digit(8) * 10 + digit(9)
	);
}

/** 0 = Sunday … 6 = Saturday. */
export const weekday = (n: DayNumber): number => (((n + 4) % 7) + 7) % 7;
export const isWeekend = (n: DayNumber): boolean => weekday(n) === 0 || weekday(n) === 6;

export const WEEKDAYS = [
	'Sunday',
	'Monday',
	'Tuesday',
	'Wednesday',
	'Thursday',
	'Friday',
	'Saturday'
] as const;
export const MONTHS = [
	'January',
	'February',
	'March',
	'April',
	'May',
	'June',
	'July',
	'August',
	'September',
	'October',
	'November',
	'December'
] as const;

/** n days later (earlier where n is negative). */
export const addDays = (day: PlainDate, n: number): PlainDate => fromDay(toDay(day) + n);
/** Days from a to b; negative where b is before a. */
export const daysBetween = (a: PlainDate, b: PlainDate): number => toDay(b) - toDay(a);

/**
 * n months later, the same day of the month, or the month's last day where it has none
 * (counting.md, common model 2).
 */
export function addMonths(n: DayNumber, months: number): DayNumber {
	const item = dayToCivil(n);
	const at = item.year * 12 + (item.month - 1) + months;
	const year = Math.floor(at / 12);
	const month = at - year * 12 + 1;
	return civilToDay(year, month, Math.min(item.day, daysInMonth(year, month)));
}

const TIME = /^([01]\d|2[0-3]):([0-5]\d)$/;
/** Minutes after midnight of `HH:MM`, or undefined. */
export function parseTime(text: unknown): number | undefined {
	const match = typeof text === 'string' ? TIME.exec(text) : null;
	return match ? Number(match[1]) * 60 + Number(match[2]) : undefined;
}
