/** One kind of matter: its facts, roles, folders, first tasks and days. */
import { DERIVED_KEYS } from '#core/kinds/kind.ts';
import { FACT_TYPES } from '#core/kinds/fact.ts';
import { actionValue } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { saveKind } from '#server/kinds/commands.ts';
import { countKindUses, findKind } from '#server/kinds/queries.ts';
import { listMatterRulebooks } from '#server/matters/sheet.ts';

export function load(event) {
	const me = requireAction(event, 'kind.edit');
	const { app } = event.locals;
	const kind = findKind(app, event.params.id);
	if (!kind) return notThere('kind');
	return {
		kind,
		books: listMatterRulebooks(app),
		types: FACT_TYPES,
		derived: DERIVED_KEYS,
		uses: countKindUses(app, me).get(kind.id) ?? 0
	};
}

export const actions = {
	save: actionValue(saveKind, { input: ({ params }) => ({ kindId: params.id }) })
};
