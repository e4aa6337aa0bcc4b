import { makeRun } from '#server/costs/commands.ts';
import { mayRead, runs, runTitle, waitingTime } from '#server/costs/queries.ts';
import { civil, daysInMonth, toDay } from '#core/dates/plain.ts';
import { answer, ctx, form, missing, staff, theWorld } from '#server/web.ts';
import { may } from '#core/access/table.ts';

export function load(event) {
	const me = staff(event);
	if (!mayRead(me)) return missing('page');
	const w = theWorld();
	const t = civil(toDay(w.clock.today()));
	const last =
		t.month === 1 ? { year: t.year - 1, month: 12 } : { year: t.year, month: t.month - 1 };
	const two = (n: number) => String(n).padStart(2, '0');
	return {
		runs: runs(w).map((r) => ({ ...r, title: runTitle(r) })),
		waiting: waitingTime(w),
		mayRun: may(me.role, 'cost.run'),
		next: {
			from: `${last.year}-${two(last.month)}-01`,
			to: `${last.year}-${two(last.month)}-${daysInMonth(last.year, last.month)}`
		}
	};
}
export const actions = {
	make: async (event) => {
		const f = await form(event);
		return answer(makeRun(ctx(event), { from: f.text('from'), to: f.text('to') }), (v) => ({
			runId: v.runId
		}));
	}
};
