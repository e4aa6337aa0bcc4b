/** The rooms of the docket say the same everywhere. */
import { readWaiting } from '#server/day-sheet/tasks.ts';
import { requireAction } from '#server/http/request.ts';

export const load = async (event) => ({
	waiting: await readWaiting(event.locals.app, requireAction(event, 'docket.read'), null)
});
