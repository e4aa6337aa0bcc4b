/**
 * How the jobs stand: when each last worked, and what went wrong last, until it goes well again.
 */
import type { Application } from '#server/app/application.ts';
import type { Job } from '#server/app/job.ts';
import type { OpenFailures } from '#server/failures/keep.ts';
import { all, maybeOne, run } from '#server/db/sql.ts';
import type { JobStateRow } from './rows.ts';

/**
 * Keeps what one pass of a job gave. Nothing is written while nothing changes: jobs run every other
 * second.
 */
export function keepState(
	app: Application,
	job: Job,
	{ worked, error, rows }: { worked: number } & OpenFailures
): void {
	const before = maybeOne<JobStateRow>(app.db, 'SELECT * FROM job_state WHERE name = @name', {
		name: job.name
	});
	if (worked === 0 && before && before.error === error && before.failed_rows === rows) return;
	const now = app.clock.now();
	run(
		app.db,
		`INSERT INTO job_state (name, label, worked_at, error, error_at, failed_rows)
		VALUES (@name, @label, @workedAt, @error, @errorAt, @rows)
		ON CONFLICT (name) DO UPDATE SET label = @label,
			worked_at = coalesce(@workedAt, worked_at), error = @error, error_at = @errorAt,
			failed_rows = @rows`,
		{
			name: job.name,
			label: job.label,
			workedAt: worked > 0 ? now : null,
			error,
			errorAt: error === null ? null : now,
			rows
		}
	);
}

export type JobView = {
	name: string;
	label: string;
	/** When it last had something to do. */
	workedAt: string | null;
	error: string | null;
	errorAt: string | null;
	failedRows: number;
};

/** How each job stands. */
export const listJobStates = ({ db }: Pick<Application, 'db'>): JobView[] =>
	all(
		db,
		`SELECT
			name, label, worked_at AS workedAt, error, error_at AS errorAt,
			failed_rows AS failedRows
		FROM job_state
		ORDER BY error IS NULL, label`
	);
