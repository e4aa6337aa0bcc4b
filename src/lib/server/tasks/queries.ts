/** Tasks as their screens show them. */
import type { PlainDate } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import type { TaskRow } from './rows.ts';

export type TaskView = {
	id: string;
	subject: string;
	/** Initials. */
	assignee: string;
	assigneeName: string;
	due: PlainDate | null;
	state: TaskRow['state'];
	/** On which date it hangs, in words. */
	hangs: string | null;
	matterNumber: string;
	matterTitle: string;
	createdAt: string;
	mine: 0 | 1;
};

/** Takes @me. */
const SELECT = `SELECT
		t.id, t.subject, s.initials AS assignee, s.name AS assigneeName, t.due, t.state,
		t.created_at AS createdAt, t.assignee_id = @me AS mine,
		CASE
			WHEN t.deadline_id IS NULL THEN NULL
			WHEN t.offset_days = 0 THEN 'the day of ' || d.title
			ELSE t.offset_days
				|| CASE t.offset_unit WHEN 'cd' THEN ' court' ELSE '' END
				|| CASE t.offset_days WHEN 1 THEN ' day' ELSE ' days' END
				|| ' before ' || d.title
		END AS hangs,
		m.number AS matterNumber, m.title AS matterTitle
	FROM task t
	JOIN matter m ON m.id = t.matter_id
	JOIN staff s ON s.id = t.assignee_id
	LEFT JOIN deadline d ON d.id = t.deadline_id`;

export const listMatterTasks = (app: Reader, me: Staff, matterId: string): TaskView[] =>
	all(
		app.db,
		`${SELECT}
		WHERE t.matter_id = @matterId AND ${visible('m')}
		ORDER BY t.state DESC, t.due IS NULL, t.due, t.id`,
		{ matterId, me: me.id }
	);

export const listMyTasks = (app: Reader, me: Staff, limit = 200): TaskView[] =>
	all(
		app.db,
		`${SELECT}
		WHERE t.assignee_id = @me AND t.state = 'open' AND ${visible('m')}
		ORDER BY t.due IS NULL, t.due, t.id
		LIMIT @limit`,
		{ me: me.id, limit }
	);

/** Tasks I gave to someone else that are not done. */
export const listTasksWithOthers = (app: Reader, me: Staff, limit = 20): TaskView[] =>
	all(
		app.db,
		`${SELECT}
		WHERE t.created_by = @me AND t.assignee_id <> @me AND t.state = 'open' AND ${visible('m')}
		ORDER BY t.due IS NULL, t.due, t.id
		LIMIT @limit`,
		{ me: me.id, limit }
	);
