/** What the server does by itself: when each job last worked, and what went wrong. */
import { retryFailure, settleFailure } from '#server/failures/commands.ts';
import { listFailures } from '#server/failures/queries.ts';
import { action } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { listJobStates } from '#server/jobs/state.ts';

export function load(event) {
	const me = requireAction(event, 'kind.edit');
	const { app } = event.locals;
	return { jobs: listJobStates(app), failures: listFailures(app, me) };
}

export const actions = { retry: action(retryFailure), settle: action(settleFailure) };
