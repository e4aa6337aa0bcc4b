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

/** The clock in `zone` at an instant: the date and the minutes after midnight. */
export function clockAt(instant: number, zone: string): { date: PlainDate; minutes: number } {
	const record: Record<string, number> = {};
	for (const part of format(zone).formatToParts(instant))
		if (part.type !== 'literal') record[part.type] = Number(part.value);
	return {
		date: fromDay(civilToDay(record.year!, record.month!, record.day!)),
		minutes: record.hour! * 60 + record.minute!
	};
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
