import {
	REPORT_COLUMNS,
	readReport,
	report,
	grouped,
	cell,
	sayFilter
} from '#server/docket/report.ts';
import { makeFeed, mailReport, revokeFeed } from '#server/docket/commands.ts';
import { myFeeds } from '#server/docket/feeds.ts';
import { docketChoices } from '#server/docket/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';
import { addDays } from '#core/dates/plain.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	const w = theWorld();
	const p = new URLSearchParams(event.url.searchParams);
	const first = !p.has('go');
	if (first && !p.get('from')) {
		p.set('from', w.clock.today());
		p.set('to', addDays(w.clock.today(), 30));
	}
	const asked = readReport(p);
	const r = report(w, me, asked);
	const SHOWN = 400;
	return {
		asked: { filter: asked.filter, columns: asked.columns, long: asked.long },
		bad: asked.bad,
		total: r.total,
		said: sayFilter(w, asked.filter),
		query: p.toString(),
		columns: Object.entries(REPORT_COLUMNS) as [keyof typeof REPORT_COLUMNS, string][],
		groups: grouped({ ...r, rows: r.rows.slice(0, SHOWN) }).map((g) => ({
			key: g.key,
			name: g.name,
			rows: g.rows.map((d) => ({
				id: d.id,
				href: `/matters/${d.matterNumber}/docket?count=${d.id}`,
				state: d.state,
				checked: d.checked,
				late: d.date <= w.clock.today(),
				count: d.count,
				cells: asked.columns.filter((c) => c !== 'count').map((c) => cell(d, c, asked.long))
			}))
		})),
		shown: Math.min(SHOWN, r.total),
		choices: docketChoices(w, me),
		feeds: myFeeds(w, me)
	};
}
export const actions = {
	feed: async (event) => {
		const f = await form(event);
		return answer(makeFeed(ctx(event), { sort: f.text('sort') as 'person' }), (v) => v);
	},
	revoke: async (event) => {
		const f = await form(event);
		return answer(revokeFeed(ctx(event), { feedId: f.text('feedId') }), () => ({}));
	},
	mail: async (event) => {
		const f = await form(event);
		return answer(
			mailReport(ctx(event), { query: f.text('query'), to: f.all('to'), words: f.text('words') }),
			(v) => v
		);
	}
};
