/** Dates of a matter remind on a day more: each keeps the ladder it had, with that rung in it. */
import { z } from 'zod';
import { formatLadder, parseLadder, readLadder } from '#core/reminders/ladder.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { text } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { plural } from '#core/format/words.ts';
import { findKind } from '#server/kinds/queries.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { requireDeadlines } from './find.ts';
import type { DeadlineRow } from './rows.ts';
import { updateDeadline } from './writing.ts';

export const addReminder = matterCommand({
	name: 'add reminder',
	action: 'docket.change',
	input: z.object({
		deadlineIds: z.array(z.string()).max(500).default([]),
		/** As in a ladder: 10 is ten days before. */
		days: text('The days', 40)
	}),
	find: (ctx, { deadlineIds }) => requireDeadlines(ctx, deadlineIds),
	run({ ctx, deadlines, matter, input, record }) {
		for (const deadline of deadlines) {
			if (deadline.state !== 'docketed')
				throw new Refused(`“${deadline.title}” is not docketed: it reminds nobody.`);
			const ladder = withRungs(ladderOf(ctx, matter, deadline), input.days);
			updateDeadline(ctx, deadline, { ladder: JSON.stringify(ladder) });
		}
		record.audit({ deadlines: deadlines.map(({ id }) => id), days: input.days });
		const [first] = deadlines;
		const what = deadlines.length === 1 ? first!.title : plural(deadlines.length, 'date');
		record.log('date', `Reminders of ${what}: also ${input.days} days before.`);
		return { reminded: deadlines.length };
	}
});

/** The ladder by which a date reminds: its own, its matter's or its kind's. */
const ladderOf = (ctx: Context, matter: MatterRow, { ladder }: DeadlineRow): number[] =>
	readLadder(ladder) ?? readLadder(matter.ladder) ?? findKind(ctx, matter.kind)?.ladder ?? [];

function withRungs(ladder: readonly number[], typed: string): number[] {
	const read = parseLadder([formatLadder(ladder), typed].join(', '));
	if ('error' in read) throw new Refused(read.error, 'days');
	const before = new Set(ladder);
	if (read.ladder?.every((rung) => before.has(rung)))
		throw new Refused('It reminds on that day already.', 'days');
	return read.ladder ?? [];
}
