import { bookFor } from '#server/docket/books.ts';
import { kindOf } from '#server/matters/kinds.ts';
import { caption } from '#server/matters/queries.ts';
import { seenMatter } from '#server/matters/seen.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'matter.read');
	const w = theWorld();
	const c = caption(w, me, event.params.number);
	if (!c) return missing('matter');
	seenMatter(w, me, c.id);
	const book = c.rulebook ? bookFor(w, c.id, c.rulebook) : null;
	const { version: _, active: __, ...kind } = kindOf(w, c.kind);
	return {
		caption: c,
		kind,
		book: book
			? { id: book.id, title: book.title, short: book.short, reviewed: book.reviewed }
			: null
	};
}
