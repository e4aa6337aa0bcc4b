/** The Day sheet as its page shows it: what must not slip, what waits for one, and for whom. */
import type { Reader, Staff } from '#server/app/application.ts';
import { countWaitingChanges } from '#server/docket/changes.ts';
import { countDeadlines } from '#server/docket/list.ts';
import { listFailures } from '#server/failures/queries.ts';
import { listMentionsOf } from '#server/logbook/queries.ts';
import { listAskedQuestions } from '#server/interest/questions.ts';
import { listMatters } from '#server/matters/list.ts';
import { listDueMemos } from '#server/memos/queries.ts';
import { listMyReminders } from '#server/reminders/queries.ts';
import { listMineToSign, listSigningWithOthers } from '#server/signing/queries.ts';
import { findSignOffState } from '#server/sign-off/queries.ts';
import { listDaysAway } from '#server/staff/queries.ts';
import { listMyTasks, listTasksWithOthers } from '#server/tasks/queries.ts';
import { sumTodaysMinutes } from '#server/time/queries.ts';
import { listHorizon } from './horizon.ts';
import { showToday } from './today.ts';
import { listSlip } from './slip.ts';

const SHOWN_QUIET = 5;

/** The sheet of a member of the department. */
export function showDaySheet(app: Reader, me: Staff) {
	const quiet = { who: 'mine', lawyer: me.id, quiet: true, cols: ['number'] } as const;
	return {
		days: listHorizon(app, me, 'mine'),
		calendar: showToday(app, me),
		toSign: listMineToSign(app, me),
		slip: listSlip(app, me),
		unchecked: countDeadlines(app, me, { show: 'unchecked' }),
		reminders: listMyReminders(app, me),
		changes: countWaitingChanges(app, me),
		signOff: findSignOffState(app, me, me.id).open.length,
		away: listDaysAway(app, me),
		tasks: listMyTasks(app, me),
		memos: listDueMemos(app, me),
		blind: listAskedQuestions(app, me),
		failures: listFailures(app, me),
		asked: listMentionsOf(app, me),
		quiet: listMatters(app, me, { ...quiet, cols: ['number'] }, SHOWN_QUIET),
		withOthers: listTasksWithOthers(app, me),
		signing: listSigningWithOthers(app, me),
		hours: sumTodaysMinutes(app, me)
	};
}
