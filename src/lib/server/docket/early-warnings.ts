/**
 * Early warnings, which no law sets: they lie so many days before the date they warn of, and follow
 * it when an order or an agreement moves it.
 */
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { CountError } from '#core/docket/amount.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import { formatShortDate } from '#core/format/dates.ts';
import type { Application, Context } from '#server/app/application.ts';
import { all, one } from '#server/db/sql.ts';
import { bookOnMatter } from '#server/rulebooks/shelf.ts';
import { inputsOf, listMoved, proposeFor } from './counting.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { rescheduleDeadline } from './writing.ts';

type WarningMove = { warning: DeadlineRow; fresh: Proposal };
export type WarningMoveView = { deadlineId: string; title: string; to: PlainDate; days: number };

/**
 * The early warnings that another day for a date would move.
 * @param to the day it would stand on; null for its rule's own
 */
function findWarningMoves(
	app: Application,
	deadline: DeadlineRow,
	to: PlainDate | null
): WarningMove[] {
	const warnings = all<DeadlineRow>(
		app.db,
		`SELECT *
		FROM deadline
		WHERE event_id = @eventId
			AND rule = 'suggested-' || @rule
			AND state IN ('docketed', 'proposed')
			AND computed IS NULL`,
		{ eventId: deadline.event_id, rule: deadline.rule }
	);
	if (warnings.length === 0) return [];
	const moved = listMoved(app, deadline.event_id);
	if (to) moved.set(deadline.rule, to);
	else moved.delete(deadline.rule);
	const fresh = countAnew(app, deadline, moved);
	return warnings.flatMap((warning) => {
		const proposal = fresh.find(({ rule }) => rule === warning.rule);
		return proposal && proposal.date !== warning.date ? [{ warning, fresh: proposal }] : [];
	});
}

/** What the event gives now; nothing where its answers do not fit its book any more. */
function countAnew(
	app: Application,
	{ event_id: eventId, matter_id: matterId, book }: DeadlineRow,
	moved: ReadonlyMap<string, PlainDate>
): readonly Proposal[] {
	if (book === '') return [];
	const event = one<EventRow>(app.db, 'SELECT * FROM event WHERE id = @eventId', { eventId });
	try {
		const laid = bookOnMatter(app, matterId, book);
		return proposeFor(app, laid, event.event_key, inputsOf(event), moved).deadlines;
	} catch (error) {
		if (error instanceof CountError) return [];
		throw error;
	}
}

/** The same, as its preview shows it. */
export const previewWarnings = (
	app: Application,
	deadline: DeadlineRow,
	to: PlainDate | null
): WarningMoveView[] =>
	findWarningMoves(app, deadline, to).map(({ warning, fresh }) => ({
		deadlineId: warning.id,
		title: warning.title,
		to: fresh.date,
		days: daysBetween(warning.date, fresh.date)
	}));

/** Moves them with their date; what followed, in words. */
export const moveWarnings = (ctx: Context, deadline: DeadlineRow, to: PlainDate | null): string[] =>
	findWarningMoves(ctx, deadline, to).flatMap(({ warning, fresh }) => [
		`early warning “${warning.title}” to ${formatShortDate(fresh.date)}`,
		...rescheduleDeadline(ctx, warning, {
			date: fresh.date,
			time: fresh.time,
			trace: fresh.trace
		})
	]);
