/** Tasks that hang on a date: so many days or court days before it. They move with it. */
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { parseAmount } from '#core/docket/amount.ts';
import { count } from '#core/docket/count.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import type { TaskRow } from '#server/tasks/rows.ts';
import { calendarFor, countedBy } from './counting.ts';

type Has = Pick<Application, 'db'>;
type Before = { days: number; unit: 'd' | 'cd' };

/** The day that lies so many days or court days before a date. */
export const dueBefore = (
	app: Has,
	book: Rulebook,
	date: PlainDate,
	{ days, unit }: Before
): PlainDate =>
	// Clear days are a rule about legal periods; a colleague's "two days before" is plain.
	count({ ...book.method, clearDays: false, short: undefined }, calendarFor(app, book), {
		from: date,
		amount: parseAmount(`-${days}${unit}`),
		act: 'serve'
	}).date;

export type TaskMove = {
	taskId: string;
	subject: string;
	/** Initials. */
	assignee: string;
	from: PlainDate | null;
	to: PlainDate;
	days: number;
};

type Hanging = Pick<TaskRow, 'id' | 'subject' | 'due'> & {
	initials: string;
	offset_days: number;
	offset_unit: 'd' | 'cd';
};

/** What the open tasks that hang on a date would become with it on another day. */
export function listTaskMoves(
	app: Has,
	deadline: { id: string; matter_id: string; book: string },
	to: PlainDate
): TaskMove[] {
	const tasks = all<Hanging>(
		app.db,
		`SELECT t.id, t.subject, s.initials, t.due, t.offset_days, t.offset_unit
		FROM task t
		JOIN staff s ON s.id = t.assignee_id
		WHERE t.deadline_id = @id AND t.state = 'open'`,
		{ id: deadline.id }
	);
	if (tasks.length === 0) return [];
	const book = countedBy(app, deadline);
	return tasks.map((task) => {
		const due = dueBefore(app, book, to, { days: task.offset_days, unit: task.offset_unit });
		return {
			taskId: task.id,
			subject: task.subject,
			assignee: task.initials,
			from: task.due,
			to: due,
			days: task.due ? daysBetween(task.due, due) : 0
		};
	});
}
