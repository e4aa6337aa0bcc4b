/** One card: names, addresses, matters, numbers, notes. */
import { redirect, type RequestEvent } from '@sveltejs/kit';
import { may } from '#core/access/table.ts';
import { action, actionValue } from '#server/http/action.ts';
import { contextOf, notThere, requireAction } from '#server/http/request.ts';
import { finishMemo, removeMemo, writeMemo } from '#server/memos/commands.ts';
import { listCardMemos } from '#server/memos/queries.ts';
import { editPerson } from '#server/people/edit.ts';
import {
	addIdentityNumber,
	listIdentityNumbers,
	removeIdentityNumber,
	showIdentityNumber
} from '#server/people/identity.ts';
import { listOwnFields } from '#server/people/own-fields.ts';
import { findPersonCard, listNearCards } from '#server/people/queries.ts';
import { FUNCTIONS, RELATIONS } from '#server/people/ties.ts';
import { undoMerge } from '#server/people/unmerge.ts';

export async function load(event) {
	const me = requireAction(event, 'person.read');
	const { app } = event.locals;
	const person = findPersonCard(app, me, event.params.id);
	if (!person) return notThere('person');
	if ('mergedInto' in person) redirect(303, `/people/${person.mergedInto}`);
	return {
		person,
		near: await listNearCards(contextOf(event), person.id, person.fields.name),
		memos: listCardMemos(app, me, person.id),
		ownFields: listOwnFields(app),
		offered: { functions: FUNCTIONS, relations: RELATIONS },
		mayShow: may(me.role, 'identity.show'),
		identity: may(me.role, 'identity.show') ? listIdentityNumbers(app, person.id) : []
	};
}

const ofThisCard = { input: ({ params }: RequestEvent) => ({ personId: params.id }) };
export const actions = {
	edit: action(editPerson, ofThisCard),
	undo: actionValue(undoMerge),
	memo: action(writeMemo, ofThisCard),
	memoDone: action(finishMemo),
	removeMemo: action(removeMemo),
	addNumber: action(addIdentityNumber, ofThisCard),
	showNumber: actionValue(showIdentityNumber),
	removeNumber: action(removeIdentityNumber)
};
