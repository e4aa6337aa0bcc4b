import { z } from 'zod';
import { date as plain, sayDate } from '#core/dates/plain.ts';
import { calendarOf } from '#core/docket/book.ts';
import { command, NotFound, Refused, staffOf } from '../command.ts';
import { bookFor } from '../docket/books.ts';
import { closuresOf, hangingDue, plainDays } from '../docket/shared.ts';
import { id, maybeDay, maybeId, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { queueMail, theMatter } from '../trust/scope.ts';

/** A task on a matter; its due day is typed, or hangs on a deadline: so many days or court days before it. */
export const addTask = command({
	name: 'add task',
	action: 'task.edit',
	input: z.object({
		matterId: id('a matter'),
		subject: text('The subject', 300),
		assigneeId: id('a colleague'),
		due: maybeDay('The due day'),
		deadlineId: maybeId,
		offsetDays: z.coerce
			.number({ error: 'Write a whole number of days.' })
			.int('Write a whole number of days.')
			.min(0, 'Days before cannot be negative.')
			.max(365, 'At most 365 days before.')
			.nullish(),
		offsetUnit: z.enum(['d', 'cd']).nullish()
	}),
	run(ctx, t, scribe) {
		const m = theMatter(ctx, t.matterId);
		if (m.status === 'closed') throw new Refused('The matter is closed: reopen it first.');
		const me = staffOf(ctx);
		const who = ctx.db
			.prepare<[string], { name: string; email: string; role: string }>(
				'SELECT name, email, role FROM staff WHERE id = ? AND active = 1'
			)
			.get(t.assigneeId);
		if (!who || who.role === 'business-partner')
			throw new Refused('Choose a colleague of the department.', 'assigneeId');
		if (
			m.restricted &&
			t.assigneeId !== m.responsible_id &&
			!ctx.db
				.prepare('SELECT 1 FROM matter_member WHERE matter_id = ? AND staff_id = ?')
				.get(m.id, t.assigneeId)
		)
			throw new Refused(
				`${who.name} is not on this restricted matter. Add them first.`,
				'assigneeId'
			);
		let due: string | null = t.due;
		let said = due ? ` due ${sayDate(plain(due))}` : '';
		const days = t.deadlineId ? (t.offsetDays ?? 0) : null;
		const unit = t.deadlineId ? (t.offsetUnit ?? 'cd') : null;
		if (t.deadlineId) {
			const d = ctx.db
				.prepare<[string, string], { title: string; date: string; book: string; state: string }>(
					'SELECT title, date, book, state FROM deadline WHERE id = ? AND matter_id = ?'
				)
				.get(t.deadlineId, m.id);
			if (!d) throw new NotFound('date');
			if (d.state !== 'docketed' && d.state !== 'proposed')
				throw new Refused('That date is settled already: choose one that is open.', 'deadlineId');
			const book = d.book ? bookFor(ctx, m.id, d.book) : plainDays(ctx);
			due = hangingDue(book, calendarOf(book, closuresOf(ctx, book)), plain(d.date), days!, unit!);
			said = ` due ${sayDate(plain(due))}, ${days} ${unit === 'cd' ? (days === 1 ? 'court day' : 'court days') : days === 1 ? 'day' : 'days'} before “${d.title}”`;
		}
		const taskId = newId('tsk');
		ctx.db
			.prepare(
				"INSERT INTO task (id, matter_id, subject, assignee_id, due, deadline_id, offset_days, offset_unit, state, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, 'open', ?, ?)"
			)
			.run(
				taskId,
				m.id,
				t.subject,
				t.assigneeId,
				due,
				t.deadlineId,
				days,
				unit,
				me.id,
				ctx.clock.now()
			);
		scribe.matter(m.id);
		scribe.note({ task: taskId, assignee: t.assigneeId, due, deadline: t.deadlineId });
		scribe.log(m.id, 'task', `Task for ${who.name}: ${t.subject}${said}.`);
		if (t.assigneeId !== me.id)
			queueMail(ctx, newId('mal'), {
				matterId: m.id,
				to: `${who.name} <${who.email}>`,
				subject: `${m.number}: a task for you`,
				text: `${t.subject}${said}.\n\n${ctx.origin}/matters/${m.number}/tasks\n`
			});
		return { taskId, due };
	}
});

export const finishTask = command({
	name: 'finish task',
	action: 'task.edit',
	input: z.object({ taskId: id('a task'), done: z.boolean() }),
	run(ctx, i, scribe) {
		const t = ctx.db
			.prepare<[string], { id: string; matter_id: string; subject: string; state: string }>(
				'SELECT id, matter_id, subject, state FROM task WHERE id = ?'
			)
			.get(i.taskId);
		if (!t) throw new NotFound('task');
		const m = theMatter(ctx, t.matter_id);
		if ((t.state === 'done') === i.done) return;
		ctx.db
			.prepare('UPDATE task SET state = ?, done_at = ?, version = version + 1 WHERE id = ?')
			.run(i.done ? 'done' : 'open', i.done ? ctx.clock.now() : null, t.id);
		scribe.matter(m.id);
		scribe.note({ task: t.id, done: i.done });
		scribe.log(m.id, 'task', `${i.done ? 'Done' : 'Opened again'}: ${t.subject}.`);
	}
});
