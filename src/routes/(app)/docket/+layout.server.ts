/**
 * The rooms of the docket say the same everywhere: how many dates wait for a check, how many for a
 * decision.
 */
import { may } from '#core/access/table.ts';
import { countDocketWaiting } from '#server/docket/changes.ts';
import { requireAction } from '#server/http/request.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	return {
		waiting: countDocketWaiting(event.locals.app, me),
		canClose: may(me.role, 'docket.closure')
	};
}
