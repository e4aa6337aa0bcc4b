/** Cost runs: those there are, and the next. */
import { may } from '#core/access/table.ts';
import { addDays, plainDate, type PlainDate } from '#core/dates/plain.ts';
import { makeRun } from '#server/costs/commands.ts';
import { formatRunTitle, listRuns, mayReadCosts, sumWaitingTime } from '#server/costs/queries.ts';
import { actionValue } from '#server/http/action.ts';
import { notThere, requireStaff } from '#server/http/request.ts';

export function load(event) {
	const me = requireStaff(event);
	if (!mayReadCosts(me)) return notThere('page');
	const { app } = event.locals;
	return {
		runs: listRuns(app).map((run) => ({ ...run, title: formatRunTitle(run) })),
		waiting: sumWaitingTime(app),
		mayRun: may(me.role, 'cost.run'),
		next: monthBefore(app.clock.today())
	};
}

/** The whole month before a day's own. */
function monthBefore(day: PlainDate): { from: PlainDate; to: PlainDate } {
	const to = addDays(plainDate(`${day.slice(0, 7)}-01`), -1);
	return { from: plainDate(`${to.slice(0, 7)}-01`), to };
}

export const actions = { make: actionValue(makeRun) };
