/** The next fifteen working days with everything that falls on them. */
import { addDays, toDay, type PlainDate } from '#core/dates/plain.ts';
import type { Sort } from '#core/docket/occasion.ts';
import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
import { onTeam, visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { concerns } from '#server/docket/date-people.ts';
import type { DeadlineState } from '#server/docket/list.ts';
import { stateOn } from '#server/docket/list.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { describeAppointments } from './today.ts';
import { requireBook } from '#server/rulebooks/shelf.ts';

type HorizonMark = {
	kind: 'deadline' | 'task' | 'signing' | 'appointment';
	sort?: Sort;
	state?: DeadlineState;
	checked?: boolean;
	/** It no longer follows its event. */
	adrift?: boolean;
	title: string;
	href: string;
};
export type HorizonDay = {
	date: PlainDate;
	closed: string | null;
	/** The first of them, and how many more there are. */
	marks: HorizonMark[];
	more: number;
};

const WORKING_DAYS = 15;
/** More marks than this find no room on a day. */
const MARKS_SHOWN = 9;
type Dated = HorizonMark & { date: PlainDate };
type Span = { me: string; from: PlainDate; to: PlainDate };

/** Days on which the department does not work are there too. */
export function listHorizon(app: Reader, me: Staff, who: 'mine' | 'all' = 'all'): HorizonDay[] {
	const days = emptyDays(app);
	const [from, to] = [days[0]?.date, days.at(-1)?.date];
	if (!from || !to) return [];
	const span: Span = { me: me.id, from, to };
	const seenWith = (mine: string) => `${visible('m')}${who === 'mine' ? ` AND ${mine}` : ''}`;
	const byDate = new Map(days.map((day) => [day.date, day]));
	const marks = [
		...listDeadlineMarks(app, seenWith(concerns('d', 'm')), span),
		...listTaskMarks(app, span),
		...listSigningMarks(app, seenWith(onTeam('m')), span),
		...listAppointmentMarks(app, me, from, to)
	];
	for (const { date, ...mark } of marks) {
		const day = byDate.get(date);
		if (!day) continue;
		if (day.marks.length < MARKS_SHOWN) day.marks.push(mark);
		else day.more++;
	}
	return days;
}

function emptyDays(app: Reader): HorizonDay[] {
	const { calendar } = requireBook(app, 'us-federal');
	const days: HorizonDay[] = [];
	for (let day = app.clock.today(), working = 0; working < WORKING_DAYS; day = addDays(day, 1)) {
		const closed = calendar.closed(toDay(day), 1)?.name ?? null;
		if (!closed) working++;
		days.push({ date: day, closed, marks: [], more: 0 });
	}
	return days;
}

/** One mark a day: how many there are is read in the calendar. */
const listAppointmentMarks = (app: Reader, me: Staff, from: PlainDate, to: PlainDate): Dated[] =>
	describeAppointments(app, me, from, to).map(({ date, title }) => ({
		...{ date, title, kind: 'appointment' },
		href: `/calendar?view=day&day=${date}`
	}));

function listDeadlineMarks(app: Reader, seen: string, span: Span): Dated[] {
	type Row = Pick<
		DeadlineRow,
		'id' | 'title' | 'date' | 'state' | 'checked_by' | 'left_by' | 'sort'
	> & {
		number: string;
		matterTitle: string;
	};
	const rows = all<Row>(
		app.db,
		`SELECT d.id, d.title, d.date, d.state, d.checked_by, d.left_by, d.sort, m.number, m.title AS matterTitle
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
		WHERE d.state IN ('docketed', 'proposed')
			AND d.date BETWEEN @from AND @to
			AND m.status <> 'closed'
			AND ${seen}
		ORDER BY d.state, d.date, d.id`,
		span
	);
	return rows.map((row) => ({
		date: row.date,
		kind: 'deadline',
		sort: row.sort,
		state: stateOn(row, app.clock.today()),
		checked: row.checked_by !== null,
		adrift: row.left_by !== null,
		title: `${row.title}, ${row.matterTitle}${row.left_by ? `, ${NO_LONGER_FOLLOWS}` : ''}`,
		href: `/matters/${row.number}/docket?deadline=${row.id}`
	}));
}

const listTaskMarks = (app: Reader, span: Span): Dated[] =>
	all<{ due: PlainDate; subject: string; number: string }>(
		app.db,
		`SELECT t.due, t.subject, m.number
		FROM task t
		JOIN matter m ON m.id = t.matter_id
		WHERE t.state = 'open'
			AND t.assignee_id = @me
			AND t.due BETWEEN @from AND @to
			AND ${visible('m')}`,
		span
	).map(({ due, subject, number }) => ({
		date: due,
		kind: 'task',
		title: subject,
		href: `/matters/${number}/tasks`
	}));

const listSigningMarks = (app: Reader, seen: string, span: Span): Dated[] =>
	all<{ date: PlainDate; title: string; number: string }>(
		app.db,
		`SELECT r.wanted_by AS date, r.title, m.number
		FROM signing_round r
		JOIN matter m ON m.id = r.matter_id
		WHERE r.wanted_by BETWEEN @from AND @to
			AND r.withdrawn_at IS NULL
			AND r.finished_version IS NULL
			AND ${seen}`,
		span
	).map(({ date, title, number }) => ({
		date,
		kind: 'signing',
		title: `Signing wanted: ${title}`,
		href: `/matters/${number}/documents`
	}));
