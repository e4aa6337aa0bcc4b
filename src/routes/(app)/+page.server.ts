/** The Day sheet; whoever is outside the department has what waits for them. */
import { may } from '#core/access/table.ts';
import { readDaySheet } from '#server/day-sheet/tasks.ts';
import { retryFailure, settleFailure } from '#server/failures/commands.ts';
import { action } from '#server/http/action.ts';
import { answerBlind } from '#server/interest/blind.ts';
import { finishMemo, writeMemo } from '#server/memos/commands.ts';
import { requireStaff } from '#server/http/request.ts';
import { seeReminder } from '#server/reminders/commands.ts';
import { listMyRequests } from '#server/requests/queries.ts';
import { listMineToSign } from '#server/signing/queries.ts';
import { addLeave, removeLeave } from '#server/staff/commands.ts';

export async function load(event) {
	const me = requireStaff(event);
	const { app } = event.locals;
	if (!may(me.role, 'matter.read'))
		return {
			inside: false as const,
			toSign: listMineToSign(app, me),
			mine: listMyRequests(app, me)
		};
	return { inside: true as const, ...(await readDaySheet(app, me, null)) };
}

export const actions = {
	seen: action(seeReminder),
	memo: action(writeMemo),
	memoDone: action(finishMemo),
	blind: action(answerBlind),
	retry: action(retryFailure),
	settle: action(settleFailure),
	away: action(addLeave, { input: (event) => ({ staffId: requireStaff(event).id }) }),
	back: action(removeLeave)
};
