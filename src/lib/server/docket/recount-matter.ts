/**
 * Counts every date of a matter anew by its books, orders and closures as they are now: what
 * differs waits for a decision.
 */
import type { Context } from '#server/app/application.ts';
import { all, exists } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { bookOnMatter, shelfOf } from '#server/rulebooks/shelf.ts';
import { recordChanges } from './changes.ts';
import { findEffects, type Effect } from './effects.ts';

/** Whether somebody has left the date there already, with the same day before their eyes. */
const wasDecided = ({ db }: Context, { deadlineId, fresh }: Effect): boolean =>
	deadlineId !== null &&
	exists(
		db,
		'SELECT 1 FROM deadline WHERE id = @deadlineId AND left_by IS NOT NULL AND rule_gives IS @gives',
		{ deadlineId, gives: fresh?.date ?? null }
	);

/**
 * @param why what the changes are said to come from
 * @returns how many dates wait
 */
export function recountMatter(ctx: Context, matter: MatterRow, why: string): number {
	const books = all<{ book: string }>(
		ctx.db,
		"SELECT DISTINCT book FROM event WHERE matter_id = @id AND book <> '' AND withdrawn_at IS NULL",
		{ id: matter.id }
	).map(({ book }) => book);
	if (books.length === 0) return 0;
	const effects = findEffects(ctx, {
		books,
		matterId: matter.id,
		shelf: shelfOf(ctx),
		fresh: true
	}).filter((effect) => !wasDecided(ctx, effect));
	recordChanges(ctx, effects, {
		cause: 'book',
		why,
		version: (book) => bookOnMatter(ctx, matter.id, book).version
	});
	return effects.length;
}
