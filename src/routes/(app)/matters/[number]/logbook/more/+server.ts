/** The next page of the logbook, after an entry. */
import { json } from '@sveltejs/kit';
import { findMatter } from '#server/access/visibility.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { listLogbook, parseLogFilter } from '#server/logbook/queries.ts';

export function GET(event) {
	const me = requireAction(event, 'matter.read');
	const { app } = event.locals;
	const matter = findMatter(app.db, me, { number: event.params.number });
	if (!matter) return notThere('matter');
	return json(listLogbook(app, me, matter.id, parseLogFilter(event.url.searchParams)));
}
