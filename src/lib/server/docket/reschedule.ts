/**
 * A date moved by order or agreement: so many days or court days, or to a day; the rule's own day
 * stays beside it.
 */
import { z } from 'zod';
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { CountError, normalizeAmount } from '#core/docket/amount.ts';
import type { Step } from '#core/docket/trace.ts';
import { isOccasion } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Application } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeId, maybeText, text, version } from '#server/app/fields.ts';
import { differencesOf, matterCommand } from '#server/app/matter-command.ts';
import { preview } from '#server/app/preview.ts';
import { countedBy } from './counting.ts';
import { requireDeadline, requireDocumentOn, type DocumentOnMatter } from './find.ts';
import { moveWarnings, previewWarnings, type WarningMoveView } from './early-warnings.ts';
import { listTaskMoves, type TaskMove } from './hanging.ts';
import { dateMoved } from './messages.ts';
import { countMove } from './move-count.ts';
import type { DeadlineRow } from './rows.ts';
import { listWarnings } from './warnings.ts';
import { rescheduleDeadline } from './writing.ts';

const moveFields = {
	deadlineId: id('a date'),
	how: z.enum(['order', 'agreement', 'back'], {
		error: 'Say whether it is an order or an agreement.'
	}),
	/** "+14d", "14 court days"; not where `to` is given. */
	by: maybeText('The days', 40).transform(normalizeAmount),
	to: maybeDay('The new date')
};
type MoveInput = { how: 'order' | 'agreement' | 'back'; by: string; to: PlainDate | null };

type Rescheduled = {
	to: PlainDate;
	trace: Step[];
	warnings: string[];
	tasks: TaskMove[];
	/** The early warnings that follow. */
	early: WarningMoveView[];
	days: number;
};

/** A date moved to a day, or back to the rule's: nothing was counted. */
const NO_MOVE_COUNT = { move_from: null, move_count: null, move_trace: null };

/** What a date would become. */
function findReschedule(app: Application, deadline: DeadlineRow, input: MoveInput): Rescheduled {
	const { to, trace } = target(app, deadline, input);
	const book = countedBy(app, deadline);
	return {
		to,
		trace,
		days: daysBetween(deadline.date, to),
		warnings: listWarnings(app, deadline.matter_id, { day: to, book }),
		tasks: listTaskMoves(app, deadline, to),
		early: previewWarnings(app, deadline, input.how === 'back' ? null : to)
	};
}

function target(
	app: Application,
	deadline: DeadlineRow,
	{ how, by, to }: MoveInput
): { to: PlainDate; trace: Step[] } {
	if (how === 'back') {
		if (deadline.computed === null) throw new Refused('No order or agreement moved this date.');
		return { to: deadline.computed, trace: [] };
	}
	if (to !== null) return { to, trace: [] };
	if (by === '') throw new Refused('Give the days (+14d, -3cd) or the new date.', 'by');
	try {
		const { date, trace } = countMove(app, deadline, deadline.date, by);
		return { to: date, trace };
	} catch (error) {
		if (error instanceof CountError) throw new Refused(error.message, 'by');
		throw error;
	}
}

/** The what-if of one date. */
export const previewReschedule = preview({
	action: 'docket.change',
	input: z.object(moveFields),
	run({ ctx, input }) {
		const { deadline } = requireDeadline(ctx, input.deadlineId);
		return { from: deadline.date, ...findReschedule(ctx, deadline, input) };
	}
});

/** What is kept of a move beside the new date. */
function movedColumns(
	deadline: DeadlineRow,
	{ how, by, to, reason }: MoveInput & { reason: string },
	{ trace, order }: { trace: Step[]; order: DocumentOnMatter | null }
): Partial<DeadlineRow> {
	if (how === 'back')
		return {
			computed: null,
			moved_how: null,
			moved_reason: '',
			moved_document: null,
			moved_by: null,
			moved_at: null,
			...NO_MOVE_COUNT
		};
	const count = {
		move_from: deadline.date,
		move_count: by,
		move_trace: JSON.stringify(trace)
	};
	return {
		// One that was left behind was not on its rule's own day.
		computed: deadline.computed ?? deadline.rule_gives ?? deadline.date,
		moved_how: how,
		moved_reason: reason,
		moved_document: order?.id ?? null,
		...(to === null ? count : NO_MOVE_COUNT)
	};
}

/**
 * Moves a date; the computed date is kept beside it, and `back` returns to it. A second person
 * checks it again.
 */
export const moveDeadline = matterCommand({
	name: 'move deadline',
	action: 'docket.change',
	input: z.object({ ...moveFields, reason: text('The reason', 500), documentId: maybeId, version }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	version: {
		of: ({ deadline }) => deadline.version,
		id: ({ deadline }) => deadline.id,
		differences: ({ deadline }, input, ctx) =>
			differencesOf([
				{
					field: 'to',
					name: deadline.title,
					theirs: formatDate(deadline.date),
					yours: formatDate(findReschedule(ctx, deadline, input).to)
				}
			])
	},
	run({ ctx, me, deadline, matter, input, record, notify }) {
		if (deadline.state !== 'docketed') throw new Refused('Only a docketed date is moved.');
		if (isOccasion(deadline.sort))
			throw new Refused(
				`A ${deadline.sort} is continued by moving its event: what hangs on it is shown first.`,
				'by'
			);
		const order = requireDocumentOn(ctx, matter, input.documentId, 'documentId');
		const { to, trace } = findReschedule(ctx, deadline, input);
		if (to === deadline.date) throw new Refused('That is the date it has.', input.to ? 'to' : 'by');
		const moved = movedColumns(deadline, input, { trace, order });
		const by = input.how === 'back' ? {} : { moved_by: me.id, moved_at: ctx.clock.now() };
		const also = rescheduleDeadline(
			ctx,
			deadline,
			{ date: to, time: deadline.time },
			{ ...moved, ...by }
		);
		also.push(...moveWarnings(ctx, deadline, input.how === 'back' ? null : to));
		const how = input.how === 'back' ? 'back to the day the rule sets' : `by ${input.how}`;
		const words =
			`${deadline.title} moved from ${formatDate(deadline.date)} to ${formatDate(to)} ${how}: ${input.reason}${order ? ` (${order.name})` : ''}.${also.length ? ` Also: ${also.join('; ')}.` : ''}`.replace(
				'..',
				'.'
			);
		record.audit({
			deadline: deadline.id,
			from: deadline.date,
			to,
			how: input.how,
			reason: input.reason,
			document: order?.id ?? null
		});
		record.log('date', words, order && `/documents/${order.id}`);
		return { to, told: notify(dateMoved(matter, words)) };
	}
});
