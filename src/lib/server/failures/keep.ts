/**
 * Keeps what jobs could not do, row by row: tried again ever more rarely, told to whom it concerns
 * once it has failed again and again, forgotten when it works.
 */
import type { Application, Context } from '#server/app/application.ts';
import type { Concern, Job, JobReport } from '#server/app/job.ts';
import { all, maybeOne, remove, run, scalar } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { cannotBeDone } from './messages.ts';
import type { JobFailureRow } from './rows.ts';

type Has = Pick<Application, 'db' | 'clock'>;

/** After so many tries it is told, and shown. */
export const TOLD_AFTER = 3;
const FIRST_WAIT_S = 15;
const LONGEST_WAIT_S = 3600;
const ERROR_LIMIT = 300;

/** The rows that are not tried now: settled by somebody, or tried only a moment ago. */
export const listHeldRows = ({ db, clock }: Has, job: string): ReadonlySet<string> =>
	new Set(
		all<{ row_id: string }>(
			db,
			`SELECT row_id
			FROM job_failure
			WHERE job = @job AND (settled_at IS NOT NULL OR next_try > @now)`,
			{ job, now: clock.now() }
		).map((row) => row.row_id)
	);

export type OpenFailures = { rows: number; error: string | null };
/** What of a job is not done and not settled: how many rows, and the newest error. */
export const findOpenFailures = ({ db }: Has, job: string): OpenFailures => ({
	rows: scalar(db, `SELECT count(*) ${OPEN}`, { job }),
	error:
		maybeOne<{ error: string }>(db, `SELECT error ${OPEN} ORDER BY last_at DESC LIMIT 1`, { job })
			?.error ?? null
});
const OPEN = 'FROM job_failure WHERE job = @job AND settled_at IS NULL';

const messageOf = (error: unknown): string =>
	(error instanceof Error ? error.message : String(error)).slice(0, ERROR_LIMIT) || 'failed';

/**
 * Notes what a pass of a job could not do.
 * @param held the rows that the pass left out
 */
export function keepFailures(
	app: Application,
	job: Job,
	report: JobReport,
	held: ReadonlySet<string>
): void {
	const failed = new Map(report.failed.map(({ row, error }) => [row, messageOf(error)]));
	const known = all<JobFailureRow>(app.db, 'SELECT * FROM job_failure WHERE job = @job', {
		job: job.name
	});
	if (failed.size === 0 && known.length === 0) return;
	app.db
		.transaction(() => {
			for (const { job: name, row_id } of known)
				if (!failed.has(row_id) && !held.has(row_id) && !job.isWaiting?.(app, row_id))
					remove<JobFailureRow>(app.db, 'job_failure', { job: name, row_id });
			const before = new Map(known.map((row) => [row.row_id, row]));
			for (const [row, error] of failed) note(app, job, { row, error }, before.get(row));
		})
		.immediate();
}

function note(
	app: Application,
	job: Job,
	{ row, error }: { row: string; error: string },
	before: JobFailureRow | undefined
): void {
	const tries = (before?.tries ?? 0) + 1;
	const now = app.clock.now();
	const wait = Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** (tries - 1));
	const concern = concernOf(app, job, row);
	run(
		app.db,
		`INSERT INTO job_failure (
			job, row_id, what, path, matter_id, staff_id, error, tries, first_at, last_at, next_try
		)
		VALUES (
			@job, @row, @what, @path, @matterId, @staffId, @error, @tries, @now, @now, @next
		)
		ON CONFLICT (job, row_id) DO UPDATE SET error = @error, tries = @tries, last_at = @now,
			next_try = @next`,
		{
			...{ job: job.name, row, error, tries, now },
			...concern,
			next: new Date(Date.parse(now) + wait * 1000).toISOString()
		}
	);
	// Where mail itself does not go, a mail about it would only wait with the others.
	if (tries === TOLD_AFTER && job.name !== 'mail') tell(app, concern, error);
}

/** Whose a row is; what is nobody's is the house's. */
const concernOf = (app: Application, job: Job, row: string): Concern =>
	(row === '' ? undefined : job.concernOf?.(app, row)) ?? {
		what: job.label,
		path: '/jobs',
		matterId: null,
		staffId: null
	};

function tell(app: Application, { what, matterId, staffId }: Concern, error: string): void {
	const to = listColleagues(app).find(({ id }) => id === staffId);
	if (!to) return;
	const ctx: Context = { ...app, actor: { guest: 'jobs' } };
	queueMail(ctx, { matterId, to, message: cannotBeDone({ what, error }) });
}
