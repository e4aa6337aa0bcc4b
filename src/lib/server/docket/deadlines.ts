/** What is done with a date once it is there: docketed, checked, returned, met, vacated. */
import { z } from 'zod';
import { isOccasion } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import { isOnTeam } from '#server/access/team.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { day, id, maybeId, maybeText, text } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { insertOrIgnore, one } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findPersonOfStaff, listColleagues } from '#server/staff/queries.ts';
import { recount } from './counting.ts';
import { requireDeadline, requireDeadlines, requireDocumentOn } from './find.ts';
import { askForWord } from './met-late.ts';
import { dateReturned, datesDocketed, dateVacated } from './messages.ts';
import { countMove } from './move-count.ts';
import type { DateDocumentRow, DeadlineRow, EventRow } from './rows.ts';
import { updateDeadline, vacate } from './writing.ts';

/** Dockets proposals of one matter: one message to each person. */
export const docketDeadlines = matterCommand({
	name: 'docket deadlines',
	action: 'docket.enter',
	input: z.object({ deadlineIds: z.array(z.string()).max(500).default([]) }),
	find: (ctx, { deadlineIds }) => requireDeadlines(ctx, deadlineIds),
	run({ ctx, me, deadlines, matter, record, notify }) {
		for (const deadline of deadlines) {
			if (deadline.state !== 'proposed')
				throw new Refused(
					deadlines.length === 1
						? 'This date is docketed already.'
						: `“${deadline.title}” is docketed already.`
				);
			updateDeadline(ctx, deadline, {
				state: 'docketed',
				docketed_by: me.id,
				docketed_at: ctx.clock.now()
			});
		}
		record.audit({ deadlines: deadlines.map(({ id, date }) => ({ id, date })) });
		const list = deadlines.map(({ title, date }) => `${title} ${formatDate(date)}`);
		record.log('date', `Docketed: ${list.join('; ')}.`);
		notify(datesDocketed(matter, deadlines));
		return { docketed: deadlines.length };
	}
});

/**
 * The second check: another person confirms the event's date, the rule and the result, which is
 * computed afresh. The dates of one event are confirmed together, or one by one.
 */
export const checkDeadlines = matterCommand({
	name: 'check deadlines',
	action: 'docket.check',
	input: z.object({ deadlineIds: z.array(z.string()).max(500).default([]) }),
	find: (ctx, { deadlineIds }) => requireDeadlines(ctx, deadlineIds),
	onClosed: 'allowed',
	run({ ctx, me, deadlines, record }) {
		for (const deadline of deadlines) {
			refuseCheck(ctx, me, deadline);
			updateDeadline(ctx, deadline, { checked_by: me.id, checked_at: ctx.clock.now() });
		}
		record.audit({ deadlines: deadlines.map(({ id, date }) => ({ id, date })) });
		const list = deadlines.map(({ title, date }) => `${title} ${formatDate(date)}`);
		record.log('date', `Second check: ${list.join('; ')} confirmed.`);
		return { checked: deadlines.length };
	}
});

/** Whoever docketed it does not confirm it, nor does anyone what a fresh count does not give. */
function refuseCheck(ctx: Context, me: Staff, deadline: DeadlineRow): void {
	if (deadline.state !== 'docketed') throw new Refused('Only a docketed date is checked.');
	if (deadline.checked_by) throw new Refused('This date was checked already.');
	if (deadline.docketed_by === me.id)
		throw new Refused('You docketed this date: the second check is for someone else.');
	if (deadline.returned_by)
		throw new Refused(
			`It was returned: “${deadline.returned_reason}”. It is checked once that is answered.`
		);
	if (deadline.rule_gives !== null)
		throw new Refused(
			'It no longer follows its event. Let it follow, move it by order or agreement, or vacate it; then it is checked.'
		);
	refuseOtherCount(ctx, deadline);
	// A hearing without a day leaves what hangs on it, and its event's old day proves nothing.
	if (deadline.left_by !== null)
		throw new Refused('It no longer follows its event: nothing sets it now. Vacate it, or wait.');
	refuseOtherMove(ctx, deadline);
}

/** A fresh count must agree with the date that stands. */
function refuseOtherCount(ctx: Context, deadline: DeadlineRow): void {
	if (!deadline.book) return;
	const event = one<EventRow>(ctx.db, 'SELECT * FROM event WHERE id = @eventId', {
		eventId: deadline.event_id
	});
	const fresh = recount(ctx, event, deadline.rule);
	if (!fresh)
		throw new Refused('No rule sets this date any more. Correct the event, or vacate the date.');
	const stands = deadline.computed ?? deadline.date;
	if (fresh.date !== stands)
		throw new Refused(
			`A fresh count gives ${formatDate(fresh.date)}, not ${formatDate(stands)}. Change the event's date to itself to count anew, then check.`
		);
}

/** So must the count of the order or agreement that moved it. */
function refuseOtherMove(ctx: Context, deadline: DeadlineRow): void {
	const { move_from: from, move_count: by, date } = deadline;
	if (from === null || by === null) return;
	const fresh = countMove(ctx, deadline, from, by);
	if (fresh.date !== date)
		throw new Refused(
			`${by} from ${formatDate(from)} is ${formatDate(fresh.date)}, not ${formatDate(date)}. Move it again, then check.`
		);
}

/**
 * The second person does not agree: the date goes back to the one who docketed it, with the reason,
 * and stays unchecked.
 */
export const returnDeadline = matterCommand({
	name: 'return deadline',
	action: 'docket.check',
	input: z.object({ deadlineId: id('a date'), reason: text('What is wrong', 500) }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, matter, input, record }) {
		if (deadline.state !== 'docketed' || !deadline.docketed_by)
			throw new Refused('Only a docketed date is returned.');
		if (deadline.docketed_by === me.id)
			throw new Refused('You docketed this date yourself: change it.');
		record.audit({ deadline: deadline.id, reason: input.reason });
		record.log('date', giveBack(ctx, me, matter, deadline, input.reason));
	}
});

/**
 * Marks a date as not agreed with: it loses its check, and who docketed it is told, or the docket
 * clerks where that is oneself. Gives the words for the logbook.
 */
export function giveBack(
	ctx: Context,
	me: Staff,
	matter: MatterRow,
	deadline: DeadlineRow,
	reason: string
): string {
	updateDeadline(ctx, deadline, {
		returned_by: me.id,
		returned_at: ctx.clock.now(),
		returned_reason: reason,
		checked_by: null,
		checked_at: null
	});
	const told = listAnswering(ctx, me, matter, deadline);
	const message = dateReturned(matter, deadline, me.name, reason);
	for (const to of told) queueMail(ctx, { matterId: matter.id, to, message });
	const whom = told.map(({ name }) => name).join(', ') || 'whoever docketed it';
	return `${deadline.title} ${formatDate(deadline.date)} not agreed, back to ${whom}: ${reason}`;
}

/** Who docketed it; where that is oneself, the docket clerks that may see the matter. */
function listAnswering(ctx: Context, me: Staff, matter: MatterRow, { docketed_by }: DeadlineRow) {
	const docketer =
		docketed_by === me.id ? null : docketed_by && findPersonOfStaff(ctx, docketed_by);
	if (docketer) return [docketer];
	return listColleagues(ctx).filter(
		({ id: staffId, role }) =>
			role === 'docket-clerk' &&
			staffId !== me.id &&
			(!matter.restricted || isOnTeam(ctx.db, matter.id, staffId))
	);
}

/**
 * Answers a returned date that stands as it is; it waits for a second check again. A date that is
 * moved needs no answer.
 */
export const answerReturn = matterCommand({
	name: 'answer returned deadline',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date'), words: text('The answer', 500) }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, input, record }) {
		if (!deadline.returned_by) throw new Refused('This date was not returned.');
		if (deadline.returned_by === me.id)
			throw new Refused('You returned it: the answer is for someone else.');
		updateDeadline(ctx, deadline, { returned_by: null, returned_at: null, returned_reason: '' });
		record.audit({ deadline: deadline.id, words: input.words });
		record.log('date', `Answer to the check of ${deadline.title}: ${input.words}`);
	}
});

function refuseHearing({ sort }: DeadlineRow): void {
	if (isOccasion(sort))
		throw new Refused(`A ${sort} is held, taken off or continued: say what came of it.`);
}

/** It was done: when, and if wanted the document that proves it. */
export const meetDeadline = matterCommand({
	name: 'meet deadline',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		on: day('The day it was met'),
		proof: maybeText('The proof', 300),
		/** Why it was late, where it was. */
		late: maybeText('Why it was late', 500),
		documentId: maybeId
	}),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, matter, input, record }) {
		if (deadline.state !== 'docketed') throw new Refused('Only a docketed date can be met.');
		refuseHearing(deadline);
		if (input.on > ctx.clock.today()) throw new Refused('That day has not come yet.', 'on');
		const isLate = input.on > deadline.date;
		if (isLate && input.late === '')
			throw new Refused(
				`It was due on ${formatDate(deadline.date)}: say why it was met later.`,
				'late'
			);
		const proof = requireDocumentOn(ctx, matter, input.documentId, 'documentId');
		updateDeadline(ctx, deadline, {
			late_reason: isLate ? input.late : '',
			state: 'met',
			closed_by: me.id,
			closed_at: ctx.clock.now(),
			closed_on: input.on,
			reason: input.proof
		});
		if (proof)
			insertOrIgnore<DateDocumentRow>(ctx.db, 'date_document', {
				deadline_id: deadline.id,
				document_id: proof.id,
				role: 'proof'
			});
		record.audit({
			deadline: deadline.id,
			on: input.on,
			proof: proof?.id ?? null,
			...(isLate ? { due: deadline.date, late: input.late } : {})
		});
		const late = isLate ? `, after it was due on ${formatDate(deadline.date)}: ${input.late}` : '';
		const words = [
			`Met: ${deadline.title} on ${formatDate(input.on)}${late}.`,
			input.proof,
			proof && `Proof: ${proof.name}.`
		];
		record.log('date', words.filter(Boolean).join(' '), proof && `/documents/${proof.id}`);
		if (isLate) askForWord(ctx, matter, { ...deadline, closed_by: me.id, late_reason: input.late });
	}
});

export const vacateDeadline = matterCommand({
	name: 'vacate deadline',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date'), reason: text('The reason', 500) }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, deadline, matter, input, record, notify }) {
		if (deadline.state !== 'docketed') throw new Refused('Only a docketed date can be vacated.');
		refuseHearing(deadline);
		vacate(ctx, deadline, input.reason);
		record.audit({ deadline: deadline.id, reason: input.reason });
		record.log('date', `Vacated: ${deadline.title} ${formatDate(deadline.date)}. ${input.reason}`);
		notify(dateVacated(matter, deadline, input.reason));
	}
});
