/** The ways in which dates are written: added, proposed again, put on another day, taken off. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import { formatShortDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { newId } from '#server/app/ids.ts';
import { insert, one, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { TaskRow } from '#server/tasks/rows.ts';
import { listTaskMoves } from './hanging.ts';
import type { DeadlineRow } from './rows.ts';

/** A trace as it is stored. */
const storedTrace = (trace: unknown): string =>
	typeof trace === 'string' ? trace : JSON.stringify(trace);

/** Changes a date and raises its version. */
export function updateDeadline(
	ctx: Context,
	deadline: Pick<DeadlineRow, 'id' | 'version'>,
	set: Partial<DeadlineRow>
): void {
	const { id, version } = deadline;
	update<DeadlineRow>(ctx.db, 'deadline', { id }, { ...set, version: version + 1 });
}

/** A date that follows what sets it. */
export const FOLLOWS = {
	left_by: null,
	left_at: null,
	left_reason: '',
	rule_gives: null
} as const satisfies Partial<DeadlineRow>;

/**
 * Leaves a date where it stands although the rule gives another day, or none: it is marked so, and
 * nobody has checked that it should.
 * @returns what became of it, in words
 */
export function leaveDeadline(
	ctx: Context,
	deadline: DeadlineRow,
	{ gives, reason }: { gives: PlainDate | null; reason: string }
): string {
	updateDeadline(ctx, deadline, {
		left_by: actingStaff(ctx).id,
		left_at: ctx.clock.now(),
		left_reason: reason,
		rule_gives: gives,
		checked_by: null,
		checked_at: null
	});
	const instead = gives
		? `the rule now gives ${formatShortDate(gives)}`
		: 'no rule sets it any more';
	return `${deadline.title} left on ${formatShortDate(deadline.date)}, ${instead}`;
}

type NewDeadline = Pick<
	Proposal,
	'rule' | 'title' | 'authority' | 'act' | 'suggested' | 'date' | 'time'
> & { trace: unknown };

/** Adds a date under an event, as a proposal or docketed at once; gives its id. */
export function insertDeadline(
	ctx: Context,
	matter: MatterRow,
	eventId: string,
	book: { id: string; version: string },
	proposal: NewDeadline,
	docketed: boolean
): string {
	const id = newId('due');
	insert<DeadlineRow>(ctx.db, 'deadline', {
		id,
		matter_id: matter.id,
		event_id: eventId,
		rule: proposal.rule,
		title: capitalize(proposal.title),
		authority: proposal.authority,
		act: proposal.act,
		suggested: proposal.suggested ? 1 : 0,
		state: docketed ? 'docketed' : 'proposed',
		date: proposal.date,
		time: proposal.time,
		trace: storedTrace(proposal.trace),
		book: book.id,
		book_version: book.version,
		docketed_by: docketed ? actingStaff(ctx).id : null,
		docketed_at: docketed ? ctx.clock.now() : null
	});
	return id;
}

/**
 * Brings a date that was taken off back as a proposal: nothing of its earlier life but its id, its
 * words and its links stays.
 */
export function proposeAgain(
	ctx: Context,
	deadline: Pick<DeadlineRow, 'id' | 'version'>,
	fresh: {
		date: PlainDate;
		time: string | null;
		trace: unknown;
		authority: string;
		version: string;
	}
): void {
	updateDeadline(ctx, deadline, {
		state: 'proposed',
		date: fresh.date,
		time: fresh.time,
		trace: storedTrace(fresh.trace),
		book_version: fresh.version,
		authority: fresh.authority,
		reason: '',
		docketed_by: null,
		docketed_at: null,
		checked_by: null,
		checked_at: null,
		returned_by: null,
		returned_at: null,
		returned_reason: '',
		closed_by: null,
		closed_at: null,
		closed_on: null,
		computed: null,
		moved_how: null,
		move_from: null,
		move_count: null,
		move_trace: null,
		internal: null,
		set_aside: 0,
		...FOLLOWS
	});
}

/**
 * Puts a date on another day, with its tasks; a second person must check it again.
 * @param to `trace` and `version` (of the book) stay where they are undefined
 * @returns what else followed, in words
 */
export function rescheduleDeadline(
	ctx: Context,
	deadline: DeadlineRow,
	to: { date: PlainDate; time: string | null; trace?: unknown; version?: string },
	more: Partial<DeadlineRow> = {}
): string[] {
	const followed: string[] = [];
	const tasks = listTaskMoves(ctx, deadline, to.date);
	const internal = deadline.internal && deadline.internal > to.date ? null : deadline.internal;
	if (internal !== deadline.internal)
		followed.push(`the internal date of “${deadline.title}” fell away, it was after the new one`);
	const same = deadline.date === to.date;
	updateDeadline(ctx, deadline, {
		date: to.date,
		time: to.time,
		trace: to.trace === undefined ? undefined : storedTrace(to.trace),
		book_version: to.version,
		internal,
		checked_by: same ? undefined : null,
		checked_at: same ? undefined : null,
		returned_by: null,
		returned_at: null,
		returned_reason: '',
		...FOLLOWS,
		...more
	});
	for (const task of tasks) {
		moveTask(ctx, task.taskId, task.to);
		if (task.days !== 0) followed.push(`task “${task.subject}” to ${formatShortDate(task.to)}`);
	}
	return followed;
}

function moveTask(ctx: Context, taskId: string, due: PlainDate): void {
	const { version } = one<Pick<TaskRow, 'version'>>(
		ctx.db,
		'SELECT version FROM task WHERE id = @taskId',
		{ taskId }
	);
	update<TaskRow>(ctx.db, 'task', { id: taskId }, { due, version: version + 1 });
}

/**
 * Takes a date off. A proposal counts as docketed by the one who takes it off, since the record
 * asks for someone.
 */
export function vacate(
	ctx: Context,
	deadline: DeadlineRow,
	reason: string,
	more: Partial<DeadlineRow> = {}
): void {
	const me = actingStaff(ctx);
	const now = ctx.clock.now();
	updateDeadline(ctx, deadline, {
		...FOLLOWS,
		state: 'vacated',
		docketed_by: deadline.docketed_by ?? me.id,
		docketed_at: deadline.docketed_at ?? now,
		closed_by: me.id,
		closed_at: now,
		closed_on: ctx.clock.today(),
		reason,
		...more
	});
}
