/** Working marks that the department keeps. */
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';

export type WorkingMark = { id: string; label: string };

/** The marks that are offered, in the department's order. */
export const listWorkingMarks = ({ db }: Pick<Application, 'db'>): WorkingMark[] =>
	all<WorkingMark>(
		db,
		'SELECT id, label FROM working_mark WHERE retired = 0 ORDER BY position, id'
	);

/** Every mark, those no longer offered at the end, with the number of dates that have it. */
export const listKeptWorkingMarks = ({
	db
}: Application): (WorkingMark & { retired: 0 | 1; dates: number })[] =>
	all(
		db,
		`SELECT w.id, w.label, w.retired, count(d.id) AS dates
		FROM working_mark w
		LEFT JOIN deadline d ON d.working_mark_id = w.id
		GROUP BY w.id
		ORDER BY w.retired, w.position, w.id`
	);
