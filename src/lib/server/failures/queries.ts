/** What does not work, for whom it concerns. */
import { may } from '#core/access/table.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { TOLD_AFTER } from './keep.ts';

export type Failure = {
	job: string;
	row: string;
	what: string;
	path: string;
	error: string;
	tries: number;
	/** UTC, ISO 8601. */
	since: string;
	nextTry: string;
	/** Whether it can be settled: what concerns the house as a whole goes on being tried. */
	settles: 0 | 1;
};

/**
 * What failed again and again and is not settled: of those who asked for it, of who is responsible
 * for the matter, and, where it is nobody's, of who looks after the house.
 */
export const listFailures = (
	{ db }: Pick<Application, 'db'>,
	me: Pick<Staff, 'id' | 'role'>
): Failure[] =>
	all(
		db,
		`SELECT
			f.job, f.row_id AS row, f.what, f.path, f.error, f.tries, f.first_at AS since,
			f.next_try AS nextTry, f.matter_id IS NOT NULL OR f.staff_id IS NOT NULL AS settles
		FROM job_failure f
		LEFT JOIN matter m ON m.id = f.matter_id
		WHERE f.settled_at IS NULL AND f.tries >= ${TOLD_AFTER}
			AND (m.id IS NULL OR ${visible('m')})
			AND (
				f.staff_id = @me
				OR m.responsible_id = @me
				OR (f.staff_id IS NULL AND f.matter_id IS NULL AND @house = 1)
			)
		ORDER BY f.first_at, f.job, f.row_id`,
		{ me: me.id, house: may(me.role, 'kind.edit') ? 1 : 0 }
	);

export type FailureAt = { what: string; error: string; reason: string | null };
/**
 * What does not work at a page, for whoever sees that page: also when somebody settled it, since
 * the thing itself is still not done.
 */
export const findFailureAt = (
	{ db }: Pick<Application, 'db'>,
	path: string
): FailureAt | undefined =>
	maybeOne(
		db,
		`SELECT what, error, reason
		FROM job_failure
		WHERE path = @path
		ORDER BY last_at DESC
		LIMIT 1`,
		{ path }
	);
