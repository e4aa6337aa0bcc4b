/** Dates as iCalendar (RFC 5545): all-day or timed with their zone, cancelled ones as cancelled, each change with a higher SEQUENCE. */
import ICAL from 'ical.js';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import { addDays, date as plain, type PlainDate } from '#core/dates/plain.ts';

// The standard counts the blank a folded line begins with.
ICAL.foldLength = 74;

export type IcsItem = {
	/** Unique and lasting: the same date keeps it through every change. */
	uid: string; sequence: number; title: string; date: PlainDate; time: string | null; zone: string; description: string; place: string; url: string; cancelled: boolean; category: string;
};
type Outer = { name: string; method?: 'PUBLISH' | 'REQUEST' | 'CANCEL'; now: string; attendee?: { name: string; email: string }; organizer?: { name: string; email: string } };

/** A calendar with these dates. A timed one lasts no time: it is a moment by which something is done. */
export function calendar(items: readonly IcsItem[], o: Outer): string {
	const cal = new ICAL.Component('vcalendar');
	const set = (c: ICAL.Component, name: string, value: unknown, params: Record<string, string> = {}) => {
		const p = new ICAL.Property(name, c);
		for (const [k, v] of Object.entries(params)) p.setParameter(k, v);
		p.setValue(value as never);
		c.addProperty(p);
	};
	set(cal, 'prodid', '-//Kite Pen//Docket//EN');
	set(cal, 'version', '2.0');
	set(cal, 'calscale', 'GREGORIAN');
	set(cal, 'method', o.method ?? 'PUBLISH');
	if (!o.method) set(cal, 'x-wr-calname', o.name);
	for (const zone of new Set(items.filter((i) => i.time).map((i) => i.zone))) {
		const [block] = tzlib_get_ical_block(zone) as [string, string];
		cal.addSubcomponent(new ICAL.Component(ICAL.parse(block) as never));
	}
	for (const i of items) {
		const e = new ICAL.Component('vevent');
		set(e, 'uid', i.uid);
		set(e, 'sequence', i.sequence);
		set(e, 'dtstamp', ICAL.Time.fromDateTimeString(o.now.replace(/\.\d+Z$/, 'Z')));
		if (i.time) {
			const start = new ICAL.Property('dtstart', e);
			start.setParameter('tzid', i.zone);
			start.setValue(ICAL.Time.fromDateTimeString(`${i.date}T${i.time}:00`) as never);
			e.addProperty(start);
		} else {
			set(e, 'dtstart', ICAL.Time.fromDateString(i.date));
			set(e, 'dtend', ICAL.Time.fromDateString(addDays(plain(i.date), 1)));
		}
		set(e, 'summary', i.title);
		if (i.description) set(e, 'description', i.description);
		if (i.place) set(e, 'location', i.place);
		if (i.url) set(e, 'url', i.url);
		set(e, 'categories', i.category);
		set(e, 'status', i.cancelled ? 'CANCELLED' : 'CONFIRMED');
		set(e, 'transp', i.time ? 'OPAQUE' : 'TRANSPARENT');
		if (o.organizer) set(e, 'organizer', `mailto:${o.organizer.email}`, { cn: o.organizer.name });
		if (o.attendee) set(e, 'attendee', `mailto:${o.attendee.email}`, { cn: o.attendee.name, role: 'REQ-PARTICIPANT', partstat: 'NEEDS-ACTION', rsvp: 'FALSE' });
		cal.addSubcomponent(e);
	}
	return `${cal.toString()}\r\n`;
}
