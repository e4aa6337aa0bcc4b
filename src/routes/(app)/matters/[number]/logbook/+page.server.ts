import { logbook, logPeople, logTags, type LogFilter } from '#server/matters/queries.ts';
import { writeNote } from '#server/matters/commands.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	const me = only(event, 'matter.read');
	const { caption } = await event.parent();
	const p = event.url.searchParams;
	const filter: LogFilter = Object.fromEntries(
		['kind', 'q', 'person', 'tag', 'show'].flatMap((k) =>
			p.get(k) ? [[k, p.get(k)!.slice(0, 200)]] : []
		)
	);
	const w = theWorld();
	return {
		...logbook(w, me, caption.id, filter),
		filter,
		tags: logTags(w, caption.id),
		people: logPeople(w, caption.id)
	};
}
export const actions = {
	note: async (event) => {
		const f = await form(event);
		return answer(
			writeNote(ctx(event), {
				matterId: f.text('matterId'),
				words: f.text('words'),
				asks: f.text('asks'),
				answers: f.maybe('answers')
			}),
			() => ({})
		);
	}
};
