/**
 * Changes that wait: what a book, a closure or an order would change is kept until someone applies
 * it or leaves the date.
 */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { pluralInWords } from '#core/format/words.ts';
import { listTeam } from '#server/access/team.ts';
import { requireMatter, visible } from '#server/access/visibility.ts';
import type { Application, Context, Reader, Staff } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { writeLog } from '#server/app/record.ts';
import { all, insert, maybeOne, one, scalar, update } from '#server/db/sql.ts';
import { queueMail, type Recipient } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { applyChange, leaveChange } from './apply-change.ts';
import { formatEffects } from './effect-views.ts';
import type { Effect } from './effects.ts';
import { countDeadlines } from './list.ts';
import { changesWait, datesMoved } from './messages.ts';
import type { DateChangeRow, DeadlineRow } from './rows.ts';
import { FOLLOWS, updateDeadline } from './writing.ts';

type ChangeReason = {
	cause: DateChangeRow['cause'];
	why: string;
	/** Of the book, or of each book where there are several. */
	version: string | ((book: string) => string);
};

/**
 * Keeps changes waiting for a decision; an older one that waits for the same date is replaced.
 * Everyone concerned is told once.
 */
export function recordChanges(
	ctx: Context,
	effects: readonly Effect[],
	{ cause, why, version }: ChangeReason
): void {
	const counts = new Map<string, Counted>();
	for (const effect of effects) {
		const counted = counts.get(effect.matterId) ?? { wait: 0, stay: 0 };
		counts.set(effect.matterId, counted);
		update<DateChangeRow>(
			ctx.db,
			'date_change',
			{ event_id: effect.eventId, rule: effect.rule, state: 'waits' },
			{ state: 'replaced' }
		);
		if (effect.settles) {
			if (effect.deadlineId) followAgain(ctx, effect.deadlineId);
			counted.stay++;
			continue;
		}
		counted.wait++;
		const bookVersion = typeof version === 'string' ? version : version(effect.book);
		insertWaiting(ctx, effect, { cause, why, bookVersion });
	}
	tellOfChanges(ctx, counts, why);
}

function insertWaiting(
	ctx: Context,
	effect: Effect,
	{ cause, why, bookVersion }: Pick<ChangeReason, 'cause' | 'why'> & { bookVersion: string }
): void {
	insert<DateChangeRow>(ctx.db, 'date_change', {
		id: newId('chg'),
		matter_id: effect.matterId,
		event_id: effect.eventId,
		deadline_id: effect.deadlineId,
		rule: effect.rule,
		title: effect.title,
		cause,
		why,
		was: effect.was,
		becomes: effect.fresh?.date ?? null,
		becomes_time: effect.fresh?.time ?? null,
		trace: JSON.stringify(effect.fresh?.trace ?? []),
		authority: effect.fresh?.authority ?? '',
		act: effect.fresh?.act ?? 'serve',
		book_version: bookVersion,
		made_at: ctx.clock.now()
	});
}

/** Of a matter: how many dates wait for a decision, and how many stay after all. */
type Counted = { wait: number; stay: number };

/** A date that was left follows its rule, where the rule gives its day again. */
function followAgain(ctx: Context, deadlineId: string): void {
	const deadline = maybeOne<DeadlineRow>(
		ctx.db,
		'SELECT * FROM deadline WHERE id = @deadlineId AND left_at IS NOT NULL',
		{ deadlineId }
	);
	if (deadline) updateDeadline(ctx, deadline, FOLLOWS);
}

/** "one date would change and waits for a decision; 2 dates stay after all" */
function describeCounted({ wait, stay }: Counted): string {
	const parts: string[] = [];
	if (wait)
		parts.push(
			`${pluralInWords(wait, 'date')} would change and ${wait === 1 ? 'waits' : 'wait'} for a decision`
		);
	if (stay) parts.push(`${pluralInWords(stay, 'date')} ${stay === 1 ? 'stays' : 'stay'} after all`);
	return parts.join('; ');
}

/** How many dates and matters there are among effects, of those that someone may see. */
export function countSeen(
	app: Application,
	me: Staff,
	effects: readonly Effect[]
): { affected: number; matters: number } {
	const seen = formatEffects(
		app,
		me,
		effects.filter(({ settles }) => !settles)
	);
	return {
		affected: seen.length,
		matters: new Set(seen.map((effect) => effect.matterNumber)).size
	};
}

/** Each matter's logbook says so, and each person has one mail. */
function tellOfChanges(ctx: Context, counts: ReadonlyMap<string, Counted>, why: string): void {
	type Mail = {
		matterId: string | null;
		to: Recipient;
		matters: { number: string; title: string; dates: string; link: string }[];
	};
	const mails = new Map<string, Mail>();
	for (const [matterId, counted] of counts) {
		const matter = one<MatterRow>(ctx.db, 'SELECT * FROM matter WHERE id = @matterId', {
			matterId
		});
		const path = `/matters/${matter.number}/docket`;
		const dates = describeCounted(counted);
		writeLog(ctx, matterId, 'date', `${why}: ${dates}.`, path);
		for (const to of listTeam(ctx.db, matterId)) {
			if ('staff' in ctx.actor && to.id === ctx.actor.staff.id) continue;
			// Mail about a restricted matter goes by itself: whoever may read mail may not know of it.
			const key = matter.restricted ? `${to.id} ${matterId}` : to.id;
			const mail = mails.get(key) ?? {
				matterId: matter.restricted ? matterId : null,
				to,
				matters: []
			};
			mail.matters.push({
				number: matter.number,
				title: matter.title,
				dates,
				link: ctx.origin + path
			});
			mails.set(key, mail);
		}
	}
	for (const { matterId, to, matters } of mails.values())
		queueMail(ctx, { matterId, to, message: changesWait(why, matters) });
}

export type ChangeView = {
	id: string;
	matterId: string;
	matterNumber: string;
	matterTitle: string;
	title: string;
	cause: DateChangeRow['cause'];
	why: string;
	was: PlainDate | null;
	becomes: PlainDate | null;
	madeAt: string;
	/** The day it was moved to by order or agreement, where it was. */
	moved: PlainDate | null;
	event: string;
};

/** How many changes wait in matters the viewer may see. */
export const countWaitingChanges = (app: Reader, me: Staff): number =>
	scalar(
		app.db,
		`SELECT count(*)
		FROM date_change c
		JOIN matter m ON m.id = c.matter_id
		WHERE c.state = 'waits' AND m.status <> 'closed' AND ${visible('m')}`,
		{ me: me.id }
	);

/**
 * What waits in the docket for someone: dates without a second check, changes without a decision.
 */
export const countDocketWaiting = (
	app: Reader,
	me: Staff
): { checks: number; changes: number } => ({
	checks: countDeadlines(app, me, { show: 'unchecked' }),
	changes: countWaitingChanges(app, me)
});

/** The changes that wait, in matters the viewer may see; of one matter, or all, the first 500. */
export const listWaitingChanges = (
	app: Reader,
	me: Staff,
	matterId: string | null = null,
	limit = 500
): ChangeView[] =>
	all(
		app.db,
		`SELECT
			c.id, m.id AS matterId, m.number AS matterNumber, m.title AS matterTitle, c.title, c.cause,
			c.why, c.was, c.becomes, c.made_at AS madeAt,
			CASE WHEN d.computed IS NOT NULL THEN d.date END AS moved, e.text AS event
		FROM date_change c
		JOIN matter m ON m.id = c.matter_id
		JOIN event e ON e.id = c.event_id
		LEFT JOIN deadline d ON d.id = c.deadline_id
		WHERE c.state = 'waits'
			AND m.status <> 'closed'
			AND ${visible('m')}
			AND (@matterId IS NULL OR m.id = @matterId)
		ORDER BY c.made_at, m.number, coalesce(c.becomes, c.was), c.id
		LIMIT @limit`,
		{ me: me.id, matterId, limit }
	);

function requireChanges(
	ctx: Context,
	ids: readonly string[]
): { changes: DateChangeRow[]; first: DateChangeRow; matter: MatterRow } {
	const changes = ids.map((id) => {
		const change = maybeOne<DateChangeRow>(ctx.db, 'SELECT * FROM date_change WHERE id = @id', {
			id
		});
		if (!change) throw new NotFound('change');
		return change;
	});
	const [first] = changes;
	if (!first) throw new Refused('Choose a date.');
	if (changes.some((change) => change.matter_id !== first.matter_id))
		throw new Refused('These dates belong to different matters.');
	return { changes, first, matter: requireMatter(ctx, first.matter_id) };
}

/**
 * Applies changes that wait, or leaves the dates as they are; of one matter at a time, everyone
 * told once.
 */
export const decideChanges = matterCommand({
	name: 'decide date changes',
	action: 'docket.change',
	input: z.object({
		changeIds: z.array(z.string()).min(1, 'Choose a date.').max(1000),
		apply: flag,
		reason: maybeText('The reason', 500)
	}),
	find: (ctx, { changeIds }) => requireChanges(ctx, changeIds),
	onClosed: 'allowed',
	run({ ctx, me, changes, first, matter, input, record, notify }) {
		if (!input.apply && input.reason === '')
			throw new Refused('Say why the date stays as it is.', 'reason');
		const done = changes.flatMap((change) => {
			if (change.state !== 'waits') throw new Refused('This change was decided already.');
			update<DateChangeRow>(
				ctx.db,
				'date_change',
				{ id: change.id },
				{
					state: input.apply ? 'applied' : 'left',
					decided_by: me.id,
					decided_at: ctx.clock.now(),
					reason: input.reason
				}
			);
			return input.apply
				? applyChange(ctx, matter, change, input.reason)
				: [leaveChange(ctx, change, input.reason)];
		});
		record.audit({
			apply: input.apply,
			reason: input.reason,
			changes: changes.map(({ rule, deadline_id, was, becomes }) => ({
				rule,
				deadline: deadline_id,
				was,
				becomes
			}))
		});
		const words = [`${first.why}: ${done.join('; ')}.`, input.reason].filter(Boolean).join(' ');
		record.log('date', words);
		const told = input.apply ? notify(datesMoved(matter, words)) : 0;
		return { decided: changes.length, told };
	}
});
