import { documents, DOCUMENT_PAGE } from '#server/documents/queries.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'document.read');
	const p = event.url.searchParams;
	const q = p.get('q') ?? '';
	return {
		...documents(theWorld(), me, { q, page: Math.max(1, Number(p.get('page')) || 1) }),
		q,
		per: DOCUMENT_PAGE
	};
}
