/**
 * Hearings, trials, conferences and depositions: entries of the docket that are held, taken off, or
 * continued. One stands on its event's own day and moves with it.
 */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { isOccasion, type Occasion } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Context } from '#server/app/application.ts';
import { actingStaff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { id, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { all, insert, insertOrIgnore, maybeOne } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { OCCASION } from './counting.ts';
import { requireDeadline, requireDocumentOn } from './find.ts';
import { dateMoved, dateVacated } from './messages.ts';
import type { DateDocumentRow, DeadlineRow, EventRow } from './rows.ts';
import { leaveDeadline, rescheduleDeadline, updateDeadline, vacate } from './writing.ts';

type Held = Pick<EventRow, 'id' | 'text' | 'name' | 'book' | 'book_version' | 'date' | 'time'> & {
	sort: Occasion;
	place: string;
	link: string;
	authority: string;
};

/** Dockets the entry of an event that is a hearing or its like; gives its id. */
export function insertOccasion(ctx: Context, matter: MatterRow, event: Held): string {
	const deadlineId = newId('due');
	insert<DeadlineRow>(ctx.db, 'deadline', {
		id: deadlineId,
		matter_id: matter.id,
		event_id: event.id,
		rule: OCCASION,
		sort: event.sort,
		title: titleOf(event),
		authority: event.authority,
		act: 'serve',
		suggested: 0,
		state: 'docketed',
		date: event.date,
		time: event.time,
		trace: JSON.stringify([{ step: 'taken', date: event.date, label: event.text }]),
		book: event.book,
		book_version: event.book_version,
		docketed_by: actingStaff(ctx).id,
		docketed_at: ctx.clock.now(),
		place: event.place,
		link: event.link
	});
	return deadlineId;
}

const titleOf = ({ text, name }: Pick<EventRow, 'text' | 'name'>): string =>
	name ? `${text}, ${name}` : text;

/** The entry of an event is called as its event is. */
export function renameOccasion(ctx: Context, event: Pick<EventRow, 'id' | 'text' | 'name'>): void {
	const entry = findOccasion(ctx, event.id);
	if (entry) updateDeadline(ctx, entry, { title: titleOf(event) });
}

const findOccasion = (ctx: Context, eventId: string): DeadlineRow | undefined =>
	maybeOne<DeadlineRow>(
		ctx.db,
		'SELECT * FROM deadline WHERE event_id = @eventId AND rule = @rule',
		{ eventId, rule: OCCASION }
	);

/**
 * Puts the entry of an event on the event's new day. One that was continued without a day stands
 * again; what was held or taken off stays so.
 * @returns what followed, in words
 */
export function moveOccasion(
	ctx: Context,
	eventId: string,
	to: { date: PlainDate; time: string | null }
): string[] {
	const entry = findOccasion(ctx, eventId);
	if (!entry || (entry.state !== 'docketed' && entry.result !== 'open')) return [];
	const again: Partial<DeadlineRow> =
		entry.result === 'open'
			? { state: 'docketed', result: null, reason: '', closed_by: null, closed_at: null }
			: {};
	return rescheduleDeadline(ctx, entry, to, { ...again, closed_on: null });
}

function requireHearing(ctx: Context, deadlineId: string) {
	const found = requireDeadline(ctx, deadlineId);
	if (!isOccasion(found.deadline.sort))
		throw new Refused('This is a date that is due, no hearing.');
	return found;
}

function refuseSettled({ state }: DeadlineRow): void {
	if (state !== 'docketed') throw new Refused('This was settled already.');
}

/** It took place: what came of it, and who appeared. */
export const holdHearing = matterCommand({
	name: 'record hearing as held',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a hearing'),
		outcome: text('The outcome', 2000),
		appeared: maybeText('Who appeared', 500),
		documentId: maybeId
	}),
	find: (ctx, { deadlineId }) => requireHearing(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, matter, input, record, notify }) {
		refuseSettled(deadline);
		if (deadline.date > ctx.clock.today())
			throw new Refused(`${formatDate(deadline.date)} has not come yet.`);
		const paper = requireDocumentOn(ctx, matter, input.documentId, 'documentId');
		updateDeadline(ctx, deadline, {
			state: 'met',
			result: 'held',
			outcome: input.outcome,
			appeared: input.appeared,
			closed_by: me.id,
			closed_at: ctx.clock.now(),
			closed_on: deadline.date
		});
		if (paper)
			insertOrIgnore<DateDocumentRow>(ctx.db, 'date_document', {
				deadline_id: deadline.id,
				document_id: paper.id,
				role: 'proof'
			});
		record.audit({ deadline: deadline.id, ...input });
		const words = [
			`Held: ${deadline.title} on ${formatDate(deadline.date)}.`,
			input.outcome,
			input.appeared && `Appeared: ${input.appeared}.`
		];
		record.log('date', words.filter(Boolean).join(' '), paper && `/documents/${paper.id}`);
		notify(dateMoved(matter, words.filter(Boolean).join(' ')));
		return { held: deadline.id };
	}
});

/** The open dates that hang on a hearing. */
const listHangingOn = (ctx: Pick<Context, 'db'>, hearing: DeadlineRow): DeadlineRow[] =>
	all(
		ctx.db,
		`SELECT *
		FROM deadline
		WHERE event_id = @eventId AND id <> @id AND state IN ('docketed', 'proposed')
		ORDER BY date, id`,
		{ eventId: hearing.event_id, id: hearing.id }
	);

/**
 * Takes a hearing off: the chosen dates that hang on it go with it, the others stay and are marked.
 * @returns what followed, in words
 */
export function takeOff(
	ctx: Context,
	hearing: DeadlineRow,
	{ reason, also }: { reason: string; also: readonly string[] }
): string[] {
	vacate(ctx, hearing, reason, { result: 'off' });
	return listHangingOn(ctx, hearing).map((hanging) => {
		if (!also.includes(hanging.id)) return leaveDeadline(ctx, hanging, { gives: null, reason });
		vacate(ctx, hanging, `${hearing.title} is off: ${reason}`);
		return `${hanging.title} vacated`;
	});
}

/** It is off for good; the dates that hang on it are vacated with it where they are chosen. */
export const takeOffHearing = matterCommand({
	name: 'take hearing off',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a hearing'),
		reason: text('The reason', 500),
		/** Ids of the dates that go with it; the others stay and are marked. */
		also: z.array(z.string()).max(500).default([])
	}),
	find: (ctx, { deadlineId }) => requireHearing(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, deadline, matter, input, record, notify }) {
		refuseSettled(deadline);
		const followed = takeOff(ctx, deadline, input);
		record.audit({ deadline: deadline.id, reason: input.reason, also: input.also });
		const more = followed.length ? ` ${followed.join('; ')}.` : '';
		record.log(
			'date',
			`Off: ${deadline.title} ${formatDate(deadline.date)}. ${input.reason}${more}`
		);
		notify(dateVacated(matter, deadline, `${input.reason}${more}`));
		return { vacated: input.also.length };
	}
});

/**
 * It is continued, and nobody knows yet to when: it waits for its new day, and so do the dates that
 * hang on it. A new day is given by moving its event.
 */
export const continueHearing = matterCommand({
	name: 'continue hearing without a day',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a hearing'), reason: text('The reason', 500) }),
	find: (ctx, { deadlineId }) => requireHearing(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, deadline, matter, input, record, notify }) {
		refuseSettled(deadline);
		vacate(ctx, deadline, input.reason, { result: 'open' });
		const left = listHangingOn(ctx, deadline).map((hanging) =>
			leaveDeadline(ctx, hanging, { gives: null, reason: `${deadline.title} has no day` })
		);
		record.audit({ deadline: deadline.id, reason: input.reason, left });
		const more = left.length ? ` ${left.join('; ')}.` : '';
		const words = `${deadline.title}, ${formatDate(deadline.date)}, continued without a new day: ${input.reason}.${more}`;
		record.log('date', words);
		notify(dateMoved(matter, words));
		return { left: left.length };
	}
});
