import { shelf, stale, bookIn } from '#server/docket/books.ts';
import { bookYaml } from '#server/docket/bookshelf.ts';
import { saveBook } from '#server/docket/commands.ts';
import { answer, ctx, form, missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	only(event, 'docket.closure');
	const w = theWorld();
	if (!shelf(w).files.has(event.params.id)) return missing('rulebook');
	const b = bookIn(w, event.params.id);
	return { id: b.id, title: b.title, stale: stale(b, w.clock.today()), ...bookYaml(w, b.id)! };
}
export const actions = {
	save: async (event) => {
		const f = await form(event);
		return answer(
			saveBook(ctx(event), {
				yaml: f.text('yaml'),
				reason: f.text('reason'),
				base: f.text('base'),
				expect: event.params.id ?? null
			}),
			(v) => v
		);
	}
};
