import { openMatter } from '#server/matters/commands.ts';
import {
	columns,
	DEFAULT_COLUMNS,
	matterList,
	PAGE,
	readFilter,
	savedViews
} from '#server/matters/list.ts';
import { BULK, bulkChange, bulkPreview, dropView, saveView } from '#server/matters/listing.ts';
import { answer, ctx, fail, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'matter.read');
	const w = theWorld();
	const filter = readFilter(event.url.searchParams);
	const cols = columns(w);
	return {
		...matterList(w, me, filter),
		filter,
		per: PAGE,
		shown: (filter.cols ?? DEFAULT_COLUMNS).filter((c) => cols[c]),
		views: savedViews(w, me),
		bulk: BULK,
		columns: Object.entries(cols).map(([key, c]) => ({
			key,
			name: c.name,
			type: c.type,
			group: c.group === true,
			fact: key.startsWith('fact:')
		}))
	};
}

const facts = (v: unknown): Record<string, string> =>
	typeof v === 'object' && v !== null
		? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, String(x)]))
		: {};
const bulkOf = (f: { text(n: string): string; all(n: string): string[] }) => ({
	numbers: f.all('numbers'),
	what: f.text('what') as keyof typeof BULK,
	value: f.text('value'),
	reason: f.text('reason')
});
export const actions = {
	open: async (event) => {
		const f = await form(event);
		return answer(
			openMatter(ctx(event), {
				kind: f.text('kind'),
				title: f.text('title'),
				unitId: f.text('unitId'),
				responsibleId: f.text('responsibleId'),
				opponentId: f.maybe('opponentId'),
				opponentName: f.text('opponentName'),
				opponentKind: f.text('opponentKind') === 'person' ? 'person' : 'organization',
				rulebook: f.text('rulebook'),
				restricted: f.text('restricted'),
				priority: (f.text('priority') || 'normal') as 'normal',
				facts: facts(f.json('facts')),
				requestId: f.maybe('requestId')
			}),
			(m) => ({ number: m.number })
		);
	},
	view: async (event) => {
		const f = await form(event);
		return answer(
			saveView(ctx(event), {
				name: f.text('name'),
				query: f.text('query'),
				shared: f.text('shared')
			}),
			() => ({})
		);
	},
	dropView: async (event) => {
		const f = await form(event);
		return answer(dropView(ctx(event), { viewId: f.text('viewId') }), () => ({}));
	},
	preview: async (event) => {
		const b = bulkOf(await form(event));
		only(event, 'matter.edit');
		if (!(b.what in BULK)) return fail(400, { errors: { what: 'Choose what changes.' } });
		if (!b.value) return fail(400, { errors: { value: 'Choose the new value.' } });
		if (b.what === 'status' && !b.reason.trim())
			return fail(400, { errors: { reason: 'The reason is missing.' } });
		return { preview: bulkPreview(ctx(event), b.numbers, b) };
	},
	bulk: async (event) => answer(bulkChange(ctx(event), bulkOf(await form(event))), (r) => r)
};
