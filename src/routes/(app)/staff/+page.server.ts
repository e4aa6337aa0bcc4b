import { ROLE_WORDS } from '#core/access/table.ts';
import { setSupervisor, supervised } from '#server/jobs/reminders.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	only(event, 'docket.closure');
	const w = theWorld();
	return { people: supervised(w).map((s) => ({ ...s, role: ROLE_WORDS[s.role] })) };
}
export const actions = {
	supervisor: async (event) => {
		const f = await form(event);
		return answer(
			setSupervisor(ctx(event), {
				staffId: f.text('staffId'),
				supervisorId: f.maybe('supervisorId')
			}),
			() => ({})
		);
	}
};
