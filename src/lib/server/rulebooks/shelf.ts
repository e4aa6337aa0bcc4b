/**
 * The rulebooks of the house: shipped ones on disk, the department's own versions in their place,
 * orders laid over them.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'yaml';
import {
	BookError,
	layerBooks,
	parseBook,
	type BookFile,
	type Rulebook
} from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { assetFolder } from '#server/app/assets.ts';
import { all, scalar } from '#server/db/sql.ts';
import type { Db } from '#server/db/open.ts';

type Has = Pick<Application, 'db'>;
/** A judge's order: rules in the schema of a book, as JSON. */
export type Order = { id: string; rules: string };

/** How many books with orders over them are kept layered. */
const LAID_LIMIT = 2_000;

/** A set of books that stand beside one another; each is layered once. */
export class Shelf {
	readonly files: ReadonlyMap<string, BookFile>;
	readonly #layered = new Map<string, Rulebook>();

	constructor(files: ReadonlyMap<string, BookFile>) {
		this.files = files;
	}

	ids(): string[] {
		return [...this.files.keys()].sort();
	}

	/** A rulebook with everything under it. @throws BookError where there is none of this name */
	book(id: string): Rulebook {
		let book = this.#layered.get(id);
		if (!book) {
			book = layerBooks(this.files, id);
			this.#layered.set(id, book);
		}
		return book;
	}

	/**
	 * A book with the orders of one matter laid over it, the oldest first; it keeps the book's own
	 * id.
	 */
	laid(id: string, orders: readonly Order[]): Rulebook {
		if (orders.length === 0) return this.book(id);
		const key = `${id} ${orders.map((order) => order.id).join(' ')}`;
		let book = this.#layered.get(key);
		if (!book) {
			if (this.#layered.size > LAID_LIMIT) this.#layered.clear();
			book = this.#lay(id, orders);
			this.#layered.set(key, book);
		}
		return book;
	}

	#lay(id: string, orders: readonly Order[]): Rulebook {
		const files = new Map(this.files);
		let below = id;
		for (const order of orders) {
			const file = parseBook({ ...(JSON.parse(order.rules) as object), extends: below });
			files.set(file.book, file);
			below = file.book;
		}
		const { title, sort, reviewed } = this.book(id);
		return { ...layerBooks(files, below), id, title, sort, reviewed };
	}

	/** The same shelf with one book put in or put in another's place. */
	with(file: BookFile): Shelf {
		return new Shelf(new Map(this.files).set(file.book, file));
	}

	/**
	 * Every book that counts by this one: itself, those laid over it, and those with a rule counted
	 * as it counts.
	 */
	using(id: string): string[] {
		return this.ids().filter((other) => {
			const { layers, others } = this.book(other);
			return layers.includes(id) || [...others.values()].some((by) => by.layers.includes(id));
		});
	}
}

const yamlFiles = (folder: string) =>
	readdirSync(folder)
		.filter((name) => name.endsWith('.yaml'))
		.sort();

let fromDisk: Shelf | undefined;
/** The books as they are shipped. */
export function shippedShelf(): Shelf {
	if (fromDisk) return fromDisk;
	const files = new Map<string, BookFile>();
	const folder = assetFolder('rulebooks');
	for (const name of yamlFiles(folder)) {
		const file = parseBook(parse(readFileSync(join(folder, name), 'utf8')));
		if (`${file.book}.yaml` !== name) throw new BookError(`${name} says it is "${file.book}"`);
		files.set(file.book, file);
	}
	fromDisk = new Shelf(files);
	return fromDisk;
}

/** The shipped file of a book, as text. */
export const shippedYaml = (id: string): string =>
	readFileSync(join(assetFolder('rulebooks'), `${id}.yaml`), 'utf8');

const shelves = new WeakMap<Db, { versions: number; shelf: Shelf }>();
/** The books of the house: the shipped ones, with the department's last versions in their place. */
export function shelfOf({ db }: Has): Shelf {
	const versions = scalar(db, 'SELECT count(*) FROM book_version');
	if (versions === 0) return shippedShelf();
	const known = shelves.get(db);
	if (known?.versions === versions) return known.shelf;
	const files = new Map(shippedShelf().files);
	const own = all<{ book: string; yaml: string }>(
		db,
		`SELECT book, yaml
		FROM book_version v
		WHERE n = (SELECT max(n) FROM book_version x WHERE x.book = v.book)`
	);
	for (const { book, yaml } of own) files.set(book, parseBook(parse(yaml)));
	const shelf = new Shelf(files);
	shelves.set(db, { versions, shelf });
	return shelf;
}

/**
 * A shipped rulebook with everything under it. @throws BookError where there is none of this name
 */
export const shippedBook = (id: string): Rulebook => shippedShelf().book(id);

/** A rulebook of the house. @throws BookError where there is none of this name */
export const requireBook = (app: Has, id: string): Rulebook => shelfOf(app).book(id);

/** All books of the house, by id. */
export function listBooks(app: Has): Rulebook[] {
	const shelf = shelfOf(app);
	return shelf.ids().map((id) => shelf.book(id));
}

/** The orders over a book on a matter that hold, the oldest first. */
export const listOrdersOver = ({ db }: Has, matterId: string, book: string): Order[] =>
	all<Order>(
		db,
		`SELECT id, rules
		FROM matter_order
		WHERE matter_id = @matterId AND book = @book AND ended_at IS NULL
		ORDER BY dated, id`,
		{ matterId, book }
	);

/** A book as it holds on one matter, with its orders laid over it. */
export const bookOnMatter = (app: Has, matterId: string, book: string): Rulebook =>
	shelfOf(app).laid(book, listOrdersOver(app, matterId, book));

/** The books of a matter: its court's, and those beside it. */
export function listMatterBooks(
	app: Has,
	matter: { id: string; rulebook: string | null }
): Rulebook[] {
	const beside = all<{ book: string }>(
		app.db,
		'SELECT book FROM matter_book WHERE matter_id = @matterId ORDER BY book',
		{ matterId: matter.id }
	);
	const ids = [matter.rulebook, ...beside.map(({ book }) => book)];
	return [...new Set(ids)]
		.filter((book) => book !== null)
		.map((book) => bookOnMatter(app, matter.id, book));
}

/** A book not reviewed for a year, in words; null where its review is younger. */
export function staleWarning(book: { reviewed: string }, today: string): string | null {
	const { reviewed } = book;
	const due = `${Number(reviewed.slice(0, 4)) + 1}${reviewed.slice(4)}`;
	if (due > today) return null;
	return `Last reviewed on ${reviewed}, more than a year ago: check it against the current rules.`;
}
