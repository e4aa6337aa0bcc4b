import { may } from '#core/access/table.ts';
import { bookList } from '#server/docket/bookshelf.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	return { books: bookList(theWorld()), mayWrite: may(me.role, 'docket.closure') };
}
