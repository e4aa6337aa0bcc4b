/** One check of interest: what was found, and the decision. */
import { action } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { decideInterest } from '#server/interest/commands.ts';
import { findCheck } from '#server/interest/queries.ts';

export function load(event) {
	const me = requireAction(event, 'interest.check');
	const check = findCheck(event.locals.app, me, event.params.id);
	return check ? { check } : notThere('check');
}

export const actions = {
	decide: action(decideInterest, { input: ({ params }) => ({ checkId: params.id }) })
};
