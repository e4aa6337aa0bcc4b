/**
 * Holding, closing and reopening a matter. Closing settles each thing that is still open
 * (settle.ts).
 */
import { z } from 'zod';
import { addMonths, fromDay, toDay, type PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize, plural, uncapitalize } from '#core/format/words.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeText, text } from '#server/app/fields.ts';
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
		ending: maybeText('How it ended', 60),
		/** The day it ended; today where none is given. */
		closedOn: maybeDay('The day'),
		deadlines: choices('by id: vacate, met, or late'),
		tasks: choices('by id: done, drop, or the number of another matter'),
		rounds: choices('by id: withdraw')
	}),
	find: byMatterId,
	run({ ctx, matter, input: { reason, ending, closedOn, ...choices }, record }) {
		const open = listStillOpen(ctx, matter.id);
		const day = closedOn ?? ctx.clock.today();
		refuseWrongDay(ctx, matter, day);
		refuseWrongEnding(ctx, matter, ending);
		refuseUnsettled(open, choices);
		remove<ClosingItemRow>(ctx.db, 'closing_item', { matter_id: matter.id });
		const settled = settleAll({ ctx, matter, record, reason }, open, choices);
		tellDrafts(ctx, matter, open.drafts);
		const kind = requireKind(ctx, matter.kind);
		const until = retainUntil(kind, day);
		const years = kind.retentionYears;
		updateMatter(ctx, matter, {
			status: 'closed',
			status_reason: reason,
			closed_on: day,
			retain_until: until,
			ending
		});
		record.audit({ reason, ending, closedOn: day, settled, retainUntil: until });
		const lines = [
			`Closed${ending ? `, ${uncapitalize(ending)}` : ''}: ${reason}`,
			day !== ctx.clock.today() && `It ended on ${formatDate(day)}.`,
			settled.length && `Settled: ${settled.join('; ')}.`,
			`To be kept until ${formatDate(until)} (${years} years).`
		];
		record.log('matter', lines.filter(Boolean).join('\n'));
	}
});

function refuseWrongDay(ctx: Context, matter: MatterRow, day: PlainDate): void {
	if (day > ctx.clock.today()) throw new Refused('This day is still to come.', 'closedOn');
	if (day < matter.opened_on)
		throw new Refused('The matter was opened later than that.', 'closedOn');
}

/** A kind that knows how its matters end asks it. */
function refuseWrongEnding(ctx: Context, matter: MatterRow, ending: string): void {
	const { endings } = requireKind(ctx, matter.kind);
	if (endings.length === 0 && ending === '') return;
	if (!endings.includes(ending)) throw new Refused('Choose how it ended.', 'ending');
}

/** Until when what ended on a day is kept, by its kind. */
export const retainUntil = (
	{ retentionYears }: { retentionYears: number },
	day: PlainDate
): PlainDate => fromDay(addMonths(toDay(day), retentionYears * 12));

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
			retain_until: null,
			ending: ''
		});
		const changed = recountMatter(ctx, matter, 'Counted anew when the matter was reopened');
		record.audit({ reason, back, changed });
		const lines = [`Reopened: ${reason}`, back.length && `Back: ${back.join('; ')}.`];
		record.log('matter', lines.filter(Boolean).join('\n'));
	}
});
