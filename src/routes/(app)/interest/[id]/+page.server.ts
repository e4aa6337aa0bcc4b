import { decideInterest, interestCheck } from '#server/interest/commands.ts';
import { answer, ctx, form, missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'interest.check');
	const c = interestCheck(theWorld(), me, event.params.id);
	if (!c) return missing('check');
	return { check: c };
}
export const actions = {
	decide: async (event) => {
		const f = await form(event);
		return answer(
			decideInterest(ctx(event), {
				checkId: event.params.id,
				decision: f.text('decision') as 'clear',
				reason: f.text('reason')
			}),
			() => ({})
		);
	}
};
