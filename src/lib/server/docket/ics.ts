/** Dates as iCalendar (RFC 5545): all-day or timed with their zone, cancelled ones as cancelled, each change with a higher SEQUENCE. */
import ICAL from 'ical.js';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import { addDays, date as plain, parseDate, sayTime, type PlainDate } from '#core/dates/plain.ts';
import { clockAt } from '#core/dates/zone.ts';

// The standard counts the blank a folded line begins with.
ICAL.foldLength = 74;

export type IcsItem = {
	/** Unique and lasting: the same date keeps it through every change. */
	uid: string;
	sequence: number;
	title: string;
	date: PlainDate;
	time: string | null;
	zone: string;
	description: string;
	place: string;
	url: string;
	cancelled: boolean;
	category: string;
};
type Outer = {
	name: string;
	method?: 'PUBLISH' | 'REQUEST' | 'CANCEL';
	now: string;
	attendee?: { name: string; email: string };
	organizer?: { name: string; email: string };
};

/** A calendar with these dates. A timed one lasts no time: it is a moment by which something is done. */
export function calendar(items: readonly IcsItem[], o: Outer): string {
	const cal = new ICAL.Component('vcalendar');
	const set = (
		c: ICAL.Component,
		name: string,
		value: unknown,
		params: Record<string, string> = {}
	) => {
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
		if (o.attendee)
			set(e, 'attendee', `mailto:${o.attendee.email}`, {
				cn: o.attendee.name,
				role: 'REQ-PARTICIPANT',
				partstat: 'NEEDS-ACTION',
				rsvp: 'FALSE'
			});
		cal.addSubcomponent(e);
	}
	return `${cal.toString()}\r\n`;
}

export type IcsEvent = { title: string; date: PlainDate; time: string | null; place: string };
const MOST = 1024 * 1024;
/** The events of a calendar file, timed ones on the clock of a zone. Recurring and cancelled ones are counted, not taken. */
export function readCalendar(
	data: Buffer,
	zone: string
): { events: IcsEvent[]; left: number } | { error: string } {
	if (data.length > MOST)
		return {
			error: `The file has ${(data.length / 1024 / 1024).toFixed(1)} MB: a calendar to bring in has at most 1 MB. Export a shorter span.`
		};
	let root: ICAL.Component;
	try {
		root = new ICAL.Component(ICAL.parse(data.toString('utf8')) as never);
	} catch {
		return { error: 'This is not a calendar file (ICS). Nothing was brought in.' };
	}
	if (root.name !== 'vcalendar')
		return { error: 'This is not a calendar file (ICS). Nothing was brought in.' };
	const zones = new Map(
		root
			.getAllSubcomponents('vtimezone')
			.map((z) => [String(z.getFirstPropertyValue('tzid')), new ICAL.Timezone(z)])
	);
	const events: IcsEvent[] = [];
	let left = 0;
	for (const e of root.getAllSubcomponents('vevent')) {
		const start = e.getFirstPropertyValue('dtstart') as ICAL.Time | null;
		const title = String(e.getFirstPropertyValue('summary') ?? '')
			.trim()
			.slice(0, 200);
		if (
			!start ||
			!title ||
			e.getFirstProperty('rrule') ||
			String(e.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED'
		) {
			left++;
			continue;
		}
		let on: string,
			time: string | null = null;
		if (start.isDate) on = start.toString().slice(0, 10);
		else {
			const tzid = e.getFirstProperty('dtstart')!.getFirstParameter('tzid') as string | undefined;
			const own = tzid ? zones.get(tzid) : undefined;
			if (own) start.zone = own;
			const floating = start.zone.tzid === 'floating' && !own;
			const clock = floating
				? { date: start.toString().slice(0, 10), minutes: start.hour * 60 + start.minute }
				: clockAt(start.toUnixTime() * 1000, zone);
			on = clock.date;
			time = sayTime(clock.minutes);
		}
		const day = parseDate(on);
		if (!day) {
			left++;
			continue;
		}
		events.push({
			title,
			date: day,
			time,
			place: String(e.getFirstPropertyValue('location') ?? '')
				.trim()
				.slice(0, 200)
		});
	}
	return events.length
		? {
				events: events.sort((a, b) => a.date.localeCompare(b.date)).slice(0, 200),
				left: left + Math.max(0, events.length - 200)
			}
		: {
				error: left
					? 'Every event in this file recurs or is cancelled; there is nothing to bring in.'
					: 'There is no event in this calendar file.'
			};
}
