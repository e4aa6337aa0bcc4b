import { LOG_PAGE, logbook } from '#server/matters/queries.ts';
import { writeNote } from '#server/matters/commands.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	only(event, 'matter.read');
	const { caption } = await event.parent();
	const p = event.url.searchParams;
	const f = { kind: p.get('kind') ?? '', q: p.get('q') ?? '', page: Math.max(1, Number(p.get('page')) || 1) };
	return { ...logbook(theWorld(), caption.id, f), filter: f, per: LOG_PAGE };
}
export const actions = {
	note: async (event) => {
		const f = await form(event);
		return answer(writeNote(ctx(event), { matterId: f.text('matterId'), words: f.text('words') }), () => ({}));
	}
};
