/**
 * Memos: notes and reminders that belong to no matter. One on a card is read by whoever sees the
 * card; one on nothing by who wrote it and whom it reminds.
 */
import { z } from 'zod';
import { cardVisible } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeDay, maybeId, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { insert, maybeOne, remove, update } from '#server/db/sql.ts';
import { requirePerson } from '#server/people/card.ts';
import { findColleague } from '#server/staff/queries.ts';
import type { MemoRow } from './rows.ts';

const MEMO_LIMIT = 2000;

/** Writes a memo; with a day, it comes up on the Day sheet of whom it is for, from that day on. */
export const writeMemo = command({
	name: 'write memo',
	action: 'memo.own',
	input: z.object({
		personId: maybeId,
		text: text('The note', MEMO_LIMIT),
		remindOn: maybeDay('The day of the reminder'),
		/** Whom it reminds; oneself where nobody is named. */
		forId: maybeId
	}),
	run({ ctx, me, input, record }) {
		const person = input.personId ? requirePerson(ctx, input.personId) : null;
		const to = findColleague(ctx, input.forId ?? me.id);
		if (!to) throw new Refused('Choose a colleague of the department.', 'forId');
		if (input.remindOn && input.remindOn < ctx.clock.today())
			throw new Refused('That day is over: it would remind nobody.', 'remindOn');
		const memoId = newId('mem');
		insert<MemoRow>(ctx.db, 'memo', {
			id: memoId,
			person_id: person?.id ?? null,
			by_id: me.id,
			for_id: to.id,
			text: input.text,
			remind_on: input.remindOn,
			at: ctx.clock.now(),
			done_at: null
		});
		record.audit({ memo: memoId, person: person?.id ?? null, for: to.id, on: input.remindOn });
		return { memoId };
	}
});

/** Done, or open again. */
export const finishMemo = command({
	name: 'finish memo',
	action: 'memo.own',
	input: z.object({ memoId: id('a note'), done: flag }),
	run({ ctx, input, record }) {
		const memo = requireMemo(ctx, input.memoId);
		const done_at = input.done ? (memo.done_at ?? ctx.clock.now()) : null;
		update<MemoRow>(ctx.db, 'memo', { id: memo.id }, { done_at });
		record.audit({ memo: memo.id, done: input.done });
	}
});

/** Removes a memo that one wrote. */
export const removeMemo = command({
	name: 'remove memo',
	action: 'memo.own',
	input: z.object({ memoId: id('a note') }),
	run({ ctx, me, input, record }) {
		const memo = requireMemo(ctx, input.memoId);
		if (memo.by_id !== me.id) throw new Refused('Somebody else wrote it: mark it done.');
		remove<MemoRow>(ctx.db, 'memo', { id: memo.id });
		record.audit({ memo: memo.id, person: memo.person_id, text: memo.text });
	}
});

/** One that is one's own, or on a card one sees. */
function requireMemo(ctx: Context, memoId: string): MemoRow {
	const memo = maybeOne<MemoRow>(
		ctx.db,
		`SELECT o.*
		FROM memo o
		LEFT JOIN person p ON p.id = o.person_id
		WHERE o.id = @memoId AND (
			o.by_id = @me OR o.for_id = @me OR (p.id IS NOT NULL AND ${cardVisible('p')})
		)`,
		{ memoId, me: actingStaff(ctx).id }
	);
	if (!memo) throw new NotFound('note');
	return memo;
}
