/** What one does with reminders: see them, mute a matter's, set the days on which they come. */
import { z } from 'zod';
import { formatLadder, parseLadder, readLadder } from '#core/reminders/ladder.ts';
import { lastChangeBy } from '#server/access/audit.ts';
import type { Context } from '#server/app/application.ts';
import { Conflict, NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeId, maybeText } from '#server/app/fields.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insertOrIgnore, remove, run, update } from '#server/db/sql.ts';
import { requireDeadline } from '#server/docket/find.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { MuteRow } from './rows.ts';

/**
 * Says that one has seen the reminders of a date; on its last rungs that keeps it from going to the
 * supervisor.
 */
export const seeReminder = matterCommand({
	name: 'see reminder',
	action: 'docket.read',
	input: z.object({ deadlineId: id('a date') }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, record }) {
		const seen = run(
			ctx.db,
			`UPDATE reminder_to
			SET seen_at = @now
			WHERE deadline_id = @deadlineId AND date = @date AND staff_id = @me AND seen_at IS NULL`,
			{ now: ctx.clock.now(), deadlineId: deadline.id, date: deadline.date, me: me.id }
		);
		if (seen === 0) throw new NotFound('reminder');
		record.audit({ deadline: deadline.id, date: deadline.date });
	}
});

/**
 * Mutes a matter's reminders for oneself. The last rungs of a docketed date are told all the same.
 */
export const muteMatter = matterCommand({
	name: 'mute matter',
	action: 'docket.read',
	input: z.object({ matterId: id('a matter') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, record }) {
		insertOrIgnore<MuteRow>(ctx.db, 'mute', { staff_id: me.id, matter_id: matter.id });
		record.audit({ muted: true });
	}
});

export const unmuteMatter = matterCommand({
	name: 'unmute matter',
	action: 'docket.read',
	input: z.object({ matterId: id('a matter') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, record }) {
		remove<MuteRow>(ctx.db, 'mute', { staff_id: me.id, matter_id: matter.id });
		record.audit({ muted: false });
	}
});

type Found = { matter: MatterRow; deadline: DeadlineRow | null };
function findLadderOwner(
	ctx: Context,
	input: { matterId: string; deadlineId: string | null }
): Found {
	const { matter } = byMatterId(ctx, input);
	if (!input.deadlineId) return { matter, deadline: null };
	const { deadline } = requireDeadline(ctx, input.deadlineId);
	if (deadline.matter_id !== matter.id) throw new NotFound('date');
	return { matter, deadline };
}

/** Gives a matter, or one date, a ladder of its own; empty goes back to the one above it. */
export const setLadder = matterCommand({
	name: 'set ladder',
	action: 'docket.change',
	input: z.object({
		matterId: id('a matter'),
		deadlineId: maybeId,
		ladder: maybeText('The ladder', 200),
		/** The ladder as the form showed it. */
		was: z.string().nullish()
	}),
	find: findLadderOwner,
	onClosed: 'allowed',
	run({ ctx, matter, deadline, input, record }) {
		const read = parseLadder(input.ladder);
		if ('error' in read) throw new Refused(read.error, 'ladder');
		const stored = (deadline ?? matter).ladder;
		const now = formatLadder(readLadder(stored) ?? []);
		if (input.was !== null && input.was !== undefined && input.was !== now)
			throw new Conflict(lastChangeBy(ctx.db, matter.id, 'ladder'), 0, [
				{ field: 'ladder', name: 'Reminder days', theirs: now, yours: input.ladder }
			]);
		const ladder = read.ladder && JSON.stringify(read.ladder);
		if (deadline) update<DeadlineRow>(ctx.db, 'deadline', { id: deadline.id }, { ladder });
		else update<MatterRow>(ctx.db, 'matter', { id: matter.id }, { ladder });
		record.audit({ deadline: deadline?.id ?? null, ladder: read.ladder });
		record.log(
			'date',
			`Reminders of ${deadline?.title ?? 'the matter'}: ${describeLadder(read.ladder)}.`
		);
	}
});

function describeLadder(ladder: readonly number[] | null): string {
	if (!ladder) return 'as before';
	return `${ladder.map((days) => (days < 0 ? `${-days} after` : days)).join(', ')} days`;
}
