/** Reads calendar files (RFC 5545) that somebody brings in. Runs in a worker. */
import ICAL from 'ical.js';
import { parseDate, type PlainDate } from '#core/dates/plain.ts';
import { clockAt } from '#core/dates/zone.ts';
import { formatTime } from '#core/format/dates.ts';

export type CalendarEvent = {
	title: string;
	date: PlainDate;
	time: string | null;
	place: string;
};
export type ReadCalendar = { events: CalendarEvent[]; left: number } | { error: string };

/** More bytes than this are not read. */
export const CALENDAR_LIMIT = 1024 * 1024;
/** More events than this are not taken at once. */
const EVENTS_LIMIT = 200;
const NOT_A_CALENDAR = 'This is not a calendar file (ICS). Nothing was brought in.';

/**
 * The events of a file, timed ones on the clock of a zone. Recurring and cancelled ones are
 * counted, not taken.
 */
export function parseCalendar({ data, zone }: { data: Uint8Array; zone: string }): ReadCalendar {
	const root = parseRoot(Buffer.from(data).toString('utf8'));
	if (root?.name !== 'vcalendar') return { error: NOT_A_CALENDAR };
	const zones = new Map(
		root
			.getAllSubcomponents('vtimezone')
			.map((block) => [String(block.getFirstPropertyValue('tzid')), new ICAL.Timezone(block)])
	);
	const found = root
		.getAllSubcomponents('vevent')
		.map((component) => parseEvent(component, zones, zone));
	const events = found
		.filter((event) => event !== null)
		.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
	if (events.length)
		return {
			events: events.slice(0, EVENTS_LIMIT),
			left: found.length - Math.min(events.length, EVENTS_LIMIT)
		};
	return {
		error: found.length
			? 'Every event in this file recurs or is cancelled; there is nothing to bring in.'
			: 'There is no event in this calendar file.'
	};
}

function parseRoot(text: string): ICAL.Component | undefined {
	try {
		return new ICAL.Component(ICAL.parse(text) as never);
	} catch {
		return undefined;
	}
}

const textOf = (component: ICAL.Component, name: string) =>
	String(component.getFirstPropertyValue(name) ?? '')
		.trim()
		.slice(0, 200);

/** One event; null where it is not taken. */
function parseEvent(
	component: ICAL.Component,
	zones: ReadonlyMap<string, ICAL.Timezone>,
	zone: string
): CalendarEvent | null {
	const property = component.getFirstProperty('dtstart');
	const start = property?.getFirstValue() as ICAL.Time | null | undefined;
	const title = textOf(component, 'summary');
	const cancelled = textOf(component, 'status').toUpperCase() === 'CANCELLED';
	if (!property || !start || !title || cancelled || component.getFirstProperty('rrule'))
		return null;
	const when = start.isDate
		? { date: start.toString().slice(0, 10), time: null }
		: clockOf(start, zones.get(String(property.getFirstParameter('tzid') ?? '')), zone);
	const date = parseDate(when.date);
	return date ? { title, date, time: when.time, place: textOf(component, 'location') } : null;
}

function clockOf(
	start: ICAL.Time,
	own: ICAL.Timezone | undefined,
	zone: string
): { date: string; time: string } {
	if (own) start.zone = own;
	if (start.zone.tzid === 'floating' && !own) {
		const minutes = start.hour * 60 + start.minute;
		return { date: start.toString().slice(0, 10), time: formatTime(minutes) };
	}
	const { date, minutes } = clockAt(start.toUnixTime() * 1000, zone);
	return { date, time: formatTime(minutes) };
}
