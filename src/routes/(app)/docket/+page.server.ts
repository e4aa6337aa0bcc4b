import { fail } from '@sveltejs/kit';
import { addDays, date, daysInMonth } from '#core/dates/plain.ts';
import { checkDeadline } from '#server/docket/commands.ts';
import {
	closedDays,
	docket,
	docketChoices,
	docketDays,
	DAYS_MOST,
	DOCKET_PAGE,
	type DocketFilter
} from '#server/docket/queries.ts';
import { readDocketFilter } from '#server/docket/report.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

const VIEWS = ['list', 'month', 'timeline'] as const;
export function load(event) {
	const me = only(event, 'docket.read');
	const p = event.url.searchParams;
	const w = theWorld();
	const today = w.clock.today();
	const view = VIEWS.find((v) => v === p.get('view')) ?? 'list';
	const { filter: f, bad } = readDocketFilter(p);
	const base = {
		view,
		filter: f,
		bad,
		choices: docketChoices(w, me),
		missed: docket(w, me, { show: 'missed', per: 1 }).total
	};
	if (view === 'list')
		return { ...base, ...docket(w, me, f), per: DOCKET_PAGE, span: null, cut: false };
	const month = /^\d{4}-(0[1-9]|1[0-2])$/.test(p.get('month') ?? '')
		? p.get('month')!
		: today.slice(0, 7);
	const [from, to] =
		view === 'month'
			? [
					addDays(date(`${month}-01`), -6),
					addDays(
						date(`${month}-${daysInMonth(Number(month.slice(0, 4)), Number(month.slice(5)))}`),
						6
					)
				]
			: [f.from ? date(f.from) : addDays(today, -30), f.to ? date(f.to) : addDays(today, 150)];
	const span: DocketFilter & { from: string; to: string } = { ...f, from, to };
	const found = docketDays(w, me, span);
	return {
		...base,
		rows: [],
		total: 0,
		per: DOCKET_PAGE,
		span: { month, from, to, closed: closedDays(w, null, from, to), ...found },
		cut: found.rows.length >= DAYS_MOST
	};
}
export const actions = {
	check: async (event) => {
		const f = await form(event);
		const id = f.text('deadlineId');
		if (!id) return fail(400, { errors: { '': 'Choose a date.' } });
		return answer(checkDeadline(ctx(event), { deadlineId: id }), () => ({}));
	}
};
