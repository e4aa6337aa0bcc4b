/** What the docket can be filtered by. */
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { listTags } from './tags.ts';
import { listWorkingMarks, type WorkingMark } from './working-marks.ts';

/** What the docket can be filtered by: what occurs in matters the viewer may see. */
export function listDocketChoices(
	app: Reader,
	me: Staff
): {
	people: { id: string; name: string }[];
	units: { id: string; name: string }[];
	kinds: { id: string; name: string }[];
	courts: string[];
	tags: string[];
	marks: WorkingMark[];
} {
	const { db } = app;
	const courts = all<{ court: string }>(
		db,
		`SELECT DISTINCT f.value AS court
		FROM matter_fact f
		JOIN matter m ON m.id = f.matter_id
		WHERE f.fact = 'court'
			AND f.row = 0
			AND f.value <> ''
			AND m.status <> 'closed'
			AND ${visible('m')}
		ORDER BY 1`,
		{ me: me.id }
	);
	return {
		people: all(
			db,
			"SELECT id, name FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name"
		),
		units: all(db, 'SELECT id, name FROM business_unit ORDER BY name'),
		kinds: all(db, 'SELECT id, name FROM kind ORDER BY position'),
		courts: courts.map(({ court }) => court),
		tags: listTags(app),
		marks: listWorkingMarks(app)
	};
}
