/** The Day sheet: what must not slip, what waits for one, what one waits for. */
import { may } from '#core/access/table.ts';
import { listSlip } from '#server/day-sheet/slip.ts';
import { listHorizon } from '#server/day-sheet/horizon.ts';
import { countWaitingChanges } from '#server/docket/changes.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { action } from '#server/http/action.ts';
import { requireStaff } from '#server/http/request.ts';
import { listMentionsOf } from '#server/logbook/queries.ts';
import { listMatters } from '#server/matters/list.ts';
import { seeReminder } from '#server/reminders/commands.ts';
import { listMyReminders } from '#server/reminders/queries.ts';
import { listMyRequests } from '#server/requests/queries.ts';
import { listMineToSign, listSigningWithOthers } from '#server/signing/queries.ts';
import { findSignOffState } from '#server/sign-off/queries.ts';
import { addLeave, removeLeave } from '#server/staff/commands.ts';
import { listDaysAway } from '#server/staff/queries.ts';
import { listMyTasks, listTasksWithOthers } from '#server/tasks/queries.ts';
import { sumTodaysMinutes } from '#server/time/queries.ts';

const SHOWN_QUIET = 5;

export function load(event) {
	const me = requireStaff(event);
	const { app } = event.locals;
	const toSign = listMineToSign(app, me);
	if (!may(me.role, 'matter.read'))
		return { inside: false as const, toSign, mine: listMyRequests(app, me) };
	const quiet = { who: 'mine', lawyer: me.id, quiet: true, cols: ['number'] } as const;
	return {
		inside: true as const,
		days: listHorizon(app, me, 'mine'),
		toSign,
		slip: listSlip(app, me),
		unchecked: listDeadlines(app, me, { show: 'unchecked', per: 1 }).total,
		reminders: listMyReminders(app, me),
		changes: countWaitingChanges(app, me),
		signOff: findSignOffState(app, me, me.id).open.length,
		away: listDaysAway(app, me),
		tasks: listMyTasks(app, me),
		asked: listMentionsOf(app, me),
		quiet: listMatters(app, me, { ...quiet, cols: ['number'] }, SHOWN_QUIET),
		withOthers: listTasksWithOthers(app, me),
		signing: listSigningWithOthers(app, me),
		hours: sumTodaysMinutes(app, me)
	};
}

export const actions = {
	seen: action(seeReminder),
	away: action(addLeave, { input: (event) => ({ staffId: requireStaff(event).id }) }),
	back: action(removeLeave)
};
