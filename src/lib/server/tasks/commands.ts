/** Tasks on a matter. */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import { plural } from '#core/format/words.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { isOnTeam } from '#server/access/team.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeDay, maybeId, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insert, maybeOne, update } from '#server/db/sql.ts';
import { countedBy } from '#server/docket/counting.ts';
import { dueBefore } from '#server/docket/hanging.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findColleague, type Colleague } from '#server/staff/queries.ts';
import { taskAssigned, taskTakenBack } from './messages.ts';
import type { TaskRow } from './rows.ts';

const days = z.coerce
	.number({ error: 'Write a whole number of days.' })
	.int('Write a whole number of days.')
	.min(0, 'Days before cannot be negative.')
	.max(365, 'At most 365 days before.');

type Due = Pick<TaskRow, 'due' | 'deadline_id' | 'offset_days' | 'offset_unit'> & { words: string };

/**
 * A task on a matter; its due day is typed, or hangs on a deadline: so many days or court days
 * before it.
 */
export const addTask = matterCommand({
	name: 'add task',
	action: 'task.edit',
	input: z.object({
		matterId: id('a matter'),
		subject: text('The subject', 300),
		assigneeId: id('a colleague'),
		due: maybeDay('The due day'),
		deadlineId: maybeId,
		offsetDays: days.nullish(),
		offsetUnit: z.enum(['d', 'cd']).nullish()
	}),
	find: byMatterId,
	run({ ctx, me, matter, input, record }) {
		const assignee = requireAssignee(ctx, matter, input.assigneeId);
		const { words, ...due } = input.deadlineId
			? dueWithDeadline(ctx, matter, input.deadlineId, {
					days: input.offsetDays ?? 0,
					unit: input.offsetUnit ?? 'cd'
				})
			: dueOn(input.due);
		const taskId = newId('tsk');
		insert<TaskRow>(ctx.db, 'task', {
			id: taskId,
			matter_id: matter.id,
			subject: input.subject,
			assignee_id: assignee.id,
			...due,
			state: 'open',
			created_by: me.id,
			created_at: ctx.clock.now()
		});
		record.audit({
			task: taskId,
			assignee: assignee.id,
			due: due.due,
			deadline: due.deadline_id
		});
		record.log('task', `Task for ${assignee.name}: ${input.subject}${words}.`);
		if (assignee.id !== me.id)
			queueMail(ctx, {
				matterId: matter.id,
				to: assignee,
				message: taskAssigned(matter, input.subject, words)
			});
		return { taskId, due: due.due };
	}
});

/** A colleague who may be given work on the matter: of a restricted one only who is on it. */
function requireAssignee(ctx: Context, matter: MatterRow, staffId: string): Colleague {
	const colleague = findColleague(ctx, staffId);
	if (!colleague) throw new Refused('Choose a colleague of the department.', 'assigneeId');
	if (matter.restricted && !isOnTeam(ctx.db, matter.id, staffId))
		throw new Refused(
			`${colleague.name} is not on this restricted matter. Add them first.`,
			'assigneeId'
		);
	return colleague;
}

const dueOn = (due: PlainDate | null): Due => ({
	due,
	deadline_id: null,
	offset_days: null,
	offset_unit: null,
	words: due ? ` due ${formatDate(due)}` : ''
});

function dueWithDeadline(
	ctx: Context,
	matter: MatterRow,
	deadlineId: string,
	before: { days: number; unit: 'd' | 'cd' }
): Due {
	const deadline = maybeOne<DeadlineRow>(
		ctx.db,
		'SELECT * FROM deadline WHERE id = @deadlineId AND matter_id = @matterId',
		{ deadlineId, matterId: matter.id }
	);
	if (!deadline) throw new NotFound('date');
	if (deadline.state !== 'docketed' && deadline.state !== 'proposed')
		throw new Refused('That date is settled already: choose one that is open.', 'deadlineId');
	const due = dueBefore(ctx, countedBy(ctx, deadline), deadline.date, before);
	const distance = plural(before.days, before.unit === 'cd' ? 'court day' : 'day');
	return {
		due,
		deadline_id: deadline.id,
		offset_days: before.days,
		offset_unit: before.unit,
		words: ` due ${formatDate(due)}, ${distance} before “${deadline.title}”`
	};
}

function requireTask(ctx: Context, taskId: string): { task: TaskRow; matter: MatterRow } {
	const task = maybeOne<TaskRow>(ctx.db, 'SELECT * FROM task WHERE id = @taskId', { taskId });
	if (!task) throw new NotFound('task');
	return { task, matter: requireMatter(ctx, task.matter_id) };
}

/** Done, or opened again. */
/** Takes back a task that one has just given: it was a slip. Who has it is told. */
export const takeBackTask = matterCommand({
	name: 'take back task',
	action: 'task.edit',
	input: z.object({ taskId: id('a task') }),
	find: (ctx, { taskId }) => requireTask(ctx, taskId),
	run({ ctx, me, matter, task, record }) {
		if (task.created_by !== me.id) throw new Refused('Only who gave a task takes it back.');
		if (task.state !== 'open') throw new Refused('This task is not open any more.');
		const set = { state: 'dropped', version: task.version + 1 } as const;
		update<TaskRow>(ctx.db, 'task', { id: task.id }, set);
		record.audit({ task: task.id });
		record.log('task', `Taken back: ${task.subject}.`);
		const to = findColleague(ctx, task.assignee_id);
		if (to && to.id !== me.id)
			queueMail(ctx, { matterId: matter.id, to, message: taskTakenBack(matter, task.subject) });
	}
});

export const finishTask = matterCommand({
	name: 'finish task',
	action: 'task.edit',
	input: z.object({ taskId: id('a task'), done: flag }),
	find: (ctx, { taskId }) => requireTask(ctx, taskId),
	onClosed: 'allowed',
	run({ ctx, task, input, record }) {
		record.audit({ task: task.id, done: input.done });
		if ((task.state === 'done') === input.done) return;
		update<TaskRow>(
			ctx.db,
			'task',
			{ id: task.id },
			{
				state: input.done ? 'done' : 'open',
				done_at: input.done ? ctx.clock.now() : null,
				version: task.version + 1
			}
		);
		record.log('task', `${input.done ? 'Done' : 'Opened again'}: ${task.subject}.`);
	}
});
