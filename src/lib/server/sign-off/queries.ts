/** Whose dates wait for a sign-off, who has given it, and what was said. */
import type { PlainDate } from '#core/dates/plain.ts';
import { COUNTED_TO } from '#core/format/words.ts';
import { listUncovered, signOffWeek } from '#core/sign-off/week.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Reader, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { heldBy } from '#server/docket/date-people.ts';
import {
	SELECT_DEADLINES,
	viewDeadlines,
	type DeadlineListRow,
	type DeadlineView
} from '#server/docket/list.ts';
import type { SignOffRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/** Dates of open matters that stand until a day and are somebody's: theirs, or held for another. */
const OWN = `d.state = 'docketed'
	AND m.status <> 'closed'
	AND d.date <= @until
	AND ${heldBy('@who')}
	AND ${visible('m')}`;

/** One's own dates until the end of this week's span, those that were missed among them. */
export function listOwnDates(app: Reader, me: Staff): DeadlineView[] {
	const { until } = signOffWeek(app.clock.today());
	const rows = all<DeadlineListRow>(
		app.db,
		`${SELECT_DEADLINES} WHERE ${OWN} ORDER BY d.date, d.id`,
		{ me: me.id, who: me.id, until }
	);
	return viewDeadlines(app, rows);
}

type OwnDay = { id: string; date: PlainDate; title: string };
/** The nearest of somebody's dates; a few more than are ever counted. */
const listOwnDays = ({ db }: Has, me: string, who: string, until: PlainDate): OwnDay[] =>
	all(
		db,
		`SELECT d.id, d.date, d.title
		FROM deadline d
		CROSS JOIN matter m ON m.id = d.matter_id
		CROSS JOIN date_people p ON p.deadline_id = d.id
		WHERE ${OWN}
		ORDER BY d.date
		LIMIT ${COUNTED_TO + 1}`,
		{ me, who, until }
	);

/** What somebody signed off last in a week; undefined where they have not. */
export function findSignOff(
	{ db }: Has,
	who: string,
	week: PlainDate
): { at: string; dates: { id: string; date: PlainDate; words: string }[] } | undefined {
	const last = maybeOne<SignOffRow>(
		db,
		`SELECT *
		FROM sign_off
		WHERE staff_id = @who AND week = @week
		ORDER BY at DESC
		LIMIT 1`,
		{ who, week }
	);
	if (!last) return undefined;
	const dates = all<{ id: string; date: PlainDate; words: string }>(
		db,
		'SELECT deadline_id AS id, date, words FROM sign_off_date WHERE sign_off_id = @id',
		{ id: last.id }
	);
	return { at: last.at, dates };
}

export type OwnState = {
	week: PlainDate;
	until: PlainDate;
	dates: number;
	/** When they signed off last this week; null where they have not. */
	at: string | null;
	/** Dates that no sign-off of this week covers. */
	open: OwnDay[];
};

/** How somebody's sign-off stands this week, as the viewer may see it. */
export function findSignOffState(app: Reader, me: Staff, who: string): OwnState {
	const { week, until } = signOffWeek(app.clock.today());
	const standing = listOwnDays(app, me.id, who, until);
	const signed = findSignOff(app, who, week);
	return {
		week,
		until,
		dates: standing.length,
		at: signed?.at ?? null,
		open: listUncovered(standing, signed?.dates ?? [])
	};
}

export type ColleagueState = { id: string; name: string; dates: number; at: string | null } & {
	open: number;
	/** Dates of which they said that they are not right. */
	wrong: number;
};
/** Everyone who holds dates, and whether they have signed off this week. */
export function listSignOffStates(app: Reader, me: Staff): ColleagueState[] {
	const { week, until } = signOffWeek(app.clock.today());
	const colleagues = all<{ id: string; name: string }>(
		app.db,
		`SELECT id, name FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name`
	);
	return colleagues.flatMap(({ id, name }) => {
		const standing = listOwnDays(app, me.id, id, until);
		if (standing.length === 0) return [];
		const signed = findSignOff(app, id, week);
		const shown = new Set(standing.map((date) => date.id));
		return {
			id,
			name,
			dates: standing.length,
			at: signed?.at ?? null,
			open: listUncovered(standing, signed?.dates ?? []).length,
			wrong: (signed?.dates ?? []).filter((date) => date.words && shown.has(date.id)).length
		};
	});
}

export type SignedDate = {
	name: string;
	at: string;
	date: PlainDate;
	title: string;
	matterNumber: string;
	matterTitle: string;
	words: string;
};
/** What was signed off in a week, by whom, of matters the viewer may see. */
export const listSigned = ({ db }: Has, me: Staff, week: PlainDate): SignedDate[] =>
	all(
		db,
		`SELECT
			s.name, o.at, x.date, d.title, m.number AS matterNumber, m.title AS matterTitle, x.words
		FROM sign_off o
		JOIN sign_off_date x ON x.sign_off_id = o.id
		JOIN staff s ON s.id = o.staff_id
		JOIN deadline d ON d.id = x.deadline_id
		JOIN matter m ON m.id = d.matter_id
		WHERE o.week = @week AND ${visible('m')}
		ORDER BY o.at DESC, x.date, d.id
		LIMIT 2000`,
		{ week, me: me.id }
	);

/** The weeks in which anybody has signed off, the last first. */
export const listSignOffWeeks = ({ db }: Has): PlainDate[] =>
	all<{ week: PlainDate }>(
		db,
		'SELECT DISTINCT week FROM sign_off ORDER BY week DESC LIMIT 60'
	).map(({ week }) => week);
