import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';

export type TaskView = {
	id: string;
	subject: string;
	assignee: string;
	assigneeName: string;
	due: string | null;
	state: string;
	hangs: string | null;
	matterNumber: string;
	matterTitle: string;
	createdAt: string;
	mine: number;
};
const SELECT = `SELECT t.id, t.subject, s.initials AS assignee, s.name AS assigneeName, t.due, t.state, t.created_at AS createdAt, t.assignee_id = @me AS mine,
 CASE WHEN t.deadline_id IS NULL THEN NULL WHEN t.offset_days = 0 THEN 'the day of ' || d.title ELSE t.offset_days || CASE t.offset_unit WHEN 'cd' THEN CASE t.offset_days WHEN 1 THEN ' court day' ELSE ' court days' END ELSE CASE t.offset_days WHEN 1 THEN ' day' ELSE ' days' END END || ' before ' || d.title END AS hangs,
 m.number AS matterNumber, m.title AS matterTitle FROM task t JOIN matter m ON m.id = t.matter_id JOIN staff s ON s.id = t.assignee_id LEFT JOIN deadline d ON d.id = t.deadline_id`;

export const matterTasks = (w: World, me: Staff, matterId: string): TaskView[] =>
	w.db
		.prepare<unknown[], TaskView>(
			`${SELECT} WHERE t.matter_id = @id AND ${visible('m')} ORDER BY t.state DESC, t.due IS NULL, t.due, t.id`
		)
		.all({ id: matterId, me: me.id });
export const myTasks = (w: World, me: Staff, most = 200): TaskView[] =>
	w.db
		.prepare<unknown[], TaskView>(
			`${SELECT} WHERE t.assignee_id = @me AND t.state = 'open' AND ${visible('m')} ORDER BY t.due IS NULL, t.due, t.id LIMIT @most`
		)
		.all({ me: me.id, most });
/** Tasks I gave to someone else that are not done. */
export const tasksWithOthers = (w: World, me: Staff, most = 20): TaskView[] =>
	w.db
		.prepare<unknown[], TaskView>(
			`${SELECT} WHERE t.created_by = @me AND t.assignee_id <> @me AND t.state = 'open' AND ${visible('m')} ORDER BY t.due IS NULL, t.due, t.id LIMIT @most`
		)
		.all({ me: me.id, most });
