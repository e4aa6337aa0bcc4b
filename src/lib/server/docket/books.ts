/** The rulebooks: shipped ones on disk, the department's own versions over them, and the orders laid over one matter's rules. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'yaml';
import { BookError, layer, readBook, type BookFile, type Rulebook } from '#core/docket/book.ts';
import type { Db } from '../db/open.ts';
import { statement } from '../db/statement.ts';

/** The folder of the books: beside the program, or where KITE_HOME says. */
export const booksFolder = () => join(process.env.KITE_HOME ?? process.cwd(), 'rulebooks');

type Order = { id: string; rules: string };

/** A set of books that stand beside one another; each is layered once. */
export class Shelf {
	readonly files: ReadonlyMap<string, BookFile>;
	readonly #layered = new Map<string, Rulebook>();
	constructor(files: ReadonlyMap<string, BookFile>) {
		this.files = files;
	}
	ids = (): string[] => [...this.files.keys()].sort();
	/** A rulebook with everything under it. Throws BookError where there is none of this name. */
	book(id: string): Rulebook {
		let book = this.#layered.get(id);
		if (!book) this.#layered.set(id, (book = layer(this.files, id)));
		return book;
	}
	/** A book with the orders of one matter laid over it, the oldest first; it keeps the book's own id. */
	laid(id: string, orders: readonly Order[]): Rulebook {
		if (orders.length === 0) return this.book(id);
		const key = `${id} ${orders.map((o) => o.id).join(' ')}`;
		let book = this.#layered.get(key);
		if (!book) {
			if (this.#layered.size > 2_000) this.#layered.clear();
			const files = new Map(this.files);
			let below = id;
			for (const o of orders) {
				const file = readBook({ ...(JSON.parse(o.rules) as object), extends: below });
				files.set(file.book, file);
				below = file.book;
			}
			book = {
				...layer(files, below),
				id,
				title: this.book(id).title,
				sort: this.book(id).sort,
				reviewed: this.book(id).reviewed
			};
			this.#layered.set(key, book);
		}
		return book;
	}
	/** The same shelf with one book put in or put in another's place. */
	with(file: BookFile): Shelf {
		return new Shelf(new Map(this.files).set(file.book, file));
	}
	/** Every book that counts by this one: itself, those laid over it, and those with a rule counted as it counts. */
	using(id: string): string[] {
		return this.ids().filter((x) => {
			const b = this.book(x);
			return b.layers.includes(id) || [...b.others.values()].some((o) => o.layers.includes(id));
		});
	}
}

let fromDisk: Shelf | undefined;
/** The books as they are shipped. */
export function shipped(): Shelf {
	if (fromDisk) return fromDisk;
	const files = new Map<string, BookFile>();
	const folder = booksFolder();
	for (const name of readdirSync(folder)
		.filter((n) => n.endsWith('.yaml'))
		.sort()) {
		const file = readBook(parse(readFileSync(join(folder, name), 'utf8')));
		if (`${file.book}.yaml` !== name) throw new BookError(`${name} says it is "${file.book}"`);
		files.set(file.book, file);
	}
	return (fromDisk = new Shelf(files));
}
/** The shipped file of a book, as text. */
export const shippedYaml = (id: string): string =>
	readFileSync(join(booksFolder(), `${id}.yaml`), 'utf8');

const shelves = new WeakMap<Db, { versions: number; shelf: Shelf }>();
/** The books of a house: the shipped ones, with the department's own versions in their place. */
export function shelf(w: { db: Db }): Shelf {
	const versions = statement<{ n: number }>(w.db, 'SELECT count(*) AS n FROM book_version').get()!
		.n;
	if (versions === 0) return shipped();
	const known = shelves.get(w.db);
	if (known?.versions === versions) return known.shelf;
	const files = new Map(shipped().files);
	for (const r of w.db
		.prepare<[], { book: string; yaml: string }>(
			'SELECT book, yaml FROM book_version v WHERE n = (SELECT max(n) FROM book_version x WHERE x.book = v.book)'
		)
		.all())
		files.set(r.book, readBook(parse(r.yaml)));
	const made = { versions, shelf: new Shelf(files) };
	shelves.set(w.db, made);
	return made.shelf;
}

/** A shipped rulebook with everything under it. Throws BookError where there is none of this name. */
export const rulebook = (id: string): Rulebook => shipped().book(id);
/** All shipped books, by id. */
export const rulebooks = (): Rulebook[] => shipped().ids().map(rulebook);
/** A rulebook of this house. */
export const bookIn = (w: { db: Db }, id: string): Rulebook => shelf(w).book(id);
/** All books of this house, by id. */
export const booksIn = (w: { db: Db }): Rulebook[] =>
	shelf(w)
		.ids()
		.map((id) => shelf(w).book(id));

export const ordersOver = (db: Db, matterId: string, book: string): Order[] =>
	statement<Order>(
		db,
		'SELECT id, rules FROM matter_order WHERE matter_id = @matterId AND book = @book AND ended_at IS NULL ORDER BY dated, id'
	).all({ matterId, book });
/** A book as it holds on one matter, with its orders laid over it. */
export const bookFor = (
	w: { db: Db },
	matterId: string,
	book: string,
	on: Shelf = shelf(w)
): Rulebook => on.laid(book, ordersOver(w.db, matterId, book));
/** The books of a matter: its court's, and those beside it. */
export function booksOf(w: { db: Db }, m: { id: string; rulebook: string | null }): Rulebook[] {
	const beside = w.db
		.prepare<[string], { book: string }>(
			'SELECT book FROM matter_book WHERE matter_id = ? ORDER BY book'
		)
		.all(m.id)
		.map((r) => r.book);
	return [...new Set([...(m.rulebook ? [m.rulebook] : []), ...beside])].map((id) =>
		bookFor(w, m.id, id)
	);
}

/** A book not reviewed for a year, in words; null where its review is younger. */
export function stale(book: { reviewed: string }, today: string): string | null {
	const due = `${Number(book.reviewed.slice(0, 4)) + 1}${book.reviewed.slice(4)}`;
	return due <= today
		? `Last reviewed on ${book.reviewed}, more than a year ago: check it against the current rules.`
		: null;
}
