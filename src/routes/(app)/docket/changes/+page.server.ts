import { waitingChanges } from '#server/docket/changes.ts';
import { decideChanges } from '#server/docket/commands.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	const all = waitingChanges(theWorld(), me);
	const matters = [...new Set(all.map((c) => c.matterNumber))].map((n) => ({
		number: n,
		title: all.find((c) => c.matterNumber === n)!.matterTitle,
		changes: all.filter((c) => c.matterNumber === n)
	}));
	return { matters, total: all.length };
}
export const actions = {
	decide: async (event) => {
		const f = await form(event);
		return answer(
			decideChanges(ctx(event), {
				changeIds: f.all('change'),
				apply: f.text('apply') === '1',
				reason: f.text('reason')
			}),
			(v) => v
		);
	}
};
