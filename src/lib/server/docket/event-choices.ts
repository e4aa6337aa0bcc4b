/**
 * What can be entered on a matter: the events of its books, with their questions and ways of
 * service; and the books themselves.
 */
import { capitalize } from '#core/format/words.ts';
import { needsTime, type Rulebook } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import type { Application } from '#server/app/application.ts';
import { listBooks, listMatterBooks } from '#server/rulebooks/shelf.ts';

type OnMatter = { id: string; rulebook: string | null };
type BookEvent = Rulebook['events'] extends ReadonlyMap<string, infer Event> ? Event : never;

const viewEvent = (book: Rulebook, event: BookEvent) => ({
	/** As the command takes it. */
	id: `${book.id}|${event.id}`,
	key: event.id,
	book: book.id,
	bookShort: book.short,
	text: capitalize(event.text),
	served: event.served,
	ahead: event.ahead,
	/** Whether the time of day matters to a count. */
	timed:
		needsTime(event) ||
		(event.served && book.method.deemed !== undefined && event.deemedBy === null),
	hint: event.hint,
	questions: event.questions,
	rules: event.rules.map(({ id, title }) => ({ id, title }))
});

/** The events of a matter's books that set a date, and the ways of service by book. */
export function listEventChoices(app: Application, matter: OnMatter) {
	const books = listMatterBooks(app, matter);
	return {
		choices: books.flatMap((book) =>
			[...book.events.values()]
				.filter(({ rules }) => rules.length)
				.map((event) => viewEvent(book, event))
		),
		services: Object.fromEntries(books.map((book) => [book.id, serviceKinds(book.method)]))
	};
}

/** The books a matter stands under, and those that may be added. */
export function listMatterBookChoices(app: Application, matter: OnMatter) {
	const books = listMatterBooks(app, matter);
	const taken = new Set(books.map(({ id }) => id));
	return {
		matterBooks: books.map(({ id, title, short, reviewed }) => ({
			id,
			title,
			short,
			reviewed,
			main: id === matter.rulebook
		})),
		otherBooks: listBooks(app)
			.filter(({ id, events }) => events.size > 0 && !taken.has(id))
			.map(({ id, title }) => ({ id, title }))
	};
}
