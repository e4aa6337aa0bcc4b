/** Requests of the business: one's own, or the department's queue. */
import { may } from '#core/access/table.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction, requireStaff } from '#server/http/request.ts';
import { removeDraft, writeRequest } from '#server/requests/commands.ts';
import {
	findRequest,
	isQueue,
	listMyRequests,
	listRequestQueue
} from '#server/requests/queries.ts';

export function load(event) {
	const me = requireStaff(event);
	const { app } = event.locals;
	const params = event.url.searchParams;
	if (may(me.role, 'request.own')) {
		const draftId = params.get('draft');
		const draft = draftId ? findRequest(app, me, draftId) : undefined;
		return {
			own: true as const,
			mine: listMyRequests(app, me),
			draft: draft?.state === 'draft' ? draft : null
		};
	}
	requireAction(event, 'request.triage');
	const wanted = params.get('show') ?? '';
	const show = isQueue(wanted) ? wanted : 'open';
	const filter = { unit: params.get('unit') ?? '', holder: params.get('holder') ?? '' };
	return { own: false as const, show, filter, queue: listRequestQueue(app, me, show, filter) };
}

export const actions = { write: actionValue(writeRequest), removeDraft: action(removeDraft) };
