import {
	addExhibit,
	addWitness,
	changeExhibit,
	changeWitness,
	dropExhibit,
	trial
} from '#server/matters/trial.ts';
import { peopleOf } from '#server/people/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	only(event, 'matter.read');
	const { caption } = await event.parent();
	const w = theWorld();
	return { trial: trial(w, caption.id), people: peopleOf(w, caption.id) };
}
export const actions = {
	exhibit: async (event) => {
		const f = await form(event);
		return answer(
			addExhibit(ctx(event), {
				matterId: f.text('matterId'),
				title: f.text('title'),
				side: f.text('side') as 'ours',
				number: f.text('number'),
				documentId: f.maybe('documentId')
			}),
			(r) => r
		);
	},
	rule: async (event) => {
		const f = await form(event);
		return answer(
			changeExhibit(ctx(event), {
				exhibitId: f.text('exhibitId'),
				offered: f.maybe('offered'),
				ruling: f.text('ruling') as '',
				ruledOn: f.maybe('ruledOn')
			}),
			() => ({})
		);
	},
	drop: async (event) => {
		const f = await form(event);
		return answer(dropExhibit(ctx(event), { exhibitId: f.text('exhibitId') }), () => ({}));
	},
	witness: async (event) => {
		const f = await form(event);
		return answer(
			addWitness(ctx(event), {
				matterId: f.text('matterId'),
				personId: f.text('personId'),
				side: f.text('side') as 'ours',
				about: f.text('about'),
				minutes: f.maybe('minutes')
			}),
			() => ({})
		);
	},
	order: async (event) => {
		const f = await form(event);
		return answer(
			changeWitness(ctx(event), {
				witnessId: f.text('witnessId'),
				move: f.text('move') as '',
				heard: f.maybe('heard'),
				unheard: f.text('unheard'),
				remove: f.text('remove')
			}),
			() => ({})
		);
	}
};
