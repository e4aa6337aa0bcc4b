/** Two cards side by side, to be made one. */
import { redirect } from '@sveltejs/kit';
import { actionValue } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { mergePeople } from '#server/people/merge.ts';
import { findPersonCard, mayMerge } from '#server/people/queries.ts';

export function load(event) {
	const me = requireAction(event, 'person.edit');
	const { app } = event.locals;
	const keep = findPersonCard(app, me, event.params.id);
	if (!keep) return notThere('person');
	if ('mergedInto' in keep) redirect(303, `/people/${keep.mergedInto}/merge`);
	const other = event.url.searchParams.get('with')?.slice(0, 60);
	const gone = other ? findPersonCard(app, me, other) : undefined;
	const isOther = gone && !('mergedInto' in gone) && gone.id !== keep.id;
	return {
		keep,
		gone: isOther ? gone : null,
		refused: !isOther ? false : !mayMerge(app, me, keep.id) || !mayMerge(app, me, gone.id)
	};
}

export const actions = {
	merge: actionValue(mergePeople, { input: ({ params }) => ({ keepId: params.id }) })
};
