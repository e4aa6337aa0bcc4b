import { rulebook } from '#server/docket/books.ts';
import { caption } from '#server/matters/queries.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'matter.read');
	const c = caption(theWorld(), me, event.params.number);
	if (!c) return missing('matter');
	const book = c.rulebook ? rulebook(c.rulebook) : null;
	return { caption: c, book: book ? { id: book.id, title: book.title, short: book.short, reviewed: book.reviewed } : null };
}
