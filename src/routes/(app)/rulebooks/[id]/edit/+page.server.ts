/** A rulebook as it is written: a new version of it. */
import { saveBook } from '#server/docket/book-effects.ts';
import { actionValue } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findBookText } from '#server/rulebooks/queries.ts';
import { bookShape } from '#server/rulebooks/shape.ts';
import { requireBook, shelfOf, staleWarning } from '#server/rulebooks/shelf.ts';

export function load(event) {
	requireAction(event, 'docket.closure');
	const { app } = event.locals;
	const { id } = event.params;
	if (!shelfOf(app).files.has(id)) return notThere('rulebook');
	const text = findBookText(app, id);
	if (!text) return notThere('rulebook');
	const book = requireBook(app, id);
	const { extends: below = '', counts = '' } = shelfOf(app).files.get(id) ?? {};
	return {
		id,
		title: book.title,
		stale: staleWarning(book, app.clock.today()),
		shape: bookShape(app, { book: id, below, counts }),
		as: event.url.searchParams.get('as') === 'text' ? ('text' as const) : ('form' as const),
		event: event.url.searchParams.get('event') ?? '',
		rule: event.url.searchParams.get('rule') ?? '',
		...text
	};
}

export const actions = {
	save: actionValue(saveBook, { input: ({ params }) => ({ expect: params.id }) })
};
