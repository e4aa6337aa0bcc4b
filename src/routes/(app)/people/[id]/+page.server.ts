import { redirect } from '@sveltejs/kit';
import { editPerson } from '#server/people/commands.ts';
import { mergePeople, undoMerge } from '#server/people/merge.ts';
import { personCard } from '#server/people/queries.ts';
import { answer, ctx, form, missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'person.read');
	const p = personCard(theWorld(), me, event.params.id);
	if (!p) return missing('person');
	if ('mergedInto' in p) redirect(303, `/people/${p.mergedInto}`);
	return { person: p };
}
const record = (v: unknown): Record<string, string> =>
	typeof v === 'object' && v !== null
		? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, String(x)]))
		: {};
export const actions = {
	edit: async (event) => {
		const f = await form(event);
		return answer(
			editPerson(ctx(event), {
				personId: event.params.id,
				version: f.text('version'),
				base: record(f.json('base')),
				name: f.text('name'),
				kind: f.text('kind') as 'person',
				status: f.text('status') as 'active',
				parent: f.maybe('parent'),
				aliases: f.text('aliases'),
				former: f.text('former'),
				contacts: f.text('contacts'),
				categories: f.text('categories'),
				note: f.text('note')
			}),
			() => ({})
		);
	},
	merge: async (event) => {
		const f = await form(event);
		return answer(
			mergePeople(ctx(event), { keepId: event.params.id, goneId: f.text('goneId') }),
			(r) => r
		);
	},
	undo: async (event) => {
		const f = await form(event);
		return answer(undoMerge(ctx(event), { mergeId: f.text('mergeId') }), (r) => r);
	}
};
