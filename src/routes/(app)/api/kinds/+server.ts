/** The kinds a new matter can be of, with the facts each asks: for the drawer that opens one. */
import { json } from '@sveltejs/kit';
import { requireAction } from '#server/http/request.ts';
import { listKinds } from '#server/kinds/queries.ts';

export function GET(event) {
	requireAction(event, 'matter.open');
	return json(listKinds(event.locals.app).filter(({ active }) => active));
}
