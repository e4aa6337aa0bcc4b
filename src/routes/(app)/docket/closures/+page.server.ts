import { parseDate } from '#core/dates/plain.ts';
import { addClosure, dropClosure } from '#server/docket/commands.ts';
import { closureEffects, sayEffects } from '#server/docket/changes.ts';
import { closureList } from '#server/docket/queries.ts';
import { bookIn, booksIn, shelf } from '#server/docket/books.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	only(event, 'docket.read');
	const w = theWorld();
	const today = w.clock.today();
	const year = /^(19|20|21)\d\d$/.test(event.url.searchParams.get('year') ?? '')
		? Number(event.url.searchParams.get('year'))
		: Number(today.slice(0, 4));
	const book = shelf(w).files.has(event.url.searchParams.get('court') ?? '')
		? event.url.searchParams.get('court')!
		: 'us-federal';
	const b = bookIn(w, book);
	return {
		books: booksIn(w).map((x) => ({ id: x.id, title: x.title })),
		book,
		year,
		title: b.title,
		closures: closureList(w),
		holidays: b.calendar.holidaysOf(year)
	};
}
export const actions = {
	preview: async (event) => {
		const me = only(event, 'docket.closure');
		const f = await form(event);
		const w = theWorld();
		const date = parseDate(f.text('date'));
		if (!date || !shelf(w).files.has(f.text('book'))) return { effects: [], total: 0 };
		const all = closureEffects(w, {
			book: f.text('book'),
			date,
			kind: f.text('kind') === 'office' ? 'office' : 'holiday',
			name: f.text('name') || 'closure'
		});
		const seen = sayEffects(w, me, all);
		return { effects: seen.slice(0, 300), total: seen.length };
	},
	add: async (event) => {
		const f = await form(event);
		return answer(
			addClosure(ctx(event), {
				book: f.text('book'),
				date: f.text('date'),
				kind: f.text('kind') as 'holiday',
				name: f.text('name')
			}),
			(v) => v
		);
	},
	drop: async (event) => {
		const f = await form(event);
		return answer(
			dropClosure(ctx(event), { closureId: f.text('closureId'), reason: f.text('reason') }),
			(v) => v
		);
	}
};
