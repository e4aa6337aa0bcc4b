/** Brings back what closing a matter took away, where it is still as closing left it. */
import type { Context } from '#server/app/application.ts';
import { all, maybeOne, remove, update } from '#server/db/sql.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { updateDeadline } from '#server/docket/writing.ts';
import type { SigningRoundRow } from '#server/signing/rows.ts';
import type { TaskRow } from '#server/tasks/rows.ts';
import type { ClosingItemRow, MatterRow } from './rows.ts';

/** What came back, in words. */
export function restoreSettled(ctx: Context, matter: MatterRow): string[] {
	const items = all<ClosingItemRow>(ctx.db, 'SELECT * FROM closing_item WHERE matter_id = @id', {
		id: matter.id
	});
	const back = items.flatMap((item) => RESTORE[item.what](ctx, item));
	remove<ClosingItemRow>(ctx.db, 'closing_item', { matter_id: matter.id });
	return back;
}

const RESTORE: Readonly<
	Record<ClosingItemRow['what'], (ctx: Context, item: ClosingItemRow) => string[]>
> = {
	deadline: restoreDeadline,
	task: restoreTask,
	// Signers were told that there is nothing left to sign: only a new round can ask them again.
	round: (ctx, { ref }) => {
		const round = maybeOne<SigningRoundRow>(ctx.db, 'SELECT * FROM signing_round WHERE id = @ref', {
			ref
		});
		return round ? [`to be sent for signing anew: ${round.title}`] : [];
	}
};

function restoreDeadline(ctx: Context, { ref, was }: ClosingItemRow): string[] {
	const deadline = maybeOne<DeadlineRow>(
		ctx.db,
		"SELECT * FROM deadline WHERE id = @ref AND state = 'vacated'",
		{ ref }
	);
	if (!deadline) return [];
	const proposed = was === 'proposed';
	updateDeadline(ctx, deadline, {
		state: proposed ? 'proposed' : 'docketed',
		reason: '',
		result: null,
		closed_by: null,
		closed_at: null,
		closed_on: null,
		docketed_by: proposed ? null : deadline.docketed_by,
		docketed_at: proposed ? null : deadline.docketed_at
	});
	return proposed ? [] : [`${deadline.title} (${deadline.date})`];
}

function restoreTask(ctx: Context, { ref, matter_id }: ClosingItemRow): string[] {
	const task = maybeOne<TaskRow>(
		ctx.db,
		"SELECT * FROM task WHERE id = @ref AND matter_id = @matter_id AND state = 'dropped'",
		{ ref, matter_id }
	);
	if (!task) return [];
	update<TaskRow>(
		ctx.db,
		'task',
		{ id: ref },
		{ state: 'open', done_at: null, version: task.version + 1 }
	);
	return [`task: ${task.subject}`];
}
