/**
 * Dates as iCalendar (RFC 5545): all-day, or timed with their zone, cancelled ones as cancelled,
 * each change with a higher SEQUENCE.
 */
import ICAL from 'ical.js';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import { addDays, plainDate, type PlainDate } from '#core/dates/plain.ts';
import { instantOf } from '#core/dates/zone.ts';

// The standard counts the blank a folded line begins with.
ICAL.foldLength = 74;

export type CalendarItem = {
	/** Unique and lasting: the same date keeps it through every change. */
	uid: string;
	sequence: number;
	title: string;
	date: PlainDate;
	/** `HH:MM` in the zone; null lasts all day. */
	time: string | null;
	zone: string;
	description: string;
	place: string;
	url: string;
	cancelled: boolean;
	category: string;
	/** Of an appointment: when it ends, how it comes again, on which of those days it does not. */
	span?: { lastDate: PlainDate; endTime: string | null; rule: string; except: PlainDate[] };
	isPrivate?: boolean;
};
export type CalendarHead = {
	name: string;
	/** Left out, the calendar is published as a whole. */
	method?: 'REQUEST' | 'CANCEL';
	/** The instant at which it is made. */
	now: string;
	attendee?: { name: string; email: string };
	organizer?: { name: string; email: string };
};

function addProperty(
	component: ICAL.Component,
	name: string,
	value: unknown,
	parameters: Record<string, string> = {}
): void {
	const property = new ICAL.Property(name, component);
	for (const [key, text] of Object.entries(parameters)) property.setParameter(key, text);
	property.setValue(value as never);
	component.addProperty(property);
}

/**
 * A calendar with these dates. A timed one lasts no time: it is a moment by which something is
 * done.
 */
export function makeCalendar(items: readonly CalendarItem[], head: CalendarHead): string {
	const calendar = new ICAL.Component('vcalendar');
	addProperty(calendar, 'prodid', '-//Kite Pen//Docket//EN');
	addProperty(calendar, 'version', '2.0');
	addProperty(calendar, 'calscale', 'GREGORIAN');
	addProperty(calendar, 'method', head.method ?? 'PUBLISH');
	if (!head.method) addProperty(calendar, 'x-wr-calname', head.name);
	for (const zone of new Set(items.filter(({ time }) => time).map((item) => item.zone))) {
		const [block] = tzlib_get_ical_block(zone) as [string, string];
		calendar.addSubcomponent(new ICAL.Component(ICAL.parse(block) as never));
	}
	for (const item of items) calendar.addSubcomponent(makeEvent(item, head));
	return `${calendar.toString()}\r\n`;
}

function makeEvent(item: CalendarItem, head: CalendarHead): ICAL.Component {
	const event = new ICAL.Component('vevent');
	const stamp = ICAL.Time.fromDateTimeString(head.now.replace(/\.\d+Z$/, 'Z'));
	addProperty(event, 'uid', item.uid);
	addProperty(event, 'sequence', item.sequence);
	addProperty(event, 'dtstamp', stamp);
	if (item.time) {
		const start = ICAL.Time.fromDateTimeString(`${item.date}T${item.time}:00`);
		addProperty(event, 'dtstart', start, { tzid: item.zone });
	} else {
		addProperty(event, 'dtstart', ICAL.Time.fromDateString(item.date));
		const last = item.span?.lastDate ?? item.date;
		addProperty(event, 'dtend', ICAL.Time.fromDateString(addDays(last, 1)));
	}
	if (item.span) addSpan(event, item, item.span);
	if (item.isPrivate) addProperty(event, 'class', 'PRIVATE');
	addProperty(event, 'summary', item.title);
	if (item.description) addProperty(event, 'description', item.description);
	if (item.place) addProperty(event, 'location', item.place);
	if (item.url) addProperty(event, 'url', item.url);
	addProperty(event, 'categories', item.category);
	addProperty(event, 'status', item.cancelled ? 'CANCELLED' : 'CONFIRMED');
	addProperty(event, 'transp', item.time ? 'OPAQUE' : 'TRANSPARENT');
	addPeople(event, head);
	return event;
}

/** When an appointment ends and how it comes again; by the clock of its zone, as it began. */
function addSpan(
	event: ICAL.Component,
	{ time, zone }: CalendarItem,
	{ lastDate, endTime, rule, except }: NonNullable<CalendarItem['span']>
): void {
	const atClock = (day: PlainDate, clock: string) =>
		ICAL.Time.fromDateTimeString(`${day}T${clock}:00`);
	if (time && endTime) {
		// Midnight at its end is the beginning of the next day.
		const isOver = endTime === '24:00';
		const end = isOver ? atClock(addDays(lastDate, 1), '00:00') : atClock(lastDate, endTime);
		addProperty(event, 'dtend', end, { tzid: zone });
	}
	if (rule) addProperty(event, 'rrule', ICAL.Recur.fromString(untilIn(rule, time, zone)));
	for (const day of except)
		if (time) addProperty(event, 'exdate', atClock(day, time), { tzid: zone });
		else addProperty(event, 'exdate', ICAL.Time.fromDateString(day));
}

/** Of what has a clock, UNTIL is a moment in UTC (RFC 5545, 3.3.10); of whole days it is a day. */
function untilIn(rule: string, time: string | null, zone: string): string {
	return rule.replace(/UNTIL=(\d{4})(\d\d)(\d\d)(?=;|$)/, (whole, year, month, day) => {
		if (!time) return whole as string;
		const [hour = 0, minute = 0] = time.split(':').map(Number);
		const last = plainDate(`${year}-${month}-${day}`);
		const moment = new Date(instantOf(last, hour * 60 + minute, zone)).toISOString();
		return `UNTIL=${moment.replace(/[-:]|\.\d+/g, '')}`;
	});
}

function addPeople(event: ICAL.Component, { organizer, attendee }: CalendarHead): void {
	if (organizer)
		addProperty(event, 'organizer', `mailto:${organizer.email}`, { cn: organizer.name });
	if (attendee)
		addProperty(event, 'attendee', `mailto:${attendee.email}`, {
			cn: attendee.name,
			role: 'REQ-PARTICIPANT',
			partstat: 'NEEDS-ACTION',
			rsvp: 'FALSE'
		});
}
