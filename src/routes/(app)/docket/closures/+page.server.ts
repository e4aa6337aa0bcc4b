/** Days on which a court is closed beside its holidays. */
import { addClosure, listClosures, removeClosure } from '#server/docket/closures.ts';
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { listBooks, requireBook, shelfOf } from '#server/rulebooks/shelf.ts';

export function load(event) {
	requireAction(event, 'docket.read');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const typed = params.get('year') ?? '';
	const year = Number(/^(19|20|21)\d\d$/.test(typed) ? typed : app.clock.today().slice(0, 4));
	const court = params.get('court') ?? '';
	const book = requireBook(app, shelfOf(app).files.has(court) ? court : 'us-federal');
	return {
		books: listBooks(app).map(({ id, title }) => ({ id, title })),
		book: book.id,
		year,
		title: book.title,
		closures: listClosures(app),
		holidays: book.calendar.holidaysOf(year)
	};
}

export const actions = { add: actionValue(addClosure), remove: actionValue(removeClosure) };
