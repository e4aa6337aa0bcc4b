/**
 * The rulebooks that ship, for the tests of core: read from their folder, without anything above
 * core.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { parse } from 'yaml';
import { layerBooks, parseBook, type BookFile, type Rulebook } from '../rulebooks/book.ts';

const FOLDER = new URL('../../rulebooks/', import.meta.url);

function readFiles(): Map<string, BookFile> {
	const files = readdirSync(FOLDER).filter((name) => name.endsWith('.yaml'));
	return new Map(
		files.sort().map((name) => {
			const file = parseBook(parse(readFileSync(new URL(name, FOLDER), 'utf8')));
			return [file.book, file];
		})
	);
}

const files = readFiles();
const layered = new Map<string, Rulebook>();

/** A shipped rulebook with everything under it. */
export function shippedBook(id: string): Rulebook {
	let book = layered.get(id);
	if (!book) layered.set(id, (book = layerBooks(files, id)));
	return book;
}

/** All shipped books, by id. */
export const listShippedBooks = (): Rulebook[] => [...files.keys()].map(shippedBook);
