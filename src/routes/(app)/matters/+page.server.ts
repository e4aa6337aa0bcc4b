import { openMatter } from '#server/matters/commands.ts';
import { matterList, PAGE } from '#server/matters/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'matter.read');
	const p = event.url.searchParams;
	const who = p.get('who') === 'all' ? 'all' : 'mine';
	const f = { who: who as 'all' | 'mine', kind: p.get('kind') ?? '', unit: p.get('unit') ?? '', q: p.get('q') ?? '', closed: p.get('closed') === '1', page: Math.max(1, Number(p.get('page')) || 1) };
	return { ...matterList(theWorld(), me, f), filter: f, per: PAGE };
}

export const actions = {
	open: async (event) => {
		const f = await form(event);
		return answer(
			openMatter(ctx(event), {
				kind: f.text('kind'), title: f.text('title'), unitId: f.text('unitId'), responsibleId: f.text('responsibleId'), opponentId: f.maybe('opponentId'), opponentName: f.text('opponentName'),
				opponentKind: f.text('opponentKind') === 'person' ? 'person' : 'organization', rulebook: f.text('rulebook'), court: f.text('court'), caseNumber: f.text('caseNumber'), restricted: f.text('restricted')
			}),
			(m) => ({ number: m.number })
		);
	}
};
