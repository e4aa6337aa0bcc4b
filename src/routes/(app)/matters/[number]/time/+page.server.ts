import { logTime, startTimer } from '#server/time/commands.ts';
import { activities, matterEntries } from '#server/time/queries.ts';
import { allocatedTo } from '#server/costs/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export async function load(event) {
	only(event, 'matter.read');
	const { caption } = await event.parent();
	const w = theWorld();
	return {
		entries: matterEntries(w, caption.id),
		activities: activities(w).filter((a) => a.matter_work === 1),
		allocated: allocatedTo(w, caption.id)
	};
}
export const actions = {
	log: async (event) => {
		const f = await form(event);
		return answer(
			logTime(ctx(event), {
				matterId: f.text('matterId'),
				day: f.text('day'),
				hours: f.text('hours'),
				narrative: f.text('narrative'),
				activity: f.maybe('activity')
			}),
			() => ({})
		);
	},
	start: async (event) => {
		const f = await form(event);
		return answer(
			startTimer(ctx(event), { matterId: f.text('matterId'), words: f.text('words') }),
			() => ({})
		);
	}
};
