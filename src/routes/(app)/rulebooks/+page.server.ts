/** The rulebooks, shipped ones and the department's own. */
import { may } from '#core/access/table.ts';
import { requireAction } from '#server/http/request.ts';
import { listBookViews } from '#server/rulebooks/queries.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	return { books: listBookViews(event.locals.app), mayWrite: may(me.role, 'docket.closure') };
}
