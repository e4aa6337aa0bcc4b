/** Dates and hearings without a rule: from an order, an agreement, a letter, a calendar file. */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { isOccasion, OCCASIONS, type Occasion } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import type { Context } from '#server/app/application.ts';
import { actingStaff } from '#server/app/application.ts';
import { day, id, maybeId, maybeText, maybeTime, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insert, maybeOne, scalar, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { whereFields } from './events.ts';
import { requireDocumentOn } from './find.ts';
import { insertOccasion } from './hearings.ts';
import { calendarBroughtIn, dateAdded, hearingAdded } from './messages.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { insertDeadline } from './writing.ts';

/** The event under which a matter keeps what is entered by hand. */
export const BY_HAND = 'by-hand';
/** The event that is a scheduling order: its table sets the dates under it. */
export const SCHEDULE = 'schedule';

type HandEvent = Pick<EventRow, 'text' | 'date' | 'time' | 'ahead'> &
	Partial<Pick<EventRow, 'source_id' | 'event_key' | 'name' | 'schedule_id'>>;

/** Adds an event that no book knows; gives its id. */
export function insertHandEvent(ctx: Context, matter: MatterRow, event: HandEvent): string {
	const eventId = newId('evt');
	insert<EventRow>(ctx.db, 'event', {
		event_key: BY_HAND,
		name: '',
		...event,
		id: eventId,
		matter_id: matter.id,
		book: '',
		book_version: '',
		entered_by: actingStaff(ctx).id,
		entered_at: ctx.clock.now()
	});
	return eventId;
}

/** The event that carries a matter's dates by hand, made with the first of them. */
export function carrierOf(ctx: Context, matter: MatterRow): { id: string; isNew: boolean } {
	const known = maybeOne<{ id: string }>(
		ctx.db,
		`SELECT id
		FROM event
		WHERE matter_id = @matterId AND event_key = @key AND ahead IS NULL`,
		{ matterId: matter.id, key: BY_HAND }
	);
	if (known) return { id: known.id, isNew: false };
	const carrier = { text: 'Dates by hand', date: ctx.clock.today(), time: null, ahead: null };
	return { id: insertHandEvent(ctx, matter, carrier), isNew: true };
}

const whenWords = (date: PlainDate, time: string | null) =>
	`${formatDate(date)}${time ? ` at ${time}` : ''}`;

/**
 * A date or a hearing by hand. A date is docketed at once, counted by nothing, and checked like any
 * other.
 */
export const addDeadline = matterCommand({
	name: 'add date by hand',
	action: 'docket.enter',
	input: z.object({
		matterId: id('a matter'),
		what: z.enum(['deadline', ...OCCASIONS]).default('deadline'),
		title: text('The title', 200),
		date: day('The date'),
		time: maybeTime,
		authority: maybeText('The authority', 200),
		...whereFields,
		long: maybeText('The description', 4000),
		sourceId: maybeId
	}),
	find: byMatterId,
	run({ ctx, matter, input, record, notify }) {
		const source = requireDocumentOn(ctx, matter, input.sourceId, 'sourceId');
		const authority = input.authority || (source ? `“${source.name}”` : 'entered by hand');
		const { title, date, time, place, link } = input;
		if (isOccasion(input.what)) {
			const entered = insertHandHearing(
				ctx,
				matter,
				{ text: capitalize(title), date, time, ahead: input.what, source_id: source?.id ?? null },
				{ place, link, authority }
			);
			update<DeadlineRow>(ctx.db, 'deadline', { id: entered.deadlineId }, { long: input.long });
			record.audit({ event: entered.eventId, date, hand: true });
			record.log('date', `${capitalize(title)} on ${whenWords(date, time)}: ${authority}.`);
			notify(hearingAdded(matter, { title, date, time, place }));
			return entered;
		}
		const eventId = carrierOf(ctx, matter).id;
		const deadlineId = insertHandDeadline(ctx, matter, eventId, { title, date, time, authority });
		update<DeadlineRow>(ctx.db, 'deadline', { id: deadlineId }, { place, link, long: input.long });
		record.audit({ deadline: deadlineId, date, hand: true });
		record.log('date', `Docketed by hand: ${title} ${formatDate(date)} (${authority}).`);
		notify(dateAdded(matter, { title, date, authority }));
		return { eventId, deadlineId };
	}
});

/** Adds a hearing or its like that no book knows, as an event and its entry. */
export function insertHandHearing(
	ctx: Context,
	matter: MatterRow,
	event: HandEvent & { ahead: Occasion },
	entry: { place: string; link: string; authority: string }
): { eventId: string; deadlineId: string } {
	const eventId = insertHandEvent(ctx, matter, event);
	const { text, date, time, ahead: sort } = event;
	const own = { id: eventId, text, name: '', book: '', book_version: '', date, time, sort };
	return { eventId, deadlineId: insertOccasion(ctx, matter, { ...own, ...entry }) };
}

/** Adds a date by hand, under the event that carries them; gives its id. */
export const addHandDate = (
	ctx: Context,
	matter: MatterRow,
	date: { title: string; date: PlainDate; time: string | null; authority: string }
): string => insertHandDeadline(ctx, matter, carrierOf(ctx, matter).id, date);

function insertHandDeadline(
	ctx: Context,
	matter: MatterRow,
	eventId: string,
	date: { title: string; date: PlainDate; time: string | null; authority: string }
): string {
	const count = scalar(ctx.db, 'SELECT count(*) FROM deadline WHERE event_id = @eventId', {
		eventId
	});
	const proposal = {
		...date,
		rule: `hand-${count + 1}`,
		act: 'serve' as const,
		suggested: false,
		trace: [{ step: 'note', text: `Entered by hand: ${date.authority}. No rule counts it.` }]
	};
	return insertDeadline(ctx, matter, eventId, { id: '', version: '' }, proposal, true);
}

/**
 * Brings in the chosen events of a calendar file, as hearings and meetings of the matter: all of
 * them or none.
 */
export const bringCalendar = matterCommand({
	name: 'bring in calendar',
	action: 'docket.enter',
	input: z.object({
		matterId: id('a matter'),
		from: maybeText('The file', 200),
		items: z
			.array(
				z.object({
					title: text('The title', 200),
					date: day('The date'),
					time: maybeTime,
					place: maybeText('The place', 200)
				})
			)
			.min(1, 'Choose at least one event.')
			.max(200, 'At most 200 events at once.')
	}),
	find: byMatterId,
	run({ ctx, matter, input, record, notify }) {
		for (const { title, date, time, place } of input.items)
			insertHandHearing(
				ctx,
				matter,
				{ text: capitalize(title), date, time, ahead: 'hearing' },
				{ place, link: '', authority: input.from || 'a calendar file' }
			);
		record.audit({
			file: input.from,
			events: input.items.map(({ title, date }) => ({ title, date }))
		});
		const events = input.items.map(({ title, date }) => `${title} ${formatDate(date)}`).join('; ');
		record.log('date', `Brought in from ${input.from || 'a calendar file'}: ${events}.`);
		notify(calendarBroughtIn(matter, input.items));
		return { brought: input.items.length };
	}
});
