/**
 * One act for many dates of several matters: docketed, set aside, given to somebody, with a
 * reminder more. All of them, or none; what would become of each is shown before.
 */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { attempt, firstError } from '#server/app/attempt.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused, type Result } from '#server/app/errors.ts';
import { maybeText } from '#server/app/fields.ts';
import { pause } from '#server/app/pause.ts';
import { preview } from '#server/app/preview.ts';
import { all } from '#server/db/sql.ts';
import { addReminder } from './add-reminder.ts';
import { assignDeadlines } from './assign.ts';
import { docketDeadlines } from './deadlines.ts';
import { FULL_TITLE } from './list.ts';
import { markDeadlines } from './mark-deadlines.ts';
import { setAsideDeadlines } from './set-aside.ts';

export const BATCH_ACTS = {
	docket: 'Docket them',
	aside: 'Set them aside',
	assignee: 'Give them to somebody',
	standIn: 'Name a stand-in',
	reminder: 'Add a reminder',
	mark: 'Mark them'
} as const;
type BatchAct = keyof typeof BATCH_ACTS;

const batchInput = z.object({
	deadlineIds: z
		.array(z.string().max(60))
		.min(1, 'Choose at least one date.')
		.max(500, 'At most 500 dates at once.'),
	act: z.enum(Object.keys(BATCH_ACTS) as [BatchAct, ...BatchAct[]], {
		error: 'Choose what is done.'
	}),
	/** Who, how many days before, or which mark. */
	value: maybeText('The value', 60),
	reason: maybeText('The reason', 500)
});
type Batch = z.output<typeof batchInput>;

const ACTS: Record<
	BatchAct,
	(ctx: Context, deadlineIds: string[], batch: Batch) => Result<unknown>
> = {
	docket: (ctx, deadlineIds) => docketDeadlines(ctx, { deadlineIds }),
	aside: (ctx, deadlineIds, { reason }) => setAsideDeadlines(ctx, { deadlineIds, reason }),
	assignee: (ctx, deadlineIds, { value }) =>
		assignDeadlines(ctx, { deadlineIds, assigneeId: value }),
	standIn: (ctx, deadlineIds, { value }) => assignDeadlines(ctx, { deadlineIds, standInId: value }),
	reminder: (ctx, deadlineIds, { value }) => addReminder(ctx, { deadlineIds, days: value }),
	mark: (ctx, deadlineIds, { value }) => markDeadlines(ctx, { deadlineIds, markId: value })
};

export type BatchRow = {
	id: string;
	title: string;
	date: PlainDate;
	matterNumber: string;
	matterTitle: string;
	/** Why it cannot be done. */
	fault: string | null;
};
type Found = Omit<BatchRow, 'fault'> & { matterId: string };

/** The chosen dates in the order of their matters. @throws NotFound where one is not there */
function requireDates(ctx: Context, me: Staff, ids: readonly string[]): Found[] {
	const wanted = new Set(ids);
	const found = all<Found>(
		ctx.db,
		`SELECT
			d.id, ${FULL_TITLE} AS title, d.date, m.id AS matterId, m.number AS matterNumber,
			m.title AS matterTitle
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		WHERE d.id IN (SELECT value FROM json_each(@ids)) AND ${visible('m')}
		ORDER BY m.number, d.date, d.id`,
		{ ids: JSON.stringify([...wanted]), me: me.id }
	);
	if (found.length < wanted.size) throw new NotFound('date');
	return found;
}

/** Does it to all of them, matter by matter: each matter is told once. */
export const batchDeadlines = command({
	name: 'batch deadlines',
	action: 'docket.change',
	input: batchInput,
	run({ ctx, me, input, record }) {
		const dates = requireDates(ctx, me, input.deadlineIds);
		for (const matterId of new Set(dates.map((date) => date.matterId))) {
			const ofMatter = dates.filter((date) => date.matterId === matterId);
			const result = ACTS[input.act](
				ctx,
				ofMatter.map(({ id }) => id),
				input
			);
			if (!result.ok)
				throw new Refused(
					`${ofMatter[0]!.matterNumber}: ${firstError(result.errors)} Nothing was changed.`
				);
		}
		record.audit({ act: input.act, value: input.value, deadlines: dates.map(({ id }) => id) });
		return { done: dates.length };
	}
});

/** What would become of each: tried, and taken back. */
export const previewBatch = preview({
	action: 'docket.change',
	input: batchInput,
	async run({ ctx, me, input }): Promise<BatchRow[]> {
		const rows: BatchRow[] = [];
		for (const { matterId: _, ...date } of requireDates(ctx, me, input.deadlineIds)) {
			const fault = attempt(ctx, () => ACTS[input.act](ctx, [date.id], input));
			rows.push({ ...date, fault });
			await pause();
		}
		return rows;
	}
});
