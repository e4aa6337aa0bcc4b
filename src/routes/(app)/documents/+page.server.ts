/** The department's documents, found by their words. */
import { DOCUMENT_PAGE, listDocuments } from '#server/documents/queries.ts';
import { pageOf, requireAction } from '#server/http/request.ts';

export function load(event) {
	const me = requireAction(event, 'document.read');
	const params = event.url.searchParams;
	const q = params.get('q') ?? '';
	return {
		...listDocuments(event.locals.app, me, { q, page: pageOf(params) }),
		q,
		per: DOCUMENT_PAGE
	};
}
