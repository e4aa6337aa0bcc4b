/** Time on a matter, and what of it was allocated. */
import { sumAllocated } from '#server/costs/queries.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { logTime } from '#server/time/commands.ts';
import { listActivities, listMatterEntries } from '#server/time/queries.ts';
import { startTimer } from '#server/time/timers.ts';

export async function load(event) {
	const me = requireAction(event, 'matter.read');
	const { id } = (await event.parent()).caption;
	const { app } = event.locals;
	return {
		entries: listMatterEntries(app, me, id),
		activities: listActivities(app).filter(({ matter_work }) => matter_work === 1),
		allocated: sumAllocated(app, id)
	};
}

export const actions = { log: actionValue(logTime), start: action(startTimer) };
