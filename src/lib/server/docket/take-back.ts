/**
 * What was done by mistake is taken back, each with a reason and with its history to read: a date
 * that was met or vacated, a hearing that was settled, a whole event.
 */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { CountError } from '#core/docket/amount.ts';
import { isOccasion } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { all, update } from '#server/db/sql.ts';
import { BY_HAND } from './by-hand.ts';
import { recount } from './counting.ts';
import { requireDeadline, requireEvent } from './find.ts';
import { dateMoved } from './messages.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { leaveDeadline, updateDeadline, vacate } from './writing.ts';

/** As if it had never been settled. */
const UNSETTLED = {
	closed_by: null,
	closed_at: null,
	closed_on: null,
	reason: '',
	result: null,
	outcome: '',
	appeared: '',
	late_reason: '',
	late_by: null,
	late_at: null,
	late_word: '',
	set_aside: 0
} as const satisfies Partial<DeadlineRow>;

/**
 * It stands as it stood before. Its event or its book may have changed meanwhile: then it is marked
 * as left behind, and is not taken for checked.
 */
function putBack(ctx: Context, event: EventRow, deadline: DeadlineRow, reason: string): void {
	const proposed = deadline.set_aside === 1;
	updateDeadline(ctx, deadline, {
		...UNSETTLED,
		state: proposed ? 'proposed' : 'docketed',
		docketed_by: proposed ? null : deadline.docketed_by,
		docketed_at: proposed ? null : deadline.docketed_at
	});
	if (deadline.book === '' && !isOccasion(deadline.sort)) return;
	const gives = findDay(ctx, event, deadline.rule);
	if (gives === (deadline.computed ?? deadline.date)) return;
	leaveDeadline(ctx, { ...deadline, version: deadline.version + 1 }, { gives, reason });
}

/** The day its rule gives now; null where none sets it, or its answers no longer fit its book. */
function findDay(ctx: Context, event: EventRow, rule: string): PlainDate | null {
	try {
		return recount(ctx, event, rule)?.date ?? null;
	} catch (error) {
		if (error instanceof CountError) return null;
		throw error;
	}
}

/** Whether a date was vacated because a hearing was taken off. */
const wentWith = (one: DeadlineRow, hearing: DeadlineRow): boolean =>
	one.state === 'vacated' && one.reason.startsWith(`${hearing.title} is off: `);

/** Met, vacated, set aside, held or taken off: it stands again as it stood before. */
export const takeBackDeadline = matterCommand({
	name: 'take back settled date',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		reason: text('The reason', 500),
		/** Ids of the dates that went with a hearing, and come back with it. */
		also: z.array(z.string()).max(500).default([])
	}),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	run({ ctx, deadline, matter, input, record, notify }) {
		const { state, result, title, date } = deadline;
		if (state !== 'met' && state !== 'vacated') throw new Refused('This date stands.');
		const { event } = requireEvent(ctx, deadline.event_id);
		if (event.withdrawn_at !== null)
			throw new Refused(`“${event.text}” was withdrawn: bring the event back first.`);
		putBack(ctx, event, deadline, input.reason);
		const was = result ?? (deadline.set_aside ? 'set aside' : state);
		const back = listOf(ctx, event.id).filter(
			(one) => input.also.includes(one.id) && wentWith(one, deadline)
		);
		for (const one of back) putBack(ctx, event, one, input.reason);
		const more = back.map((one) => `${one.title} ${formatDate(one.date)}`).join('; ');
		const words = `${title} ${formatDate(date)} stands again, it was ${was}: ${input.reason}${more && `. With it: ${more}`}`;
		record.audit({
			deadline: deadline.id,
			was,
			reason: input.reason,
			also: back.map((one) => one.id),
			closedOn: deadline.closed_on
		});
		record.log('date', words);
		notify(dateMoved(matter, words));
		return { stands: deadline.id, back: back.length };
	}
});

const listOf = (ctx: Context, eventId: string): DeadlineRow[] =>
	all(ctx.db, 'SELECT * FROM deadline WHERE event_id = @eventId ORDER BY date, id', { eventId });

/** The event never was: what it set is taken off, but for what was met. */
export const withdrawEvent = matterCommand({
	name: 'withdraw event',
	action: 'docket.change',
	input: z.object({ eventId: id('an event'), reason: text('The reason', 500) }),
	find: (ctx, { eventId }) => requireEvent(ctx, eventId),
	run({ ctx, me, event, matter, input, record, notify }) {
		if (event.withdrawn_at !== null) throw new Refused('This event was withdrawn already.');
		if (event.event_key === BY_HAND && event.ahead === null)
			throw new Refused('Dates by hand hang on no event: vacate each.');
		const standing = listOf(ctx, event.id).filter(
			({ state }) => state === 'docketed' || state === 'proposed'
		);
		for (const deadline of standing)
			vacate(ctx, deadline, withdrawnWords(event, input.reason), {
				set_aside: deadline.state === 'proposed' ? 1 : 0
			});
		update<EventRow>(
			ctx.db,
			'event',
			{ id: event.id },
			{
				withdrawn_by: me.id,
				withdrawn_at: ctx.clock.now(),
				withdrawn_reason: input.reason,
				version: event.version + 1
			}
		);
		const docketed = standing.filter(({ state }) => state === 'docketed');
		record.audit({ event: event.id, reason: input.reason, vacated: standing.map(({ id }) => id) });
		const off = docketed.map(({ title, date }) => `${title} ${formatDate(date)}`).join('; ');
		const words = `${event.text} on ${formatDate(event.date)} was entered by mistake: ${input.reason}.${off && ` Off with it: ${off}.`}`;
		record.log('date', words.replace('..', '.'));
		if (docketed.length) notify(dateMoved(matter, words));
		return { vacated: docketed.length };
	}
});

const withdrawnWords = (event: EventRow, reason: string) =>
	`${event.text} was withdrawn: ${reason}`;

/** The event stands after all, with what was taken off with it. */
export const bringEventBack = matterCommand({
	name: 'bring event back',
	action: 'docket.change',
	input: z.object({ eventId: id('an event'), reason: text('The reason', 500) }),
	find: (ctx, { eventId }) => requireEvent(ctx, eventId),
	run({ ctx, event, matter, input, record, notify }) {
		if (event.withdrawn_at === null) throw new Refused('This event stands.');
		const words = withdrawnWords(event, event.withdrawn_reason);
		const off = listOf(ctx, event.id).filter(
			({ state, reason }) => state === 'vacated' && reason === words
		);
		for (const deadline of off) putBack(ctx, event, deadline, input.reason);
		update<EventRow>(
			ctx.db,
			'event',
			{ id: event.id },
			{
				withdrawn_by: null,
				withdrawn_at: null,
				withdrawn_reason: '',
				version: event.version + 1
			}
		);
		record.audit({ event: event.id, reason: input.reason, back: off.map(({ id }) => id) });
		const said = `${event.text} on ${formatDate(event.date)} stands after all: ${input.reason}`;
		record.log('date', said);
		notify(dateMoved(matter, said));
		return { back: off.length };
	}
});
