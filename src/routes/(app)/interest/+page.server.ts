import { checkInterest, myChecks } from '#server/interest/commands.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'interest.check');
	return {
		checks: myChecks(theWorld(), me).map((c) => ({
			id: c.id,
			names: c.names,
			madeAt: c.madeAt,
			decision: c.decision,
			matter: c.matter,
			hits: c.report.names.reduce((n, x) => n + x.hits.length + x.more, 0),
			restricted: c.report.restricted
		})),
		names: event.url.searchParams.get('names')?.slice(0, 400) ?? ''
	};
}
export const actions = {
	check: async (event) => {
		const f = await form(event);
		return answer(
			checkInterest(ctx(event), {
				names: f.text('names'),
				matterId: f.maybe('matterId'),
				requestId: f.maybe('requestId')
			}),
			(r) => r
		);
	}
};
