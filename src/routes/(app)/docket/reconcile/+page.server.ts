/** The docket beside the court's own list: compared, and the comparisons that were made. */
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { reconcile } from '#server/reconciliations/commands.ts';
import { findReconciliation, listReconciliations } from '#server/reconciliations/queries.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const id = event.url.searchParams.get('id');
	const shown = id ? findReconciliation(app, me, id) : undefined;
	return {
		shown: shown ?? null,
		isLost: id !== null && !shown,
		past: listReconciliations(app, me)
	};
}

export const actions = { compare: actionValue(reconcile) };
