import { addDays, toDay, weekday, type PlainDate } from '#core/dates/plain.ts';
import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';

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
	who: string;
	run: string | null;
};
const SELECT = `SELECT t.id, t.day, t.minutes, t.narrative, t.activity, a.name AS activityName, s.initials AS who,
 CASE WHEN r.id IS NOT NULL THEN 'allocated' WHEN t.released_at IS NOT NULL THEN 'released' ELSE 'draft' END AS state, coalesce(r.number, CASE WHEN r.id IS NULL THEN NULL ELSE 'in the next run' END) AS run,
 m.number AS matterNumber, m.title AS matterTitle
 FROM time_entry t JOIN staff s ON s.id = t.staff_id LEFT JOIN activity_code a ON a.code = t.activity LEFT JOIN matter m ON m.id = t.matter_id
 LEFT JOIN cost_line c ON c.entry_id = t.id AND c.holds = 1 LEFT JOIN cost_run r ON r.id = c.run_id`;

/** Monday of a day's week. */
export const weekOf = (d: PlainDate): PlainDate => addDays(d, -((weekday(toDay(d)) + 6) % 7));

/** My entries of a span; a matter that became hidden from me keeps its time without its name. */
export const myEntries = (w: World, me: Staff, from: string, to: string): EntryView[] =>
	w.db
		.prepare<unknown[], EntryView & { seen: number }>(
			`${SELECT.replace('m.title AS matterTitle', `m.title AS matterTitle, (m.id IS NULL OR ${visible('m')}) AS seen`)} WHERE t.staff_id = @me AND t.day BETWEEN @from AND @to ORDER BY t.day DESC, t.created_at DESC, t.id DESC`
		)
		.all({ me: me.id, from, to })
		.map(({ seen, ...e }) =>
			seen
				? e
				: { ...e, matterNumber: null, matterTitle: 'a matter you no longer see', narrative: '' }
		);

/** A matter's entries, newest first; the caller has found the matter. */
export const matterEntries = (w: World, matterId: string, most = 200): EntryView[] =>
	w.db
		.prepare<[string, number], EntryView>(
			`${SELECT} WHERE t.matter_id = ? ORDER BY t.day DESC, t.id DESC LIMIT ?`
		)
		.all(matterId, most);

export const activities = (w: World) =>
	w.db
		.prepare<[], { code: string; name: string; matter_work: number }>(
			'SELECT code, name, matter_work FROM activity_code ORDER BY position'
		)
		.all();

export type TimerView = {
	id: string;
	matterNumber: string;
	matterTitle: string;
	words: string;
	running: boolean;
	ms: number;
};
export function timers(w: World, me: Staff): TimerView[] {
	const now = Date.parse(w.clock.now());
	return w.db
		.prepare<
			unknown[],
			{
				id: string;
				matterNumber: string;
				matterTitle: string;
				words: string;
				started_at: string | null;
				gathered_ms: number;
			}
		>(
			`SELECT t.id, m.number AS matterNumber, m.title AS matterTitle, t.words, t.started_at, t.gathered_ms FROM timer t JOIN matter m ON m.id = t.matter_id WHERE t.staff_id = @me AND ${visible('m')} ORDER BY t.started_at IS NULL, t.created_at DESC`
		)
		.all({ me: me.id })
		.map(({ started_at, gathered_ms, ...t }) => ({
			...t,
			running: started_at !== null,
			ms: gathered_ms + (started_at ? now - Date.parse(started_at) : 0)
		}));
}

/** Today's hours by matter. */
export const todaysHours = (w: World, me: Staff) =>
	w.db
		.prepare<unknown[], { title: string; minutes: number }>(
			`SELECT coalesce(CASE WHEN ${visible('m')} THEN m.title END, a.name, 'other') AS title, sum(t.minutes) AS minutes FROM time_entry t LEFT JOIN matter m ON m.id = t.matter_id LEFT JOIN activity_code a ON a.code = t.activity WHERE t.staff_id = @me AND t.day = @day GROUP BY 1 ORDER BY 2 DESC`
		)
		.all({ me: me.id, day: w.clock.today() });

/** My drafts up to today: what releasing now would release. */
export const drafts = (w: World, me: Staff) =>
	w.db
		.prepare<[string, string], { n: number; minutes: number }>(
			'SELECT count(*) AS n, coalesce(sum(minutes), 0) AS minutes FROM time_entry WHERE staff_id = ? AND released_at IS NULL AND day <= ?'
		)
		.get(me.id, w.clock.today())!;
