/** A calendar by its secret address; no account is needed, and a revoked address says so. */
import { error } from '@sveltejs/kit';
import { readFeed } from '#server/docket/feeds.ts';

export async function GET({ params, locals }) {
	const found = await readFeed(locals.app, params.token);
	if (!found) error(404, 'There is no calendar at this address.');
	if ('revoked' in found)
		error(410, 'This calendar address was revoked. Ask the department for a new one.');
	return new Response(found.ics, {
		headers: {
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': 'inline; filename="docket.ics"',
			'x-content-type-options': 'nosniff'
		}
	});
}
