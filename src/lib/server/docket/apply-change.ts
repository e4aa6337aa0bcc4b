/** What becomes of a date when a change that waited is applied, or is not. */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate, formatShortDate } from '#core/format/dates.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { maybeOne, one, scalar } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { DateChangeRow, DeadlineRow } from './rows.ts';
import {
	insertDeadline,
	leaveDeadline,
	proposeAgain,
	rescheduleDeadline,
	updateDeadline,
	vacate
} from './writing.ts';

const stays = ({ was }: DateChangeRow) => (was ? ` on ${formatShortDate(was)}` : ' off the docket');

/**
 * Leaves a date as it is: where it stands, it is marked as one that does not follow its rule.
 * @returns what became of it, in words
 */
export function leaveChange(ctx: Context, change: DateChangeRow, reason: string): string {
	const deadline = maybeOne<DeadlineRow>(
		ctx.db,
		`SELECT *
		FROM deadline
		WHERE id = @deadlineId AND state IN ('docketed', 'proposed') AND computed IS NULL`,
		{ deadlineId: change.deadline_id }
	);
	if (!deadline || change.was === null) return `${change.title} stays${stays(change)}`;
	return leaveDeadline(ctx, deadline, { gives: change.becomes, reason });
}

/** Applies one change; what was done, in words. */
export function applyChange(
	ctx: Context,
	matter: MatterRow,
	change: DateChangeRow,
	reason: string
): string[] {
	const { becomes } = change;
	if (change.deadline_id === null || change.was === null) {
		if (becomes === null) throw new Error(`change ${change.id} neither was nor becomes`);
		return [bringDate(ctx, matter, change, becomes)];
	}
	const deadline = one<DeadlineRow>(ctx.db, 'SELECT * FROM deadline WHERE id = @deadlineId', {
		deadlineId: change.deadline_id
	});
	if (deadline.state !== 'docketed' && deadline.state !== 'proposed') return [];
	if ((deadline.computed ?? deadline.date) !== change.was)
		throw new Refused(
			`“${deadline.title}” was changed meanwhile: it is not on ${formatDate(change.was)} any more. Leave this change, and count again.`
		);
	const fresh = { trace: change.trace, version: change.book_version };
	if (becomes === null) {
		vacate(ctx, deadline, reason || change.why);
		return [`${deadline.title} taken off`];
	}
	if (deadline.computed !== null) {
		updateDeadline(ctx, deadline, {
			computed: becomes,
			trace: fresh.trace,
			book_version: fresh.version
		});
		return [
			`${deadline.title} stays where it was moved to; the rule now gives ${formatShortDate(becomes)}`
		];
	}
	const also = rescheduleDeadline(
		ctx,
		deadline,
		{ ...fresh, date: becomes, time: change.becomes_time },
		change.authority ? { authority: change.authority } : {}
	);
	const [from, to] = [formatShortDate(deadline.date), formatShortDate(becomes)];
	return [`${deadline.title} from ${from} to ${to}`, ...also];
}

/**
 * A date that is to come. It may be there meanwhile, by a correction of its event; or it was taken
 * off and comes back.
 */
function bringDate(
	ctx: Context,
	matter: MatterRow,
	change: DateChangeRow,
	becomes: PlainDate
): string {
	const { title, rule, authority, act, trace } = change;
	const there = maybeOne<DeadlineRow>(
		ctx.db,
		`SELECT *
		FROM deadline
		WHERE event_id = @eventId AND rule = @rule
		ORDER BY state = 'vacated'
		LIMIT 1`,
		{ eventId: change.event_id, rule }
	);
	if (there && there.state !== 'vacated') return `${title} was there already`;
	const day = formatShortDate(becomes);
	const time = change.becomes_time;
	const version = change.book_version;
	if (there) {
		proposeAgain(ctx, there, { date: becomes, time, trace, authority, version });
		return `${title} ${day} proposed again`;
	}
	const id = scalar<string>(ctx.db, 'SELECT book FROM event WHERE id = @eventId', {
		eventId: change.event_id
	});
	const suggested = rule.startsWith('suggested-');
	const proposal = {
		rule,
		title,
		authority,
		act: actOf(act),
		suggested,
		date: becomes,
		time,
		trace
	};
	insertDeadline(ctx, matter, change.event_id, { id, version }, proposal, false);
	return `${title} ${day} proposed`;
}

const actOf = (act: string): DeadlineRow['act'] => (act === 'file' ? 'file' : 'serve');
