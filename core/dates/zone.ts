/**
 * Clock time in a zone and elapsed time, for counts in hours.
 * Uses the time zone data that ships with the language (Intl); an instant is milliseconds since
 * 1970 in UTC.
 */
import { plainDate, civilToDay, fromDay, toDay, type PlainDate } from './plain.ts';

const formats = new Map<string, Intl.DateTimeFormat>();
function format(zone: string): Intl.DateTimeFormat {
	let item = formats.get(zone);
	if (!item) {
		item = new Intl.DateTimeFormat('en-US', {
			timeZone: zone,
			hourCycle: 'h23',
			year: 'numeric',
			month: 'numeric',
			day: 'numeric',
			hour: 'numeric',
			minute: 'numeric',
			second: 'numeric'
		});
		formats.set(zone, item);
	}
	return item;
}

type Clock = { date: PlainDate; minutes: number };

/** The clock as the language's own data has it, which takes long. */
function readClock(instant: number, zone: string): Clock {
	const record: Record<string, number> = {};
	for (const part of format(zone).formatToParts(instant))
		if (part.type !== 'literal') record[part.type] = Number(part.value);
	return {
		date: fromDay(civilToDay(record.year!, record.month!, record.day!)),
		minutes: record.hour! * 60 + record.minute!
	};
}

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
/** Since this year every zone differs from UTC by whole minutes. */
const WHOLE_MINUTES_FROM = toDay(plainDate('1973-01-01')) * DAY_MS;
/** Minutes ahead of UTC on a day in UTC; null where clocks are set in its course. */
const offsets = new Map<string, number | null>();
const OFFSETS_LIMIT = 20_000;

/** No zone has set its clocks twice within a day: what holds at both ends holds between. */
function offsetOn(day: number, zone: string): number | null {
	const key = `${day} ${zone}`;
	const known = offsets.get(key);
	if (known !== undefined) return known;
	if (offsets.size >= OFFSETS_LIMIT) offsets.clear();
	const offsetAt = (instant: number) => {
		const { date, minutes } = readClock(instant, zone);
		return toDay(date) * 1440 + minutes - instant / MINUTE_MS;
	};
	const offset = offsetAt(day * DAY_MS);
	const holds = offset === offsetAt((day + 1) * DAY_MS);
	offsets.set(key, holds ? offset : null);
	return holds ? offset : null;
}

/** The clock in `zone` at an instant: the date and the minutes after midnight. */
export function clockAt(instant: number, zone: string): Clock {
	const offset = instant < WHOLE_MINUTES_FROM ? null : offsetOn(Math.floor(instant / DAY_MS), zone);
	if (offset === null) return readClock(instant, zone);
	const local = Math.floor(instant / MINUTE_MS) + offset;
	const day = Math.floor(local / 1440);
	return { date: fromDay(day), minutes: local - day * 1440 };
}

/** Milliseconds since 1970 of an instant written as ISO 8601, to the minute. */
const msOf = (iso: string): number =>
	toDay(plainDate(iso.slice(0, 10))) * 86_400_000 +
	Number(iso.slice(11, 13)) * 3_600_000 +
	Number(iso.slice(14, 16)) * 60_000;

/**
 * The day in `zone` of an instant written as ISO 8601. An instant's first ten letters are the day
 * in UTC, which in the evening is another.
 */
export const dayAt = (iso: string, zone: string): PlainDate => clockAt(msOf(iso), zone).date;

/** The time of day in `zone` of an instant written as ISO 8601, as HH:MM. */
export function timeAt(iso: string, zone: string): string {
	const { minutes } = clockAt(msOf(iso), zone);
	const two = (figure: number) => String(figure).padStart(2, '0');
	return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}

const wall = (day: PlainDate, minutes: number) => toDay(day) * 86_400_000 + minutes * 60_000;

/**
 * The instant of a clock time. A time that happens twice (clocks set back) is its first; a time
 * that never happens (clocks set forward) is read with the offset before the change.
 */
export function instantOf(day: PlainDate, minutes: number, zone: string): number {
	const local = wall(day, minutes);
	const offsetAt = (instant: number) => {
		const item = clockAt(instant, zone);
		return wall(item.date, item.minutes) - Math.floor(instant / 60_000) * 60_000;
	};
	const before = offsetAt(local - 86_400_000);
	const after = offsetAt(local + 86_400_000);
	for (const offset of [before, after])
		if (offsetAt(local - offset) === offset) return local - offset;
	return local - before;
}

/** The instant at which a day begins in `zone`, as ISO 8601. */
export function startOfDay(day: PlainDate, zone: string): string {
	const minutes = instantOf(day, 0, zone) / 60_000,
		at = ((minutes % 1440) + 1440) % 1440;
	return `${fromDay((minutes - at) / 1440)}T${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}:00.000Z`;
}
