/** The rooms of the docket say the same everywhere. */
import { countWaiting } from '#server/day-sheet/waiting.ts';
import { requireAction } from '#server/http/request.ts';

export const load = (event) => ({
	waiting: countWaiting(event.locals.app, requireAction(event, 'docket.read'))
});
