/**
 * What stands in calendars in a span of days: appointments as their occurrences, by the clock of
 * the department. Of what one may not read only when it is, and whose.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import { clockAt } from '#core/dates/zone.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { listKept, mayChangeRow } from '#server/appointments/rights.ts';
import {
	listRowOccurrences,
	listSeries,
	type SeriesFilter,
	type SpannedRow
} from '#server/appointments/series.ts';
import { all } from '#server/db/sql.ts';

export type CalendarItem = {
	/** One of its kind on the screen. */
	key: string;
	/** null where one may only know that somebody is busy. */
	id: string | null;
	/** Its day as its series has it: by it the occurrence is named. */
	onDay: PlainDate;
	day: PlainDate;
	lastDay: PlainDate;
	/** Minutes after midnight of its first and of its last day; null where it is all day. */
	from: number | null;
	to: number | null;
	subject: string;
	about: string;
	staff: string[];
	resources: string[];
	recurs: boolean;
	isPrivate: boolean;
	/** Whether one may move it. */
	free: boolean;
};

type Names = ReadonlyMap<string, string>;

/** Numbers of the matters that one may see, and names of resources, by their ids. */
function listNames({ db }: Reader, me: Staff, rows: readonly SpannedRow[]): Names {
	const matterIds = rows.flatMap(({ open, matter_id }) => (open && matter_id ? [matter_id] : []));
	const names = all<{ id: string; name: string }>(
		db,
		`SELECT m.id, m.number AS name
		FROM matter m
		WHERE m.id IN (SELECT value FROM json_each(@matterIds)) AND ${visible('m')}
		UNION ALL
		SELECT id, name FROM resource`,
		{ matterIds: JSON.stringify(matterIds), me: me.id }
	);
	return new Map(names.map(({ id, name }) => [id, name]));
}

/** The occurrences that touch the span, in order of time. */
export function listCalendarItems(app: Reader, me: Staff, filter: SeriesFilter): CalendarItem[] {
	const rows = listSeries(app, me, filter);
	const names = listNames(app, me, rows);
	const kept = listKept(app, me);
	const { zone } = app.clock;
	return listRowOccurrences(app, rows, filter.from, filter.to).map(({ row, occurrence }, at) => {
		const { day, firstDay, lastDay, starts, ends } = occurrence;
		const when = {
			key: `${at}`,
			onDay: day,
			day: firstDay,
			lastDay,
			from: starts === null ? null : clockAt(starts, zone).minutes,
			to: ends === null ? null : minutesAtEnd(ends, lastDay, zone)
		};
		return row.open ? openItem(row, when, names, me, kept) : busyItem(row, when, filter);
	});
}

/** What ends at midnight ends at 24:00 of its last day. */
function minutesAtEnd(ends: number, lastDay: PlainDate, zone: string): number {
	const { date, minutes } = clockAt(ends, zone);
	return date > lastDay ? 1440 : minutes;
}

type When = Pick<CalendarItem, 'key' | 'onDay' | 'day' | 'lastDay' | 'from' | 'to'>;

function openItem(
	row: SpannedRow,
	when: When,
	names: Names,
	me: Staff,
	kept: readonly string[]
): CalendarItem {
	const rooms = row.resources.flatMap((id) => names.get(id) ?? []);
	const about = [row.matter_id && names.get(row.matter_id), row.place, ...rooms];
	return {
		...when,
		id: row.id,
		subject: row.subject,
		about: about.filter(Boolean).join(' · '),
		staff: row.staff,
		resources: row.resources,
		recurs: row.rule !== '',
		isPrivate: row.private === 1,
		free: mayChangeRow(me, row, kept)
	};
}

/** Only those of its people and resources that are looked at. */
const busyItem = (
	row: SpannedRow,
	when: When,
	{ staff = [], resources = [] }: SeriesFilter
): CalendarItem => ({
	...when,
	id: null,
	subject: 'busy',
	about: '',
	staff: row.staff.filter((one) => staff.includes(one)),
	resources: row.resources.filter((one) => resources.includes(one)),
	recurs: false,
	isPrivate: false,
	free: false
});
