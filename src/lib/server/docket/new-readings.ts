/**
 * Shipped books follow a reading of the law and say which, by their version. Where a house meets a
 * newer one, its dates are counted by it: what would differ waits for a decision.
 */
import type { Rulebook } from '#core/rulebooks/book.ts';
import type { Application, Context } from '#server/app/application.ts';
import type { JobReport } from '#server/app/job.ts';
import { openRecord } from '#server/app/record.ts';
import { all, exists, run } from '#server/db/sql.ts';
import { shelfOf, type Shelf } from '#server/rulebooks/shelf.ts';
import { recordChanges } from './changes.ts';
import { effectsNow, type EffectsQuery } from './effects-query.ts';
import type { CountedBookRow } from './rows.ts';
import { effectsTask } from './tasks.ts';

/** Takes note that every date of these books was counted by the books as they are. */
export function markCounted(app: Application, books: readonly string[]): void {
	const shelf = shelfOf(app);
	for (const book of books)
		run(
			app.db,
			`INSERT INTO counted_book (book, version, counted_at)
			VALUES (@book, @version, @now)
			ON CONFLICT (book) DO UPDATE SET version = @version, counted_at = @now`,
			{ book, version: shelf.book(book).version, now: app.clock.now() }
		);
}

/** A house without an event has nothing to count: its books are as they should be. */
export function markNewHouse(app: Application): void {
	if (!exists(app.db, 'SELECT 1 FROM event')) markCounted(app, shelfOf(app).ids());
}

type NewReading = {
	book: Rulebook;
	/** The version by which its dates were counted; empty where that was not noted yet. */
	was: string;
};

function listNewReadings(app: Application, shelf: Shelf): NewReading[] {
	const counted = new Map(
		all<CountedBookRow>(app.db, 'SELECT * FROM counted_book').map(({ book, version }) => [
			book,
			version
		])
	);
	return shelf.ids().flatMap((id) => {
		const book = shelf.book(id);
		const was = counted.get(id) ?? '';
		return was === book.version ? [] : [{ book, was }];
	});
}

/** What changed in the layers of a book since, in the words of each. */
function describeReading({ book, was }: NewReading): string {
	const before = new Set(was.split('+'));
	const changed = book.changes
		.filter(({ version }) => !before.has(version))
		.map(({ text }) => text);
	const head = `${book.title}, version ${book.version}`;
	return changed.length ? `${head}: ${changed.join(' ').replace(/\.$/, '')}` : head;
}

/** Counts every date of the books that are read anew, once for each new version. */
export async function countNewReadings(app: Application): Promise<JobReport> {
	const readings = listNewReadings(app, shelfOf(app));
	if (readings.length === 0) return { worked: 0, failed: [] };
	const books = readings.map(({ book }) => book.id);
	const query: EffectsQuery = { of: 'books', books };
	const counted = await app.work.run(effectsTask, query);
	const ctx: Context = { ...app, actor: { guest: 'rulebooks' } };
	const reasons = new Map(
		readings.map((reading) => [
			reading.book.id,
			{ why: describeReading(reading), version: reading.book.version }
		])
	);
	const worked = app.db
		.transaction(() => {
			const effects = effectsNow(ctx, query, counted);
			const { record, close } = openRecord(ctx, 'read rulebooks anew');
			record.audit({
				books: readings.map(({ book, was }) => ({ book: book.id, was, version: book.version })),
				affects: effects.length
			});
			for (const [book, reason] of reasons)
				recordChanges(
					ctx,
					effects.filter((effect) => effect.book === book),
					{ cause: 'book', ...reason }
				);
			markCounted(ctx, books);
			close();
			return effects.length;
		})
		.immediate();
	return { worked, failed: [] };
}
