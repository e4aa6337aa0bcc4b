/** The rooms of the docket say the same everywhere. */
import { countDocketWaiting } from '#server/docket/changes.ts';
import { requireAction } from '#server/http/request.ts';

export const load = (event) => ({
	waiting: countDocketWaiting(event.locals.app, requireAction(event, 'docket.read'))
});
