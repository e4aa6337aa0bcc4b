import { checkDeadline, returnDeadline } from '#server/docket/commands.ts';
import { checkItem, docket } from '#server/docket/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	const w = theWorld();
	const page = Math.max(1, Math.floor(Number(event.url.searchParams.get('page'))) || 1);
	const queue = docket(w, me, { show: 'unchecked', page, per: 60 });
	const mine = (d: { docketedById: string | null; returnedBy: string | null }) =>
		d.docketedById !== me.id && d.returnedBy === null;
	const wanted = event.url.searchParams.get('date');
	const id = wanted ?? queue.rows.find(mine)?.id ?? queue.rows[0]?.id;
	const item = id ? checkItem(w, me, id) : undefined;
	return {
		queue: queue.rows,
		total: queue.total,
		per: 60,
		item: item ?? null,
		lost: wanted !== null && !item
	};
}
export const actions = {
	check: async (event) => {
		const f = await form(event);
		return answer(checkDeadline(ctx(event), { deadlineId: f.text('deadlineId') }), () => ({}));
	},
	return: async (event) => {
		const f = await form(event);
		return answer(
			returnDeadline(ctx(event), { deadlineId: f.text('deadlineId'), reason: f.text('reason') }),
			() => ({})
		);
	}
};
