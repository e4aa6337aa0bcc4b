/** What is due in a span of days, and who is away: what stands on top of a calendar. */
import type { PlainDate } from '#core/dates/plain.ts';
import { isOccasion, type Sort } from '#core/docket/occasion.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { concerns } from '#server/docket/date-people.ts';
import { stateOn, type DeadlineState } from '#server/docket/list.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';

export type DueItem = {
	key: string;
	kind: 'date' | 'task';
	day: PlainDate;
	title: string;
	about: string;
	/** The title of its matter. */
	matter: string;
	href: string;
	/** Of those looked at, whose it is. */
	staff: string[];
	/** Minutes after midnight, where a time is set. */
	from: number | null;
	kite: { state: DeadlineState; sort: Sort; checked: boolean; adrift: boolean } | null;
	/** The court whose days hold for it. */
	book: string;
};
export type AwayItem = { staffId: string; from: PlainDate; to: PlainDate };

export type DueFilter = {
	from: PlainDate;
	to: PlainDate;
	staff: readonly string[];
	matterId?: string;
	/** Everything of the matters one is on, or only what is one's own. */
	whose: 'concerned' | 'held';
};

type DateRow = Pick<
	DeadlineRow,
	| 'id'
	| 'title'
	| 'date'
	| 'state'
	| 'sort'
	| 'checked_by'
	| 'left_by'
	| 'book'
	| 'hand_time'
	| 'time'
> & { number: string; matterTitle: string; event: string; staffJson: string };

const paramsOf = (me: Staff, { from, to, staff, matterId }: DueFilter) => ({
	...{ from, to, me: me.id, staff: JSON.stringify(staff) },
	...(matterId ? { matterId } : {})
});

const minutesOf = (time: string | null): number | null =>
	time === null ? null : Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** Docketed dates and hearings, those that were met too. */
export function listDueDates(app: Reader, me: Staff, filter: DueFilter): DueItem[] {
	const whose =
		filter.whose === 'concerned' ? concerns('d', 'm', 'w.value') : 'p.assignee_id = w.value';
	const rows = all<DateRow>(
		app.db,
		`SELECT
			d.id, d.title, d.date, d.state, d.sort, d.checked_by, d.left_by, d.book, d.hand_time, d.time,
			m.number, m.title AS matterTitle, e.text AS event,
			(
				SELECT json_group_array(w.value)
				FROM json_each(@staff) w
				WHERE ${whose}
			) AS staffJson
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
		JOIN event e ON e.id = d.event_id
		JOIN date_people p ON p.deadline_id = d.id
		WHERE d.state IN ('docketed', 'met')
			AND d.date BETWEEN @from AND @to
			AND m.status <> 'closed'
			AND ${visible('m')}
			${filter.matterId ? 'AND m.id = @matterId' : ''}
		ORDER BY d.date, d.id
		LIMIT 2000`,
		paramsOf(me, filter)
	);
	return rows.flatMap((row) => {
		const staff = JSON.parse(row.staffJson) as string[];
		if (!filter.matterId && staff.length === 0) return [];
		const of = row.sort === 'deadline' && row.book !== '' ? `${row.event}, ` : '';
		return {
			key: row.id,
			kind: 'date' as const,
			day: row.date,
			title: row.title,
			about: `${of}${row.matterTitle}`,
			matter: row.matterTitle,
			href: `/matters/${row.number}/docket?deadline=${row.id}`,
			staff,
			from: isOccasion(row.sort) ? minutesOf(row.hand_time ?? row.time) : null,
			kite: {
				state: stateOn(row, app.clock.today()),
				sort: row.sort,
				checked: row.checked_by !== null,
				adrift: row.left_by !== null
			},
			book: row.book
		};
	});
}

type Listed = { id: string; day: PlainDate; title: string; about: string; number: string };
type Owned = Listed & { staffId: string };

/** Open tasks with a day. */
export function listDueTasks(app: Reader, me: Staff, filter: DueFilter): DueItem[] {
	const params = paramsOf(me, filter);
	const onMatter = filter.matterId ? 'AND m.id = @matterId' : '';
	const tasks = all<Owned>(
		app.db,
		`SELECT t.id, t.due AS day, t.subject AS title, m.title AS about, m.number, t.assignee_id AS staffId
		FROM task t
		JOIN matter m ON m.id = t.matter_id
		WHERE t.state = 'open'
			AND t.due BETWEEN @from AND @to
			AND ${visible('m')}
			${filter.matterId ? onMatter : 'AND t.assignee_id IN (SELECT value FROM json_each(@staff))'}
		ORDER BY t.due, t.id
		LIMIT 2000`,
		params
	);
	return tasks.map((row) => ({
		...{ key: row.id, kind: 'task' as const, day: row.day, title: row.title, about: row.about },
		matter: row.about,
		href: `/matters/${row.number}/tasks`,
		...{ staff: [row.staffId], from: null, kite: null, book: '' }
	}));
}

/** Days away that touch the span: that they are, not why. */
export const listAway = (
	{ db }: Reader,
	filter: Pick<DueFilter, 'from' | 'to' | 'staff'>
): AwayItem[] =>
	all(
		db,
		`SELECT staff_id AS staffId, from_day AS "from", to_day AS "to"
		FROM leave
		WHERE to_day >= @from
			AND from_day <= @to
			AND staff_id IN (SELECT value FROM json_each(@staff))
		ORDER BY from_day, staff_id`,
		{ from: filter.from, to: filter.to, staff: JSON.stringify(filter.staff) }
	);
