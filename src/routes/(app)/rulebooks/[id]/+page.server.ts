/** One rulebook in words: its events, its rules, how it counts, its versions. */
import { may } from '#core/access/table.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { describeBook, describeEvents } from '#server/rulebooks/describe.ts';
import { listBookVersions } from '#server/rulebooks/queries.ts';
import { requireBook, shelfOf } from '#server/rulebooks/shelf.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const { id } = event.params;
	if (!shelfOf(app).files.has(id)) return notThere('rulebook');
	const book = requireBook(app, id);
	const q = (event.url.searchParams.get('q') ?? '').trim().slice(0, 100);
	return {
		book: describeBook(book, app.clock.today()),
		events: describeEvents(book, q),
		versions: listBookVersions(app, id),
		q,
		mayWrite: may(me.role, 'docket.closure')
	};
}
