/**
 * What a new version of a book, a closure, or the end of one would change in the whole house. A
 * house has hundreds of thousands of dates: it is counted in a worker.
 */
import type { BookFile } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { scalar } from '#server/db/sql.ts';
import { shelfOf } from '#server/rulebooks/shelf.ts';
import { findEffects, type Effect } from './effects.ts';
import type { ClosureRow } from './rows.ts';

type Has = Pick<Application, 'db'>;
export type EffectsQuery =
	| { of: 'book'; file: BookFile }
	/** These books as they are now, against dates that were counted by an earlier version. */
	| { of: 'books'; books: string[] }
	| { of: 'closures'; closures: Omit<ClosureRow, 'id'>[]; everything?: boolean }
	| { of: 'no closure'; closure: ClosureRow };

export type Effects = {
	effects: Effect[];
	/** The last entry of the audit trail that changed anything when they were counted. */
	asOf: number | null;
};

/** Entries that changed no row, such as a file that was taken away, change no effect either. */
const lastEntry = ({ db }: Has): number | null =>
	scalar(db, 'SELECT (SELECT max(seq) FROM audit WHERE changes IS NOT NULL)');

export function findEffectsOf(app: Has, query: EffectsQuery): Effects {
	const asOf = lastEntry(app);
	return { asOf, effects: countEffects(app, query).map(plain) };
}

/** With its trace worked out, as plain values: it leaves the worker. */
function plain(effect: Effect): Effect {
	if (!effect.fresh) return effect;
	const { rule, title, authority, act, date, time, suggested, book, owner, trace } = effect.fresh;
	const fresh = { rule, title, authority, act, date, time, suggested, book, owner, trace };
	return { ...effect, fresh };
}

function countEffects(app: Has, query: EffectsQuery): Effect[] {
	const shelf = shelfOf(app);
	if (query.of === 'book') {
		const altered = shelf.with(query.file);
		return findEffects(app, {
			books: altered.using(query.file.book),
			shelf: altered,
			fresh: true
		});
	}
	if (query.of === 'books') return findEffects(app, { books: query.books, shelf, fresh: true });
	if (query.of === 'closures') {
		const { closures, everything = false } = query;
		const books = [...new Set(closures.flatMap(({ book }) => shelf.using(book)))];
		return findEffects(app, { books, shelf, closures, fresh: false, everything });
	}
	const books = shelf.using(query.closure.book);
	return findEffects(app, { books, shelf, without: query.closure, fresh: false });
}

/**
 * Effects that were counted before the transaction began: counted again where anything has changed
 * since.
 */
export const effectsNow = (app: Has, query: EffectsQuery, counted: Effects): Effect[] =>
	counted.asOf === lastEntry(app) ? counted.effects : countEffects(app, query);
