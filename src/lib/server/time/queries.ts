/** Time entries and timers as their screens show them. */
import { addDays, toDay, weekday, type PlainDate } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, one } from '#server/db/sql.ts';
import type { ActivityCodeRow, TimerRow } from './rows.ts';

export type EntryView = {
	id: string;
	day: PlainDate;
	minutes: number;
	narrative: string;
	activity: string | null;
	activityName: string | null;
	state: 'draft' | 'released' | 'allocated';
	matterNumber: string | null;
	matterTitle: string | null;
	/** Initials. */
	who: string;
	run: string | null;
};

/** Entries, with whether the viewer may see their matter. Takes @me. */
const SELECT = `SELECT
		t.id, t.day, t.minutes, t.narrative, t.activity, a.name AS activityName, s.initials AS who,
		CASE
			WHEN r.id IS NOT NULL THEN 'allocated'
			WHEN t.released_at IS NOT NULL THEN 'released'
			ELSE 'draft'
		END AS state,
		coalesce(r.number, CASE WHEN r.id IS NULL THEN NULL ELSE 'in the next run' END) AS run,
		m.number AS matterNumber, m.title AS matterTitle,
		m.id IS NULL OR ${visible('m')} AS seen
	FROM time_entry t
	JOIN staff s ON s.id = t.staff_id
	LEFT JOIN activity_code a ON a.code = t.activity
	LEFT JOIN matter m ON m.id = t.matter_id
	LEFT JOIN cost_line c ON c.entry_id = t.id AND c.holds = 1
	LEFT JOIN cost_run r ON r.id = c.run_id`;

/** Monday of a day's week. */
export const weekOf = (day: PlainDate): PlainDate => addDays(day, -((weekday(toDay(day)) + 6) % 7));

const HIDDEN = { matterNumber: null, matterTitle: 'a matter you no longer see', narrative: '' };

/** My entries of a span; a matter that became hidden from me keeps its time without its name. */
export function listMyEntries(app: Reader, me: Staff, from: string, to: string): EntryView[] {
	const rows = all<EntryView & { seen: number }>(
		app.db,
		`${SELECT}
		WHERE t.staff_id = @me AND t.day BETWEEN @from AND @to
		ORDER BY t.day DESC, t.created_at DESC, t.id DESC`,
		{ me: me.id, from, to }
	);
	return rows.map(({ seen, ...entry }) => (seen ? entry : { ...entry, ...HIDDEN }));
}

/** A matter's entries, newest first; the caller has found the matter. */
export const listMatterEntries = (
	app: Reader,
	me: Staff,
	matterId: string,
	limit = 200
): EntryView[] =>
	all(
		app.db,
		`${SELECT} WHERE t.matter_id = @matterId ORDER BY t.day DESC, t.id DESC LIMIT @limit`,
		{ me: me.id, matterId, limit }
	);

export const listActivities = (
	app: Reader
): Pick<ActivityCodeRow, 'code' | 'name' | 'matter_work'>[] =>
	all(app.db, 'SELECT code, name, matter_work FROM activity_code ORDER BY position');

export type TimerView = {
	id: string;
	matterNumber: string;
	matterTitle: string;
	words: string;
	running: boolean;
	/** Gathered so far, in milliseconds. */
	ms: number;
};

export function listTimers(app: Reader, me: Staff): TimerView[] {
	const now = Date.parse(app.clock.now());
	const rows = all<TimerRow & { matterNumber: string; matterTitle: string }>(
		app.db,
		`SELECT t.*, m.number AS matterNumber, m.title AS matterTitle
		FROM timer t
		JOIN matter m ON m.id = t.matter_id
		WHERE t.staff_id = @me AND ${visible('m')}
		ORDER BY t.started_at IS NULL, t.created_at DESC`,
		{ me: me.id }
	);
	return rows.map(({ id, matterNumber, matterTitle, words, started_at, gathered_ms }) => ({
		id,
		matterNumber,
		matterTitle,
		words,
		running: started_at !== null,
		ms: gathered_ms + (started_at ? now - Date.parse(started_at) : 0)
	}));
}

/** Today's minutes by matter, or by the department's own work. */
export const sumTodaysMinutes = (app: Reader, me: Staff): { title: string; minutes: number }[] =>
	all(
		app.db,
		`SELECT
			coalesce(CASE WHEN ${visible('m')} THEN m.title END, a.name, 'other') AS title,
			sum(t.minutes) AS minutes
		FROM time_entry t
		LEFT JOIN matter m ON m.id = t.matter_id
		LEFT JOIN activity_code a ON a.code = t.activity
		WHERE t.staff_id = @me AND t.day = today()
		GROUP BY 1
		ORDER BY 2 DESC`,
		{ me: me.id }
	);

/** My drafts up to today: what releasing now would release. */
export const sumDrafts = (app: Reader, me: Staff): { n: number; minutes: number } =>
	one(
		app.db,
		`SELECT count(*) AS n, coalesce(sum(minutes), 0) AS minutes
		FROM time_entry
		WHERE staff_id = @me AND released_at IS NULL AND day <= today()`,
		{ me: me.id }
	);
