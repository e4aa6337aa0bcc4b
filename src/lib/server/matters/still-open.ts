/** What a matter still has open: what closing it must settle. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all, scalar } from '#server/db/sql.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';

export type OpenDeadline = Pick<DeadlineRow, 'id' | 'title' | 'date' | 'state' | 'sort'> & {
	late: boolean;
};
export type OpenTask = { id: string; subject: string; due: PlainDate | null; who: string };
export type Draft = { staffId: string; name: string; email: string; minutes: number };
export type StillOpen = {
	deadlines: OpenDeadline[];
	tasks: OpenTask[];
	/** Signing rounds that wait for somebody. */
	rounds: { id: string; title: string }[];
	/** Time that was not released, by person. */
	drafts: Draft[];
	/** Released minutes that no cost run has taken. */
	unallocated: number;
	/** Who has a timer on it. */
	timers: { name: string }[];
	/** Questions in the logbook without an answer. */
	questions: number;
};

export function listStillOpen(app: Application, matterId: string): StillOpen {
	const { db } = app;
	const key = { matterId };
	return {
		deadlines: listDeadlines(app, matterId),
		tasks: all(
			db,
			`SELECT t.id, t.subject, t.due, s.name AS who
			FROM task t
			JOIN staff s ON s.id = t.assignee_id
			WHERE t.matter_id = @matterId AND t.state = 'open'
			ORDER BY t.due`,
			key
		),
		rounds: all(
			db,
			`SELECT r.id, r.title
			FROM signing_round r
			WHERE r.matter_id = @matterId
				AND r.withdrawn_at IS NULL
				AND r.finished_version IS NULL
				AND EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'waiting')
				AND NOT EXISTS (
					SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'declined'
				)`,
			key
		),
		drafts: all(
			db,
			`SELECT s.id AS staffId, s.name, s.email, sum(t.minutes) AS minutes
			FROM time_entry t
			JOIN staff s ON s.id = t.staff_id
			WHERE t.matter_id = @matterId AND t.released_at IS NULL
			GROUP BY s.id
			ORDER BY s.name`,
			key
		),
		unallocated: scalar(
			db,
			`SELECT coalesce(sum(minutes), 0)
			FROM time_entry t
			WHERE t.matter_id = @matterId
				AND t.released_at IS NOT NULL
				AND NOT EXISTS (SELECT 1 FROM cost_line l WHERE l.entry_id = t.id AND l.holds = 1)`,
			key
		),
		timers: all(
			db,
			`SELECT DISTINCT s.name
			FROM timer t
			JOIN staff s ON s.id = t.staff_id
			WHERE t.matter_id = @matterId
			ORDER BY s.name`,
			key
		),
		questions: scalar(
			db,
			`SELECT count(*)
			FROM logbook l
			WHERE l.matter_id = @matterId
				AND l.asks = 1
				AND NOT EXISTS (SELECT 1 FROM logbook a WHERE a.answers = l.id)`,
			key
		)
	};
}

function listDeadlines({ db, clock }: Application, matterId: string): OpenDeadline[] {
	const today = clock.today();
	return all<Omit<OpenDeadline, 'late'>>(
		db,
		`SELECT id, title, date, state, sort
		FROM deadline
		WHERE matter_id = @matterId AND state IN ('docketed', 'proposed')
		ORDER BY state, date`,
		{ matterId }
	).map((deadline) => ({
		...deadline,
		late: deadline.state === 'docketed' && deadline.date < today
	}));
}
