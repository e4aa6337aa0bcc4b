/**
 * Changes an event's date, and with it how it was served and its answers; its dates and their tasks
 * follow.
 */
import { z } from 'zod';
import { filledAnswers, parseAnswers } from '#core/docket/answers.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import { formatDate, formatShortDate } from '#core/format/dates.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { day, id, maybeId, text, version } from '#server/app/fields.ts';
import { differencesOf, matterCommand } from '#server/app/matter-command.ts';
import { all, maybeOne, one, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { bookOnMatter } from '#server/rulebooks/shelf.ts';
import { BY_HAND, SCHEDULE } from './by-hand.ts';
import type { EventInputs } from './counting.ts';
import { requireDocumentOn, requireEvent, type DocumentOnMatter } from './find.ts';
import { moveOccasion, renameOccasion } from './hearings.ts';
import { datesMoved } from './messages.ts';
import { changedInputs, eventChangeFields, findMoves, refuseFuture, type Move } from './moves.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import {
	FOLLOWS,
	insertDeadline,
	leaveDeadline,
	proposeAgain,
	rescheduleDeadline,
	updateDeadline
} from './writing.ts';

/** Every dependent date and its tasks move, or only the chosen ones; everyone is told once. */
export const moveEvent = matterCommand({
	name: 'move event',
	action: 'docket.change',
	input: z.object({
		eventId: id('an event'),
		to: day('The new date'),
		...eventChangeFields,
		reason: text('The reason', 500),
		sourceId: maybeId,
		version,
		/** Ids of the dates that move; all of them where it is not given. */
		only: z.array(z.string()).nullish()
	}),
	find: (ctx, { eventId }) => requireEvent(ctx, eventId),
	onClosed: 'allowed',
	version: {
		of: ({ event }) => event.version,
		id: ({ event }) => event.id,
		differences: ({ event }, input) =>
			differencesOf([
				{
					field: 'to',
					name: event.text,
					theirs: formatDate(event.date),
					yours: formatDate(input.to)
				},
				corrected('name', 'Its name', event.name, input.name),
				corrected('time', 'Its time', event.time, input.time),
				corrected('service', 'How it was served', event.service, input.service)
			])
	},
	run({ ctx, event, matter, input, record, notify }) {
		const source = requireDocumentOn(ctx, matter, input.sourceId, 'sourceId');
		const moved = putEventOn(ctx, { event, source, matter }, input);
		record.audit(moved.audit);
		record.log('date', moved.words, source ? `/documents/${source.id}` : undefined);
		const told = notify(datesMoved(matter, moved.words));
		return { moved: moved.chosen.length, left: moved.left.length, told };
	}
});

/** A field that the form may leave out: then it does not differ. */
const corrected = (
	field: string,
	name: string,
	stands: string | null,
	sent: string | null | undefined
) => ({ field, name, theirs: stands ?? '', yours: sent ?? stands ?? '' });

type EventMove = {
	to: EventRow['date'];
	time?: string | null;
	name?: string | null | undefined;
	service?: string | null | undefined;
	answers?: Record<string, string> | null | undefined;
	reason: string;
	only?: readonly string[] | null | undefined;
};

/** Moves an event with its dates and their tasks: what was done, for whoever tells of it. */
export function putEventOn(
	ctx: Context,
	at: { event: EventRow; source: DocumentOnMatter | null; matter: MatterRow },
	input: EventMove
) {
	const { event, source, matter } = at;
	refuseFuture(ctx, event, input.to);
	if (event.withdrawn_at !== null)
		throw new Refused('This event was withdrawn: bring it back first.', 'to');
	if (event.event_key === BY_HAND && !event.ahead)
		throw new Refused('Dates by hand hang on no event: move each by order or agreement.', 'to');
	if (event.event_key === SCHEDULE)
		throw new Refused('A scheduling order sets its days itself: amend its table.', 'to');
	const book = event.book ? bookOnMatter(ctx, matter.id, event.book) : null;
	const now = changedInputs(event, input.to, input, book);
	const name = input.name ?? event.name;
	const { moves, fresh, born } = findMoves(ctx, event, input.to, input);
	const chosen = moves.filter(
		(move) => move.state !== 'met' && (!input.only || input.only.includes(move.deadlineId))
	);
	update<EventRow>(
		ctx.db,
		'event',
		{ id: event.id },
		{
			name,
			date: now.date,
			time: now.time,
			service: now.service,
			answers: JSON.stringify(now.answers),
			source_id: source?.id,
			version: event.version + 1
		}
	);
	if (name !== event.name) renameOccasion(ctx, { ...event, name });
	const followed = [
		...moveOccasion(ctx, event.id, now),
		...chosen.flatMap((move) => applyMove(ctx, move, fresh))
	];
	for (const { deadlineId } of moves.filter(({ days }) => days === 0))
		update<DeadlineRow>(ctx.db, 'deadline', { id: deadlineId }, FOLLOWS);
	const left = moves
		.filter((move) => !chosen.includes(move) && isLeftBehind(move))
		.map((move) =>
			leaveDeadline(ctx, requireRow(ctx, move.deadlineId), {
				gives: move.to,
				reason: input.reason
			})
		);
	if (book) {
		left.push(...leaveOrphans(ctx, event, fresh, input.reason));
		followed.push(...born.map((proposal) => addBorn(ctx, matter, event, book, proposal)));
	}
	const audit = {
		event: event.id,
		from: event.date,
		to: input.to,
		name: [event.name, name],
		service: [event.service, now.service],
		answers: [parseAnswers(event.answers), now.answers],
		reason: input.reason,
		source: source?.id ?? null,
		moved: chosen.map((move) => ({
			deadline: move.deadlineId,
			from: move.from,
			to: move.to,
			tasks: move.tasks.map(({ taskId, from, to }) => ({ task: taskId, from, to }))
		})),
		left
	};
	const words = describeMove(event, { ...now, name }, book, {
		reason: input.reason,
		source: source?.name,
		followed,
		left
	});
	return { words, audit, chosen, left };
}

const requireRow = (ctx: Context, deadlineId: string): DeadlineRow =>
	one(ctx.db, 'SELECT * FROM deadline WHERE id = @deadlineId', { deadlineId });

/** A date that stands and would be on another day by its rule. */
const isLeftBehind = ({ state, held, days }: Move): boolean =>
	(state === 'docketed' || state === 'proposed') && !held && days !== 0;

/** Moves one date; what followed, in words. */
function applyMove(ctx: Context, move: Move, fresh: ReadonlyMap<string, Proposal>): string[] {
	const deadline = requireRow(ctx, move.deadlineId);
	const proposal = fresh.get(deadline.rule);
	if (!proposal) throw new Error(`no proposal for ${deadline.rule}`);
	const { date, time, trace } = proposal;
	if (move.held) {
		updateDeadline(ctx, deadline, { computed: date, trace: JSON.stringify(trace) });
		return [];
	}
	const more = rescheduleDeadline(ctx, deadline, { date, time, trace });
	if (move.state !== 'docketed' || move.days === 0) return more;
	const [from, to] = [formatShortDate(move.from), formatShortDate(move.to)];
	return [`${move.title} from ${from} to ${to}`, ...more];
}

/** What no rule sets any more stays, and is marked so. */
function leaveOrphans(
	ctx: Context,
	event: EventRow,
	fresh: ReadonlyMap<string, Proposal>,
	reason: string
): string[] {
	const docketed = all<DeadlineRow>(
		ctx.db,
		`SELECT *
		FROM deadline
		WHERE event_id = @eventId
			AND state = 'docketed'
			AND sort = 'deadline'
			AND computed IS NULL`,
		{ eventId: event.id }
	);
	return docketed
		.filter(({ rule }) => !fresh.has(rule))
		.map((deadline) => leaveDeadline(ctx, deadline, { gives: null, reason }));
}

/**
 * A date that the corrected event sets and that was not there, or was taken off, comes as a
 * proposal.
 */
function addBorn(
	ctx: Context,
	matter: MatterRow,
	event: EventRow,
	book: Rulebook,
	proposal: Proposal
): string {
	const off = maybeOne<DeadlineRow>(
		ctx.db,
		`SELECT *
		FROM deadline
		WHERE event_id = @eventId AND rule = @rule AND state = 'vacated'`,
		{ eventId: event.id, rule: proposal.rule }
	);
	if (off) proposeAgain(ctx, off, { ...proposal, version: book.version });
	else insertDeadline(ctx, matter, event.id, book, proposal, false);
	return `${proposal.title} ${formatShortDate(proposal.date)} proposed`;
}

type Corrected = EventInputs & { name: string };

function describeMove(
	event: EventRow,
	now: Corrected,
	book: Rulebook | null,
	more: { reason: string; source: string | undefined; followed: string[]; left: string[] }
): string {
	const { reason, source, followed, left } = more;
	const corrected = listCorrections(event, now, book).join(' and ');
	const same = now.date === event.date;
	const moved = same
		? `${event.text} on ${formatDate(now.date)} corrected`
		: `${event.text} moved from ${formatDate(event.date)} to ${formatDate(now.date)}`;
	const how = corrected && (same ? ` (${corrected})` : ` and corrected (${corrected})`);
	const from = source ? ` (${source})` : '';
	const also = followed.length ? ` Moved: ${followed.join('; ')}.` : '';
	const stays = left.length ? ` No longer follows its event: ${left.join('; ')}.` : '';
	// A reason may bring its own full stop.
	return `${moved}${how}: ${reason}${from}.${also}${stays}`.replace('..', '.');
}

function listCorrections(event: EventRow, now: Corrected, book: Rulebook | null): string[] {
	const corrections: string[] = [];
	if (now.name !== event.name) corrections.push(now.name ? `called “${now.name}”` : 'no name');
	if (now.service !== event.service) {
		const kinds = book ? serviceKinds(book.method) : [];
		const kind = kinds.find(({ id }) => id === now.service);
		corrections.push(kind ? `served ${kind.label}` : 'not served');
	}
	if (now.time !== event.time) corrections.push(`at ${now.time}`);
	const before = JSON.stringify(parseAnswers(event.answers));
	if (JSON.stringify(filledAnswers(now.answers)) !== before) corrections.push('its answers');
	return corrections;
}
