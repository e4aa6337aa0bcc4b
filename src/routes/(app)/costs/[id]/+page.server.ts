import { may } from '#core/access/table.ts';
import { approveRun, discardRun, reverseRun, sendRun } from '#server/costs/commands.ts';
import { journalRows, mayRead, run, runSheet, runTitle } from '#server/costs/queries.ts';
import { answer, ctx, form, missing, staff, theWorld } from '#server/web.ts';
import { redirect, type RequestEvent } from '@sveltejs/kit';

export function load(event) {
	const me = staff(event);
	const w = theWorld();
	const r = mayRead(me) ? run(w, event.params.id) : undefined;
	if (!r) return missing('cost run');
	return {
		run: { ...r, title: runTitle(r) },
		sheet: runSheet(w, me, r),
		journal: journalRows(w, me, r),
		mayRun: may(me.role, 'cost.run'),
		mayApprove: may(me.role, 'cost.approve')
	};
}
const act = async (event: RequestEvent) => ({
	c: ctx(event),
	f: await form(event),
	runId: event.params.id!
});
export const actions = {
	send: async (event) => {
		const { c, runId } = await act(event);
		return answer(sendRun(c, { runId }), () => ({}));
	},
	approve: async (event) => {
		const { c, runId } = await act(event);
		return answer(approveRun(c, { runId }), (v) => v);
	},
	reverse: async (event) => {
		const { c, f, runId } = await act(event);
		return answer(reverseRun(c, { runId, reason: f.text('reason') }), () => ({}));
	},
	discard: async (event) => {
		const { c, runId } = await act(event);
		const r = discardRun(c, { runId });
		if (r.ok) redirect(303, '/costs');
		return answer(r, () => ({}));
	}
};
