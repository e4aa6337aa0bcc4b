/** The rulebooks on disk, read and layered once. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'yaml';
import { BookError, layer, readBook, type BookFile, type Rulebook } from '#core/docket/book.ts';

let files: Map<string, BookFile> | undefined;
const layered = new Map<string, Rulebook>();

/** The folder of the books: beside the program, or where KITE_HOME says. */
export const booksFolder = () => join(process.env.KITE_HOME ?? process.cwd(), 'rulebooks');

function bookFiles(): Map<string, BookFile> {
	if (files) return files;
	files = new Map();
	const folder = booksFolder();
	for (const name of readdirSync(folder).filter((n) => n.endsWith('.yaml')).sort()) {
		const file = readBook(parse(readFileSync(join(folder, name), 'utf8')));
		if (`${file.book}.yaml` !== name) throw new BookError(`${name} says it is "${file.book}"`);
		files.set(file.book, file);
	}
	return files;
}

/** The file of one book, not layered. */
export const bookFile = (id: string): BookFile | undefined => bookFiles().get(id);

/** A rulebook with everything under it. Throws BookError where there is none of this name. */
export function rulebook(id: string): Rulebook {
	let book = layered.get(id);
	if (!book) layered.set(id, (book = layer(bookFiles(), id)));
	return book;
}

/** All books, by id. */
export const rulebooks = (): Rulebook[] => [...bookFiles().keys()].sort().map(rulebook);
