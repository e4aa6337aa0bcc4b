/** The count of one date, with its reasons. */
import { json } from '@sveltejs/kit';
import { findDeadlineCount } from '#server/docket/counts.ts';
import { notThere, requireAction } from '#server/http/request.ts';

export function GET(event) {
	const me = requireAction(event, 'docket.read');
	return json(findDeadlineCount(event.locals.app, me, event.params.id) ?? notThere('date'));
}
