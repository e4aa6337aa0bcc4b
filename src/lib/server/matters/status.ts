/**
 * Holding, closing and reopening a matter. Closing settles each thing that is still open
 * (settle.ts).
 */
import { z } from 'zod';
import { addMonths, fromDay, toDay, type PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize, plural } from '#core/format/words.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { remove, update } from '#server/db/sql.ts';
import { recountMatter } from '#server/docket/recount-matter.ts';
import { requireKind } from '#server/kinds/queries.ts';
import { queueMail } from '#server/mail/queue.ts';
import { releaseYourTime } from './messages.ts';
import { restoreSettled } from './restore.ts';
import type { ClosingItemRow, MatterRow } from './rows.ts';
import { countUnsettled, settleAll, type Choices } from './settle.ts';
import { listStillOpen, type Draft, type StillOpen } from './still-open.ts';

const reason = text('The reason', 1000);

function updateMatter(ctx: Context, matter: MatterRow, set: Partial<MatterRow>): void {
	update<MatterRow>(
		ctx.db,
		'matter',
		{ id: matter.id },
		{ ...set, status_from: ctx.clock.today(), version: matter.version + 1 }
	);
}

/** Puts a matter on hold, or proposed, or open again from there. */
export const setStatus = matterCommand({
	name: 'set status',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		status: z.enum(['proposed', 'open', 'on hold'], { error: 'Choose a status.' }),
		reason
	}),
	find: byMatterId,
	run({ ctx, matter, input: { status, reason }, record }) {
		if (matter.status === status) throw new Refused(`The matter is ${status} already.`, 'status');
		updateMatter(ctx, matter, { status, status_reason: reason });
		record.audit({ from: matter.status, to: status, reason });
		record.log('matter', `${status === 'open' ? 'Open again' : capitalize(status)}: ${reason}`);
	}
});

const choices = (what: string) => z.record(z.string(), z.string()).default({}).describe(what);

/**
 * Closes a matter. Every open date, task and signing round must be settled by a choice; nothing is
 * closed halfway.
 */
export const closeMatter = matterCommand({
	name: 'close matter',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		reason,
		deadlines: choices('by id: vacate, met, or late'),
		tasks: choices('by id: done, drop, or the number of another matter'),
		rounds: choices('by id: withdraw')
	}),
	find: byMatterId,
	run({ ctx, matter, input: { reason, ...choices }, record }) {
		const open = listStillOpen(ctx, matter.id);
		refuseUnsettled(open, choices);
		remove<ClosingItemRow>(ctx.db, 'closing_item', { matter_id: matter.id });
		const settled = settleAll({ ctx, matter, record, reason }, open, choices);
		tellDrafts(ctx, matter, open.drafts);
		const years = requireKind(ctx, matter.kind).retentionYears;
		const until = yearsAfter(ctx.clock.today(), years);
		updateMatter(ctx, matter, {
			status: 'closed',
			status_reason: reason,
			closed_on: ctx.clock.today(),
			retain_until: until
		});
		record.audit({ reason, settled, retainUntil: until });
		const lines = [
			`Closed: ${reason}`,
			settled.length && `Settled: ${settled.join('; ')}.`,
			`To be kept until ${formatDate(until)} (${years} years).`
		];
		record.log('matter', lines.filter(Boolean).join('\n'));
	}
});

const yearsAfter = (day: PlainDate, years: number): PlainDate =>
	fromDay(addMonths(toDay(day), years * 12));

function refuseUnsettled(open: StillOpen, choices: Choices): void {
	const { deadlines, tasks, rounds } = countUnsettled(open, choices);
	const left = [
		deadlines && plural(deadlines, 'date'),
		tasks && plural(tasks, 'task'),
		rounds && plural(rounds, 'signing round')
	].filter(Boolean);
	if (left.length)
		throw new Refused(`Not settled yet: ${left.join(', ')}. Choose what becomes of each.`);
}

function tellDrafts(ctx: Context, matter: MatterRow, drafts: readonly Draft[]): void {
	const me = actingStaff(ctx);
	for (const draft of drafts)
		if (draft.staffId !== me.id)
			queueMail(ctx, {
				matterId: matter.id,
				to: draft,
				message: releaseYourTime(matter, draft.minutes)
			});
}

/** Opens a closed matter again: dates and tasks that closing took away come back as they were. */
export const reopenMatter = matterCommand({
	name: 'reopen matter',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), reason }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input: { reason }, record }) {
		if (matter.status !== 'closed') throw new Refused('The matter is not closed.');
		const back = restoreSettled(ctx, matter);
		updateMatter(ctx, matter, {
			status: 'open',
			status_reason: reason,
			closed_on: null,
			retain_until: null
		});
		const changed = recountMatter(ctx, matter, 'Counted anew when the matter was reopened');
		record.audit({ reason, back, changed });
		const lines = [`Reopened: ${reason}`, back.length && `Back: ${back.join('; ')}.`];
		record.log('matter', lines.filter(Boolean).join('\n'));
	}
});
