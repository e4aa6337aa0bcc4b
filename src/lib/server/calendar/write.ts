/**
 * Dates as iCalendar (RFC 5545): all-day, or timed with their zone, cancelled ones as cancelled,
 * each change with a higher SEQUENCE.
 */
import ICAL from 'ical.js';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import { addDays, type PlainDate } from '#core/dates/plain.ts';

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
		addProperty(event, 'dtend', ICAL.Time.fromDateString(addDays(item.date, 1)));
	}
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
