/** One check of interest: what was found, and the decision. */
import type { RequestEvent } from '@sveltejs/kit';
import { action, actionValue } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { askBlind, findInterestReader, readHidden } from '#server/interest/blind.ts';
import { decideInterest } from '#server/interest/commands.ts';
import { findCheck } from '#server/interest/queries.ts';
import { findBlindState } from '#server/interest/questions.ts';

export function load(event) {
	const me = requireAction(event, 'interest.check');
	const check = findCheck(event.locals.app, me, event.params.id);
	if (!check) return notThere('check');
	return {
		check,
		blind: findBlindState(event.locals.app, check.id),
		reader: findInterestReader(event.locals.app) === me.id
	};
}

const ofThisCheck = { input: ({ params }: RequestEvent) => ({ checkId: params.id }) };
export const actions = {
	decide: action(decideInterest, ofThisCheck),
	askBlind: action(askBlind, ofThisCheck),
	readHidden: actionValue(readHidden, ofThisCheck)
};
