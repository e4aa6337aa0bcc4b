import { addPerson } from '#server/people/commands.ts';
import { importCards } from '#server/people/cards.ts';
import {
	categories,
	nearNames,
	peopleList,
	PEOPLE_PAGE,
	rolesInUse,
	type PeopleFilter
} from '#server/people/queries.ts';
import { answer, ctx, fail, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'person.read');
	const w = theWorld(),
		p = event.url.searchParams;
	const filter: PeopleFilter = {
		...Object.fromEntries(
			['q', 'kind', 'category', 'status', 'role'].flatMap((k) =>
				p.get(k) ? [[k, p.get(k)!.slice(0, 200)]] : []
			)
		),
		page: Math.max(1, Math.floor(Number(p.get('page'))) || 1)
	};
	return {
		...peopleList(w, me, filter),
		filter,
		per: PEOPLE_PAGE,
		categories: categories(w, me),
		roles: rolesInUse(w, me)
	};
}
export const actions = {
	add: async (event) => {
		const f = await form(event);
		const me = only(event, 'person.edit');
		const name = f.text('name');
		// Near names are shown once before a second card is made.
		if (f.text('sure') !== '1') {
			const near = nearNames(theWorld(), me, name, 78);
			if (near.length) return fail(400, { errors: { near: JSON.stringify(near) } });
		}
		return answer(
			addPerson(ctx(event), {
				kind: f.text('kind') === 'person' ? 'person' : 'organization',
				name,
				email: f.text('email'),
				phone: f.text('phone'),
				note: f.text('note'),
				formerNames: f.text('former'),
				twin: f.text('sure') === '1'
			}),
			(r) => r
		);
	},
	vcard: async (event) => {
		const f = await form(event);
		const file = f.file('file');
		if (!file) return fail(400, { errors: { file: 'Choose a vCard file.' } });
		if (file.size > 20_000_000)
			return fail(400, { errors: { file: 'That is too large: at most 20 MB.' } });
		return answer(importCards(ctx(event), { text: await file.text() }), (r) => r);
	}
};
