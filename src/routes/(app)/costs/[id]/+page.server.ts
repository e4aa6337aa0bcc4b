/** One cost run: its shares by business unit and matter, its journal, its approval. */
import { redirect } from '@sveltejs/kit';
import { may } from '#core/access/table.ts';
import { approveRun, discardRun, reverseRun, sendRun } from '#server/costs/commands.ts';
import {
	findRun,
	findRunSheet,
	formatRunTitle,
	listJournalRows,
	mayReadCosts
} from '#server/costs/queries.ts';
import { action, actionValue } from '#server/http/action.ts';
import { notThere, requireStaff } from '#server/http/request.ts';

export function load(event) {
	const me = requireStaff(event);
	const { app } = event.locals;
	const run = mayReadCosts(me) ? findRun(app, event.params.id) : undefined;
	if (!run) return notThere('cost run');
	return {
		run: { ...run, title: formatRunTitle(run) },
		sheet: findRunSheet(app, me, run),
		journal: listJournalRows(app, me, run),
		mayRun: may(me.role, 'cost.run'),
		mayApprove: may(me.role, 'cost.approve')
	};
}

const input = (event: { params: Partial<Record<string, string>> }) => ({ runId: event.params.id });
export const actions = {
	send: action(sendRun, { input }),
	approve: actionValue(approveRun, { input }),
	reverse: action(reverseRun, { input }),
	discard: action(discardRun, { input, done: () => redirect(303, '/costs') })
};
