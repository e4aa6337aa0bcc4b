/** A recurrence as the text of RFC 5545: FREQ=WEEKLY;BYDAY=TU,TH;COUNT=10. */
import { parseDate, type PlainDate } from '../dates/plain.ts';
import { FREQUENCIES, type NthWeekday, type Recurrence } from './recurrence.ts';

const DAYS = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'] as const;
const INTERVAL_LIMIT = 999;
const COUNT_LIMIT = 9999;
/** What of the standard is understood; the rest is said to be not. */
const KNOWN = ['FREQ', 'INTERVAL', 'BYDAY', 'BYMONTHDAY', 'BYMONTH', 'COUNT', 'UNTIL', 'WKST'];

export type ParsedRule = { rule: Recurrence } | { error: string };

/** A rule, or in words why it is none. */
export function parseRule(text: string): ParsedRule {
	const parts = new Map<string, string>();
	for (const part of text.replace(/^RRULE:/i, '').split(';')) {
		const [key = '', value = ''] = part.split('=');
		if (!KNOWN.includes(key.toUpperCase()))
			return { error: `“${key}” of a recurrence is not understood here.` };
		parts.set(key.toUpperCase(), value.toUpperCase());
	}
	const read = readParts(parts);
	const error = read.error ?? faultOf(read.rule, parts);
	return error === null ? { rule: read.rule } : { error };
}

type Parts = ReadonlyMap<string, string>;

/** Each part by itself; what cannot be read is left empty and said. */
function readParts(parts: Parts): { rule: Recurrence; error: string | null } {
	const frequency = FREQUENCIES.find((one) => one.toUpperCase() === parts.get('FREQ'));
	const interval = readNumber(parts.get('INTERVAL') ?? '1', 1, INTERVAL_LIMIT);
	const count = parts.has('COUNT') ? readNumber(parts.get('COUNT'), 1, COUNT_LIMIT) : null;
	const until = parts.has('UNTIL') ? readUntil(parts.get('UNTIL')) : null;
	const weekdays = readList(parts.get('BYDAY'), readWeekday);
	const monthDays = readList(parts.get('BYMONTHDAY'), (one) => readSigned(one, 31));
	const months = readList(parts.get('BYMONTH'), (one) => readNumber(one, 1, 12));
	const faults: [boolean, string][] = [
		[frequency === undefined, 'It comes again daily, weekly, monthly or yearly.'],
		[interval === undefined, `Every so many: 1 to ${INTERVAL_LIMIT}.`],
		[count === undefined, `How often: 1 to ${COUNT_LIMIT} times.`],
		[until === undefined, 'The day until which it comes is no day.'],
		[!weekdays || !monthDays || !months, 'The days of this recurrence cannot be read.']
	];
	return {
		rule: {
			frequency: frequency ?? 'daily',
			interval: interval ?? 1,
			count: count ?? null,
			until: until ?? null,
			weekdays: weekdays ?? [],
			monthDays: monthDays ?? [],
			months: months ?? []
		},
		error: faults.find(([isFault]) => isFault)?.[1] ?? null
	};
}

/** What the standard forbids, or what is not understood of it here. */
function faultOf(rule: Recurrence, parts: Parts): string | null {
	const { frequency, interval, weekdays, monthDays, count, until } = rule;
	const counted = weekdays.some(({ nth }) => nth !== null);
	const isShort = frequency === 'daily' || frequency === 'weekly';
	const begins = parts.get('WKST') ?? 'MO';
	const faults: [boolean, string][] = [
		[count !== null && until !== null, 'It ends after so many times, or on a day: not both.'],
		[
			begins !== 'MO' && frequency === 'weekly' && interval > 1,
			'Weeks that do not begin on Monday are not understood here.'
		],
		[counted && isShort, 'The first, second or last weekday is one of a month or a year.'],
		[
			counted && monthDays.length > 0,
			'A day of the month and the nth weekday at once are not understood here.'
		],
		[hasSixth(rule), 'A month has at most five of a weekday.'],
		[
			frequency === 'weekly' && monthDays.length > 0,
			'A weekly recurrence has weekdays, no days of the month.'
		]
	];
	return faults.find(([isFault]) => isFault)?.[1] ?? null;
}

const hasSixth = ({ frequency, weekdays, months }: Recurrence): boolean =>
	(frequency === 'monthly' || months.length > 0) &&
	weekdays.some(({ nth }) => nth !== null && Math.abs(nth) > 5);

function readNumber(text: string | undefined, least: number, most: number): number | undefined {
	const value = /^\d{1,5}$/.test(text ?? '') ? Number(text) : NaN;
	return value >= least && value <= most ? value : undefined;
}

/** From 1 to so many, or from the end. */
function readSigned(text: string, most: number): number | undefined {
	const value = /^[+-]?\d{1,3}$/.test(text) ? Number(text) : 0;
	return value !== 0 && Math.abs(value) <= most ? value : undefined;
}

function readWeekday(text: string): NthWeekday | undefined {
	const match = /^([+-]?\d{1,2})?([A-Z]{2})$/.exec(text);
	const day = DAYS.findIndex((one) => one === match?.[2]);
	if (!match || day === -1) return undefined;
	if (match[1] === undefined) return { weekday: day, nth: null };
	const nth = readSigned(match[1], 53);
	return nth === undefined ? undefined : { weekday: day, nth };
}

/** Undefined where one of them cannot be read. */
function readList<Item>(
	text: string | undefined,
	read: (one: string) => Item | undefined
): Item[] | undefined {
	if (text === undefined || text === '') return [];
	const items = text.split(',').map(read);
	return items.every((item) => item !== undefined) ? (items as Item[]) : undefined;
}

/** `20261204` or `20261204T235959Z`: the day is what counts. */
function readUntil(text: string | undefined): PlainDate | undefined {
	const match = /^(\d{4})(\d{2})(\d{2})(T\d{6}Z?)?$/.exec(text ?? '');
	return match ? parseDate(`${match[1]}-${match[2]}-${match[3]}`) : undefined;
}

/** The text of a rule, its parts always in the same order. */
export function formatRule(rule: Recurrence): string {
	const { frequency, interval, weekdays, monthDays, months, count, until } = rule;
	const days = weekdays.map(({ weekday, nth }) => `${nth ?? ''}${DAYS[weekday]}`);
	return [
		`FREQ=${frequency.toUpperCase()}`,
		interval > 1 && `INTERVAL=${interval}`,
		months.length > 0 && `BYMONTH=${months.join(',')}`,
		monthDays.length > 0 && `BYMONTHDAY=${monthDays.join(',')}`,
		days.length > 0 && `BYDAY=${days.join(',')}`,
		count !== null && `COUNT=${count}`,
		until !== null && `UNTIL=${until.replaceAll('-', '')}`
	]
		.filter(Boolean)
		.join(';');
}
