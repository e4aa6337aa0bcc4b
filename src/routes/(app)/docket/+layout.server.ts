/**
 * The rooms of the docket say the same everywhere: how many dates wait for a check, how many for a
 * decision.
 */
import { may } from '#core/access/table.ts';
import { requireAction } from '#server/http/request.ts';
import { readWaiting } from '#server/day-sheet/tasks.ts';

export async function load(event) {
	const me = requireAction(event, 'docket.read');
	return {
		waiting: await readWaiting(event.locals.app, me, null),
		canClose: may(me.role, 'docket.closure')
	};
}
