/** One request: what was asked, the talk about it, what becomes of it. */
import { may } from '#core/access/table.ts';
import { action, actionValue } from '#server/http/action.ts';
import { notThere, requireStaff } from '#server/http/request.ts';
import { answerRequest, withdrawRequest } from '#server/requests/commands.ts';
import { listOfferedStatuses, setRequestStatus } from '#server/requests/statuses.ts';
import { assignRequest, seeRequest, writeOnRequest } from '#server/requests/talk.ts';
import { findRequest } from '#server/requests/queries.ts';
import { askBack, mergeRequest, takeRequest, turnDown } from '#server/requests/triage.ts';

export function load(event) {
	const me = requireStaff(event);
	const request = findRequest(event.locals.app, me, event.params.id);
	if (!request) return notThere('request');
	return {
		request,
		triage: may(me.role, 'request.triage'),
		statuses: listOfferedStatuses(event.locals.app)
	};
}

const input = ({ params }: { params: Partial<Record<string, string>> }) => ({
	requestId: params.id
});
export const actions = {
	take: action(takeRequest, { input }),
	ask: action(askBack, { input }),
	down: action(turnDown, { input }),
	merge: actionValue(mergeRequest, { input }),
	withdraw: action(withdrawRequest, { input }),
	answer: action(answerRequest, { input }),
	write: action(writeOnRequest, { input }),
	assign: action(assignRequest, { input }),
	status: action(setRequestStatus, { input }),
	seen: action(seeRequest, { input })
};
