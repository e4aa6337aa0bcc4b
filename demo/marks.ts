/** The department's working marks, and a few dates that have one. */
import { maybeOne } from '#server/db/sql.ts';
import { addWorkingMark } from '#server/docket/keep-working-marks.ts';
import { markDeadlines } from '#server/docket/mark-deadlines.ts';
import type { Scene } from './scene.ts';

const MARKS = ['waiting', 'pressing', 'not relevant to us'] as const;
/** A mark, and the titles of dates that have it. */
const MARKED: Readonly<Record<string, (typeof MARKS)[number]>> = {
	'Answer or Rule 12 motion': 'pressing',
	'Initial disclosures': 'waiting',
	'Expert disclosures': 'waiting',
	'Offer of judgment': 'not relevant to us'
};

export function addMarks({ as, done, app: world }: Scene): void {
	const ids = MARKS.map((label) => done(addWorkingMark(as('castellan'), { label })).markId);
	for (const [title, label] of Object.entries(MARKED)) {
		const found = maybeOne<{ id: string }>(
			world.db,
			`SELECT d.id
			FROM deadline d
			JOIN matter m ON m.id = d.matter_id
			WHERE d.title = @title AND d.state = 'docketed' AND m.restricted = 0
			ORDER BY d.date, d.id`,
			{ title }
		);
		const markId = ids[MARKS.indexOf(label)]!;
		if (found) done(markDeadlines(as('castellan'), { deadlineIds: [found.id], markId }));
	}
}
