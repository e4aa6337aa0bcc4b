/**
 * The rooms of the docket say the same everywhere: how many dates wait for a check, how many for a
 * decision.
 */
import { may } from '#core/access/table.ts';
import { requireAction } from '#server/http/request.ts';
import { countWaiting } from '#server/day-sheet/waiting.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	return {
		waiting: countWaiting(event.locals.app, me),
		canClose: may(me.role, 'docket.closure')
	};
}
