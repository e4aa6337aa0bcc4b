/** One card: names, addresses, matters; merged with another, and apart again. */
import { redirect } from '@sveltejs/kit';
import { action, actionValue } from '#server/http/action.ts';
import { contextOf, notThere, requireAction } from '#server/http/request.ts';
import { editPerson } from '#server/people/commands.ts';
import { mergePeople } from '#server/people/merge.ts';
import { findPersonCard, listNearCards } from '#server/people/queries.ts';
import { undoMerge } from '#server/people/unmerge.ts';

export async function load(event) {
	const me = requireAction(event, 'person.read');
	const person = findPersonCard(event.locals.app, me, event.params.id);
	if (!person) return notThere('person');
	if ('mergedInto' in person) redirect(303, `/people/${person.mergedInto}`);
	return {
		person,
		near: await listNearCards(contextOf(event), person.id, person.fields.name)
	};
}

export const actions = {
	edit: action(editPerson, { input: ({ params }) => ({ personId: params.id }) }),
	merge: actionValue(mergePeople, { input: ({ params }) => ({ keepId: params.id }) }),
	undo: actionValue(undoMerge)
};
