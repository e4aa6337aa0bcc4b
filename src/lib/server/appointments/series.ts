/** The appointments that may touch a span of days, of some people, resources or one matter. */
import { listOccurrences, type Occurrence } from '#core/calendar/occurrences.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { openTo } from './rights.ts';
import type { AppointmentRow } from './rows.ts';
import { seriesOf } from './state.ts';

export type SpannedRow = AppointmentRow & {
	/** Whether one may read it. */
	open: 0 | 1;
	staff: string[];
	resources: string[];
	except: PlainDate[];
	/** The day on which its matter was closed: nothing of it comes after. */
	closedOn: PlainDate | null;
};
type Stored = AppointmentRow & {
	open: 0 | 1;
	staffJson: string;
	resourcesJson: string;
	exceptJson: string;
	closedOn: PlainDate | null;
};

export type SeriesFilter = {
	from: PlainDate;
	to: PlainDate;
	staff?: readonly string[];
	resources?: readonly string[];
	matterId?: string;
};

const listOf = (json: string): string[] => JSON.parse(json) as string[];

/** Days in other zones than the viewer's: one more on either side is looked at. */
export function listSeries({ db }: Reader, me: Staff, filter: SeriesFilter): SpannedRow[] {
	const { from, to, staff = [], resources = [], matterId } = filter;
	const whose = matterId
		? 'a.matter_id = @matterId'
		: `a.id IN (
			SELECT appointment_id
			FROM appointment_staff
			WHERE gone = 0 AND staff_id IN (SELECT value FROM json_each(@staff))
			UNION
			SELECT appointment_id
			FROM appointment_resource
			WHERE resource_id IN (SELECT value FROM json_each(@resources))
		)`;
	const rows = all<Stored>(
		db,
		`SELECT
			a.*,
			${openTo('a')} AS open,
			(
				SELECT json_group_array(staff_id)
				FROM appointment_staff s
				WHERE s.appointment_id = a.id AND s.gone = 0
			) AS staffJson,
			(
				SELECT json_group_array(resource_id)
				FROM appointment_resource r
				WHERE r.appointment_id = a.id
			) AS resourcesJson,
			(
				SELECT json_group_array(day) FROM appointment_exception x WHERE x.appointment_id = a.id
			) AS exceptJson,
			(
				SELECT closed_on FROM matter c WHERE c.id = a.matter_id AND c.status = 'closed'
			) AS closedOn
		FROM appointment a
		WHERE a.state = 'on'
			AND a.day <= date(@to, '+1 day')
			AND (a.last_day IS NULL OR a.last_day >= date(@from, '-1 day'))
			AND ${whose}
		ORDER BY a.day, a.id`,
		{
			...{ from, to, me: me.id },
			...(matterId
				? { matterId }
				: { staff: JSON.stringify(staff), resources: JSON.stringify(resources) })
		}
	);
	return rows.map(({ staffJson, resourcesJson, exceptJson, ...row }) => ({
		...row,
		staff: listOf(staffJson),
		resources: listOf(resourcesJson),
		except: listOf(exceptJson) as PlainDate[]
	}));
}

/** Their occurrences in a span; what its matter's closing took off the calendars is left out. */
export function listRowOccurrences(
	app: Reader,
	rows: readonly SpannedRow[],
	from: PlainDate,
	to: PlainDate
): { row: SpannedRow; occurrence: Occurrence }[] {
	const byId = new Map(rows.map((row) => [row.id, row]));
	return listOccurrences(rows.map(seriesOf), from, to, app.clock.zone).flatMap((occurrence) => {
		const row = byId.get(occurrence.id);
		if (!row || (row.closedOn !== null && occurrence.day > row.closedOn)) return [];
		return [{ row, occurrence }];
	});
}
