/** Tags of rules: they are the book's, come onto its dates, and find them together. */
import type { Reader } from '#server/app/application.ts';
import { listBooks } from '#server/rulebooks/shelf.ts';

/** Every tag that some rule has, by name. */
export const listTags = (app: Reader): string[] =>
	[
		...new Set(
			listBooks(app).flatMap(({ events }) =>
				[...events.values()].flatMap(({ rules }) => rules.flatMap(({ tags }) => tags))
			)
		)
	].sort();

/** The rules that have a tag, as `book|event|rule`. */
export const listTagged = (app: Reader, tag: string): string[] =>
	listBooks(app).flatMap((book) =>
		[...book.events.values()].flatMap((event) =>
			event.rules
				.filter(({ tags }) => tags.includes(tag))
				.map(({ id }) => `${book.id}|${event.id}|${id}`)
		)
	);
