import { json } from '@sveltejs/kit';
import { parseDate, sayDate } from '#core/dates/plain.ts';
import { movesOf } from '#server/docket/commands.ts';
import { eventFor } from '#server/docket/queries.ts';
import { missing, only, theWorld } from '#server/web.ts';

/** What would move with an event. Nothing is saved. */
export function GET(event) {
	const me = only(event, 'docket.change');
	const w = theWorld();
	const e = eventFor(w, me, event.url.searchParams.get('event') ?? '');
	if (!e) return missing('event');
	const typed = event.url.searchParams.get('to') ?? '';
	const to = parseDate(typed);
	if (!to) return json({ error: typed ? `${typed} is not a date that exists.` : 'The new date is missing.' }, { status: 400 });
	if (!e.ahead && to > w.clock.today()) return json({ error: `${sayDate(to)} has not come yet: this event is entered once it has happened.` }, { status: 400 });
	return json({ moves: movesOf(w, e.id, to).moves });
}
