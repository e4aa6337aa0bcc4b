/** What a trial needs: exhibits, witnesses, the dates before it. */
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { listRoles } from '#server/people/queries.ts';
import { addExhibit, changeExhibit, removeExhibit } from '#server/trial/exhibits.ts';
import { findTrialView } from '#server/trial/queries.ts';
import { addWitness, hearWitness, moveWitness, removeWitness } from '#server/trial/witnesses.ts';

export async function load(event) {
	requireAction(event, 'matter.read');
	const { id } = (await event.parent()).caption;
	const { app } = event.locals;
	return { trial: findTrialView(app, id), people: listRoles(app, id) };
}

export const actions = {
	exhibit: actionValue(addExhibit),
	rule: action(changeExhibit),
	removeExhibit: action(removeExhibit),
	witness: action(addWitness),
	moveWitness: action(moveWitness),
	hearWitness: action(hearWitness),
	removeWitness: action(removeWitness)
};
