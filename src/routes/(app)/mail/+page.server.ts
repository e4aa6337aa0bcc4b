/** The Post room: mail that the demo would have sent. */
import { pageOf, requireAction } from '#server/http/request.ts';
import { listPost, POST_PAGE } from '#server/mail/queries.ts';

export function load(event) {
	const me = requireAction(event, 'post.read');
	const params = event.url.searchParams;
	const q = params.get('q') ?? '';
	return { ...listPost(event.locals.app, me, { q, page: pageOf(params) }), q, per: POST_PAGE };
}
