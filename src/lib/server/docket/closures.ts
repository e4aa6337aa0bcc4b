/**
 * Days on which a court does not sit or its office is shut, as the department enters them. The
 * dates they affect wait for a decision.
 */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import type { Application, Context } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { day, id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { preview } from '#server/app/preview.ts';
import { all, insertOrIgnore, maybeOne, remove } from '#server/db/sql.ts';
import { requireBook, shelfOf } from '#server/rulebooks/shelf.ts';
import { countSeen, recordChanges } from './changes.ts';
import { effectsNow } from './effects-query.ts';
import { showEffects } from './effects.ts';
import type { ClosureRow } from './rows.ts';
import { effectsTask } from './tasks.ts';

const closureFields = {
	book: id('a court'),
	date: day('The day'),
	kind: z.enum(['holiday', 'office'], { error: 'Say what kind of closure it is.' }),
	name: text('The reason', 120)
};

const refuseUnknownCourt = (app: Application, book: string): void => {
	if (!shelfOf(app).files.has(book)) throw new Refused('Choose a court.', 'book');
};

/** What a closure would change, before it is entered. */
export const previewClosure = preview({
	action: 'docket.closure',
	input: z.object(closureFields),
	async run({ ctx, me, input: closure }) {
		refuseUnknownCourt(ctx, closure.book);
		const { effects } = await ctx.work.run(effectsTask, { of: 'closure', closure });
		return showEffects(ctx, me, effects);
	}
});

/**
 * Adds a closure for a court. The dates it affects wait for a decision; nothing moves by itself.
 */
export const addClosure = preparedCommand({
	name: 'add closure',
	action: 'docket.closure',
	input: z.object(closureFields),
	prepare({ ctx, input: closure }) {
		refuseUnknownCourt(ctx, closure.book);
		return ctx.work.run(effectsTask, { of: 'closure', closure });
	},
	run({ ctx, me, input: closure, record, prepared }) {
		const book = requireBook(ctx, closure.book);
		const effects = effectsNow(ctx, { of: 'closure', closure }, prepared);
		if (!insertOrIgnore<ClosureRow>(ctx.db, 'closure', { ...closure, id: newId('clo') }))
			throw new Refused('There is a closure on this day already.', 'date');
		const why = `${closure.name} on ${formatDate(closure.date)} (${book.short})`;
		record.audit({ ...closure, affects: effects.length });
		recordChanges(ctx, effects, { cause: 'closure', why, version: book.version });
		return countSeen(ctx, me, effects);
	}
});

function requireClosure(ctx: Context, closureId: string): ClosureRow {
	const closure = maybeOne<ClosureRow>(ctx.db, 'SELECT * FROM closure WHERE id = @closureId', {
		closureId
	});
	if (!closure) throw new NotFound('closure');
	return closure;
}

/** Removes a closure that was entered by mistake; what would move back waits for a decision too. */
export const removeClosure = preparedCommand({
	name: 'remove closure',
	action: 'docket.closure',
	input: z.object({ closureId: id('a closure'), reason: text('The reason', 300) }),
	prepare({ ctx, input }) {
		const closure = requireClosure(ctx, input.closureId);
		return ctx.work.run(effectsTask, { of: 'no closure', closure });
	},
	run({ ctx, me, input, record, prepared }) {
		const closure = requireClosure(ctx, input.closureId);
		const effects = effectsNow(ctx, { of: 'no closure', closure }, prepared);
		remove<ClosureRow>(ctx.db, 'closure', { id: closure.id });
		const book = requireBook(ctx, closure.book);
		const why = `No closure on ${formatDate(closure.date)} after all (${book.short})`;
		record.audit({ closure, reason: input.reason, affects: effects.length });
		recordChanges(ctx, effects, { cause: 'closure', why, version: book.version });
		return countSeen(ctx, me, effects);
	}
});

export type ClosureView = ClosureRow & { court: string };
/** The closures the department entered, the latest first, with the name of their court. */
export function listClosures(app: Application): ClosureView[] {
	const { files } = shelfOf(app);
	const closures = all<ClosureRow>(app.db, 'SELECT * FROM closure ORDER BY date DESC, id');
	return closures.map((closure) => ({
		...closure,
		court: files.has(closure.book) ? requireBook(app, closure.book).title : closure.book
	}));
}
