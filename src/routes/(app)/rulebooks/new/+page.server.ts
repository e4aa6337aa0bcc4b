import { redirect } from '@sveltejs/kit';
import { courts } from '#server/docket/calculator.ts';
import { newTimeline, saveBook } from '#server/docket/commands.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

const SAMPLE = `book: own.example
title: An example of a book
short: Example
version: "1"
sort: transaction
reviewed: TODAY
counts: us-agency
events:
  - event: signing
    ahead: date
    deadlines:
      - title: deliver the disclosure letter
        authority: Agreement, section 4.2
        act: serve
        count: -5cd
        examples:
          - { date: "2026-12-01", gives: "2026-11-23" }
`;
export function load(event) {
	only(event, 'docket.closure');
	const w = theWorld();
	return {
		courts: courts(w),
		as: event.url.searchParams.get('as') === 'yaml' ? 'yaml' : 'form',
		sample: SAMPLE.replace('TODAY', `"${w.clock.today()}"`)
	};
}
export const actions = {
	write: async (event) => {
		const f = await form(event);
		const [title, count, owner, authority] = [
			'row-title',
			'row-count',
			'row-owner',
			'row-authority'
		].map((k) => f.all(k)) as [string[], string[], string[], string[]];
		const r = answer(
			newTimeline(ctx(event), {
				name: f.text('name'),
				sort: f.text('sort') as 'transaction',
				counts: f.text('counts'),
				anchor: f.text('anchor'),
				rows: title.map((t, i) => ({
					title: t,
					count: count[i] ?? '',
					owner: owner[i] ?? '',
					authority: authority[i] ?? ''
				}))
			}),
			(v) => v
		);
		if ('book' in r) redirect(303, `/rulebooks/${r.book}`);
		return r;
	},
	save: async (event) => {
		const f = await form(event);
		return answer(
			saveBook(ctx(event), {
				yaml: f.text('yaml'),
				reason: f.text('reason') || 'First version',
				base: 0,
				expect: null
			}),
			(v) => v
		);
	}
};
