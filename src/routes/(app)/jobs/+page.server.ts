/** What the server does by itself: when each job last worked, and what went wrong. */
import { requireAction } from '#server/http/request.ts';
import { listJobStates } from '#server/jobs/state.ts';

export function load(event) {
	requireAction(event, 'kind.edit');
	return { jobs: listJobStates(event.locals.app) };
}
