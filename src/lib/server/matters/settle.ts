/**
 * What becomes of everything that is still open when a matter is closed. What is taken away is
 * kept, so that it can come back.
 */
import { isOccasion } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import { findMatter } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import type { Recorder } from '#server/app/record.ts';
import { all, insert, one, update } from '#server/db/sql.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { askForWord } from '#server/docket/met-late.ts';
import { updateDeadline, vacate } from '#server/docket/writing.ts';
import { queueMail, type Recipient } from '#server/mail/queue.ts';
import { roundWithdrawn } from '#server/signing/messages.ts';
import type { SigningRoundRow } from '#server/signing/rows.ts';
import type { TaskRow } from '#server/tasks/rows.ts';
import type { ClosingItemRow, MatterRow } from './rows.ts';
import type { OpenDeadline, OpenTask, StillOpen } from './still-open.ts';

/**
 * By the id of a date (vacate, met, late), a task (done, drop, the number of another matter), a
 * signing round (withdraw).
 */
export type Choices = Readonly<
	Record<'deadlines' | 'tasks' | 'rounds', Readonly<Record<string, string>>>
>;

/** How many of each nothing was chosen for. Proposals need no choice: they fall away. */
export const countUnsettled = (open: StillOpen, choices: Choices) => ({
	deadlines: open.deadlines.filter(
		({ id, state }) =>
			state === 'docketed' && !['vacate', 'met', 'late'].includes(choices.deadlines[id] ?? '')
	).length,
	tasks: open.tasks.filter(({ id }) => !choices.tasks[id]).length,
	rounds: open.rounds.filter(({ id }) => choices.rounds[id] !== 'withdraw').length
});

type Closing = { ctx: Context; matter: MatterRow; record: Recorder; reason: string };

/** Settles each as chosen; what was done, in words. */
export const settleAll = (closing: Closing, open: StillOpen, choices: Choices): string[] => [
	...open.deadlines.flatMap((deadline) =>
		settleDeadline(closing, deadline, choices.deadlines[deadline.id] ?? 'vacate')
	),
	...open.tasks.map((task) => settleTask(closing, task, choices.tasks[task.id] ?? '')),
	...open.rounds.map((round) => withdraw(closing, round))
];

function keep(
	{ ctx, matter }: Closing,
	what: ClosingItemRow['what'],
	ref: string,
	was: string,
	did: string
): void {
	insert<ClosingItemRow>(ctx.db, 'closing_item', { matter_id: matter.id, what, ref, was, did });
}

function settleDeadline(closing: Closing, open: OpenDeadline, choice: string): string[] {
	const { ctx, reason } = closing;
	const deadline = one<DeadlineRow>(ctx.db, 'SELECT * FROM deadline WHERE id = @id', {
		id: open.id
	});
	const { title, date, state } = deadline;
	if (state === 'docketed' && (choice === 'met' || choice === 'late')) {
		const late = choice === 'late' && date < ctx.clock.today();
		markMet(closing, deadline, late);
		return [`${title} (${date}) met${late ? ' late' : ''}`];
	}
	const off: Partial<DeadlineRow> = isOccasion(deadline.sort) ? { result: 'off' } : {};
	vacate(ctx, deadline, `Matter closed: ${reason}`, off);
	keep(closing, 'deadline', deadline.id, state, 'vacated');
	return state === 'docketed' ? [`${title} (${date}) vacated`] : [];
}

/**
 * Met: in time, on its day at the latest, whenever that is; or late, which asks for a second
 * person's word like any date that was met late. What lies ahead cannot have been held.
 */
function markMet({ ctx, matter, reason }: Closing, deadline: DeadlineRow, late: boolean): void {
	const today = ctx.clock.today();
	const hearing = isOccasion(deadline.sort);
	if (hearing && deadline.date > today)
		throw new Refused(
			`${deadline.title} is on ${formatDate(deadline.date)}: it cannot have been held. Take it off the docket, or vacate it.`,
			`deadlines.${deadline.id}`
		);
	const met: Partial<DeadlineRow> = {
		state: 'met',
		closed_by: actingStaff(ctx).id,
		closed_at: ctx.clock.now(),
		closed_on: late || deadline.date > today ? today : deadline.date,
		late_reason: late ? `Recorded when the matter was closed: ${reason}` : '',
		...(hearing ? { result: 'held' as const, outcome: 'matter closed' } : {})
	};
	updateDeadline(ctx, deadline, met);
	if (late) askForWord(ctx, matter, { ...deadline, ...met });
}

function updateTask(ctx: Context, id: string, set: Partial<TaskRow>): void {
	const { version } = one<TaskRow>(ctx.db, 'SELECT * FROM task WHERE id = @id', { id });
	update<TaskRow>(ctx.db, 'task', { id }, { ...set, version: version + 1 });
}

function settleTask(closing: Closing, task: OpenTask, choice: string): string {
	const { ctx } = closing;
	if (choice !== 'done' && choice !== 'drop') return handTask(closing, task, choice);
	const state = choice === 'done' ? 'done' : 'dropped';
	updateTask(ctx, task.id, { state, done_at: ctx.clock.now() });
	keep(closing, 'task', task.id, 'open', choice);
	return `task ${state}: ${task.subject}`;
}

/** Hands a task to another matter, where it no longer hangs on a date of this one. */
function handTask({ ctx, matter, record }: Closing, task: OpenTask, number: string): string {
	const field = `tasks.${task.id}`;
	const to = findMatter(ctx.db, actingStaff(ctx), { number });
	if (!to || to.status === 'closed')
		throw new Refused(`There is no open matter ${number} to hand “${task.subject}” to.`, field);
	if (to.id === matter.id)
		throw new Refused('A task cannot be handed to the matter that is closed.', field);
	updateTask(ctx, task.id, {
		matter_id: to.id,
		deadline_id: null,
		offset_days: null,
		offset_unit: null
	});
	const from = matter.restricted ? '' : ` from ${matter.number}`;
	record.logOn(
		to.id,
		'task',
		`Task taken over${from}: ${task.subject}.`,
		matter.restricted ? `/matters/${to.number}/tasks` : `/matters/${matter.number}`
	);
	return to.restricted
		? `task handed over: ${task.subject}`
		: `task handed to ${to.number}: ${task.subject}`;
}

function withdraw(closing: Closing, round: StillOpen['rounds'][number]): string {
	const { ctx, matter } = closing;
	update<SigningRoundRow>(
		ctx.db,
		'signing_round',
		{ id: round.id },
		{ withdrawn_at: ctx.clock.now() }
	);
	keep(closing, 'round', round.id, 'waiting', 'withdrawn');
	const waiting = all<Recipient>(
		ctx.db,
		`SELECT name, email
		FROM signer
		WHERE round_id = @id AND state = 'waiting' AND told_at IS NOT NULL`,
		round
	);
	const message = roundWithdrawn(round.title, actingStaff(ctx).name);
	for (const to of waiting) queueMail(ctx, { matterId: matter.id, to, message });
	return `signing withdrawn: ${round.title}`;
}
