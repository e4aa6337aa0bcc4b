/** The authority of one date. */
import { error } from '@sveltejs/kit';
import { findAuthority } from '#server/docket/authority.ts';
import { requireAction } from '#server/http/request.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const found = findAuthority(event.locals.app, me, event.params.id);
	if (!found) error(404, 'That date is not there.');
	return { authority: found };
}
