import { fail } from '@sveltejs/kit';
import { parseDate } from '#core/dates/plain.ts';
import { checkDeadline } from '#server/docket/commands.ts';
import { docket, DOCKET_PAGE, type DocketFilter } from '#server/docket/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

const SHOWS = ['open', 'unchecked', 'missed', 'proposed', 'all'] as const;
export function load(event) {
	const me = only(event, 'docket.read');
	const p = event.url.searchParams;
	const w = theWorld();
	const f: DocketFilter = { show: SHOWS.find((s) => s === p.get('show')) ?? 'open', who: p.get('who') === 'mine' ? 'mine' : 'all', from: parseDate(p.get('from')), to: parseDate(p.get('to')), page: Math.max(1, Number(p.get('page')) || 1) };
	return { ...docket(w, me, f), filter: f, per: DOCKET_PAGE, unchecked: docket(w, me, { show: 'unchecked' }).total, missed: docket(w, me, { show: 'missed' }).total, bad: (p.get('from') && !f.from) || (p.get('to') && !f.to) ? 'One of the days is not a date that exists; it was left out.' : '' };
}
export const actions = {
	check: async (event) => {
		const f = await form(event);
		const id = f.text('deadlineId');
		if (!id) return fail(400, { errors: { '': 'Choose a date.' } });
		return answer(checkDeadline(ctx(event), { deadlineId: id }), () => ({}));
	}
};
