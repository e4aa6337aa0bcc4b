/** Checks of interest: names against everything the department has. */
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { checkInterest } from '#server/interest/commands.ts';
import { listMyChecks } from '#server/interest/queries.ts';
import { countHits } from '#server/interest/report.ts';

export function load(event) {
	const me = requireAction(event, 'interest.check');
	return {
		checks: listMyChecks(event.locals.app, me).map((check) => ({
			id: check.id,
			names: check.names,
			madeAt: check.madeAt,
			decision: check.decision,
			matter: check.matter,
			hits: countHits(check.report),
			restricted: check.report.restricted
		})),
		names: event.url.searchParams.get('names')?.slice(0, 400) ?? ''
	};
}

export const actions = { check: actionValue(checkInterest) };
