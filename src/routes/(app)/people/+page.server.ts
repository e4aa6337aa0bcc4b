/** People and organizations: found, added, brought in from cards. */
import { actionValue, callable } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { addPerson } from '#server/people/commands.ts';
import { importVcards, vcardFile } from '#server/people/import-vcards.ts';
import {
	listCategories,
	listPeople,
	listRolesInUse,
	parsePeopleFilter,
	PEOPLE_PAGE
} from '#server/people/list.ts';

export function load(event) {
	const me = requireAction(event, 'person.read');
	const { app } = event.locals;
	const filter = parsePeopleFilter(event.url.searchParams);
	return {
		...listPeople(app, me, filter),
		filter,
		per: PEOPLE_PAGE,
		categories: listCategories(app, me),
		roles: listRolesInUse(app, me)
	};
}

const bringVcards = callable({
	action: 'person.edit',
	input: vcardFile,
	run: (ctx, { file }) => importVcards(ctx, file)
});

export const actions = { add: actionValue(addPerson), vcard: actionValue(bringVcards) };
