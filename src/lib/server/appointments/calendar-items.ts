/** Appointments as entries of a calendar file: for feeds, and for those outside. */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import { formatTime } from '#core/format/dates.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import type { CalendarItem } from '#server/calendar/write.ts';
import { all } from '#server/db/sql.ts';
import { openTo } from './rights.ts';
import type { AppointmentRow } from './rows.ts';

type Item = AppointmentRow & { number: string | null; exceptJson: string };
/** An entry lasts through every change, and is another for each appointment. */
const uidOf = (id: string): string => `${id}@kite-pen.local`;
const clock = (minutes: number | null): string | null =>
	minutes === null ? null : formatTime(minutes);

/** @param number the matter's, where the reader may know it */
export function appointmentItem(
	origin: string,
	row: AppointmentRow & { except: readonly PlainDate[] },
	number: string | null
): CalendarItem {
	return {
		uid: uidOf(row.id),
		sequence: row.version - 1,
		title: number ? `${row.subject}, ${number}` : row.subject,
		date: row.day,
		time: clock(row.from_minute),
		zone: row.zone,
		description: row.notes,
		place: row.place,
		url: row.link || `${origin}/calendar?appointment=${row.id}`,
		cancelled: row.state === 'off',
		category: 'Appointment',
		span: {
			lastDate: addDays(row.day, row.more_days),
			endTime: clock(row.to_minute),
			rule: row.rule,
			except: [...row.except]
		},
		isPrivate: row.private === 1
	};
}

/** Those that are not over: somebody's own, or those of a matter that they may read. */
export function listAppointmentItems(
	app: Application,
	me: Pick<Staff, 'id'>,
	{ from, matterId }: { from: PlainDate; matterId?: string | null }
): CalendarItem[] {
	const whose = matterId
		? 'a.matter_id = @matterId'
		: `EXISTS (
			SELECT 1
			FROM appointment_staff s
			WHERE s.appointment_id = a.id AND s.staff_id = @me AND s.gone = 0
		)`;
	const rows = all<Item>(
		app.db,
		`SELECT
			a.*,
			m.number,
			(
				SELECT json_group_array(day) FROM appointment_exception x WHERE x.appointment_id = a.id
			) AS exceptJson
		FROM appointment a
		LEFT JOIN matter m ON m.id = a.matter_id AND ${visible('m')}
		WHERE a.state = 'on'
			AND (a.last_day IS NULL OR a.last_day >= @from)
			AND ${whose}
			AND ${openTo('a')}
		ORDER BY a.day, a.id
		LIMIT 20000`,
		{ from, me: me.id, matterId: matterId ?? null }
	);
	return rows.map(({ exceptJson, number, ...row }) =>
		appointmentItem(app.origin, { ...row, except: JSON.parse(exceptJson) as PlainDate[] }, number)
	);
}
