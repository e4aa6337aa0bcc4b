import { DERIVED_KEYS, FACT_TYPES } from '#core/matters/kind.ts';
import { findKind, kindUses, saveKind } from '#server/matters/kinds.ts';
import { answer, ctx, form, missing, only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'kind.edit');
	const k = findKind(theWorld(), event.params.id);
	if (!k) return missing('kind');
	return {
		kind: k,
		types: FACT_TYPES,
		derived: DERIVED_KEYS,
		uses: kindUses(theWorld(), me).get(k.id) ?? 0
	};
}
export const actions = {
	save: async (event) => {
		const f = await form(event);
		return answer(
			saveKind(ctx(event), {
				kindId: event.params.id,
				version: f.text('version'),
				body: f.json('body'),
				active: f.text('active')
			}),
			(r) => r
		);
	}
};
