/**
 * Proposals that nobody has decided on for longer than the department allows: whose they are is
 * told, once for each.
 */
import { addDays } from '#core/dates/plain.ts';
import { instantOf } from '#core/dates/zone.ts';
import type { Application, Context } from '#server/app/application.ts';
import { findProposalDays } from '#server/app/department.ts';
import { eachRow, type JobReport } from '#server/app/job.ts';
import { all, run } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import { listTold } from './date-people.ts';
import { FULL_TITLE } from './list.ts';
import { proposalsWait, type WaitingProposal } from './messages.ts';

type Row = WaitingProposal & {
	matterId: string;
	number: string;
	matterTitle: string;
	holderId: string;
};

/** Those of open matters whose event was entered so many days ago, and of which nobody was told. */
function listUndecided(app: Application): Row[] {
	const before = addDays(app.clock.today(), -findProposalDays(app) + 1);
	return all(
		app.db,
		`SELECT
			d.id, ${FULL_TITLE} AS title, d.date, d.authority, e.entered_at AS enteredAt,
			m.id AS matterId, m.number, m.title AS matterTitle, p.holder_id AS holderId
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		JOIN date_people p ON p.deadline_id = d.id
		WHERE d.state = 'proposed'
			AND d.undecided_told_at IS NULL
			AND e.withdrawn_at IS NULL
			AND e.entered_at < @before
			AND m.status <> 'closed'
		ORDER BY e.entered_at, d.date, d.id`,
		{ before: new Date(instantOf(before, 0, app.clock.zone)).toISOString() }
	);
}

/** One mail to each holder for each matter. */
export const tellUndecided = (app: Application, held?: ReadonlySet<string>): Promise<JobReport> => {
	const groups = new Map<string, Row[]>();
	for (const row of listUndecided(app)) {
		const key = `${row.matterId} ${row.holderId}`;
		groups.set(key, [...(groups.get(key) ?? []), row]);
	}
	return eachRow(
		[...groups],
		([key]) => key,
		([, rows]) => app.db.transaction(() => tell(app, rows)).immediate(),
		held
	);
};

function tell(app: Application, rows: readonly Row[]): number {
	const [first] = rows;
	if (!first) return 0;
	const ctx: Context = { ...app, actor: { guest: 'reminders' } };
	const people = listTold(app, { id: first.id, matterId: first.matterId });
	// Whose they are; where nobody of that name is here any more, everyone on the matter.
	const holder = people.filter(({ id }) => id === first.holderId);
	const matter = { number: first.number, title: first.matterTitle };
	for (const to of holder.length ? holder : people)
		queueMail(ctx, { matterId: first.matterId, to, message: proposalsWait(matter, rows) });
	for (const { id } of rows)
		run(app.db, 'UPDATE deadline SET undecided_told_at = @now WHERE id = @id', {
			id,
			now: app.clock.now()
		});
	return 1;
}
