import { json } from '@sveltejs/kit';
import { caption, logbook } from '#server/matters/queries.ts';
import { missing, only, theWorld } from '#server/web.ts';

/** The next page of the logbook, after an entry. */
export function GET(event) {
	const me = only(event, 'matter.read');
	const c = caption(theWorld(), me, event.params.number);
	if (!c) return missing('matter');
	const p = event.url.searchParams;
	return json(
		logbook(
			theWorld(),
			me,
			c.id,
			Object.fromEntries(
				['kind', 'q', 'person', 'tag', 'show', 'before'].flatMap((k) =>
					p.get(k) ? [[k, p.get(k)!.slice(0, 200)]] : []
				)
			)
		)
	);
}
