/** The journal of a cost run as CSV. */
import { makeJournalCsv } from '#server/costs/journal.ts';
import { findRun, listJournalRows, mayReadCosts } from '#server/costs/queries.ts';
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireStaff } from '#server/http/request.ts';

export function GET(event) {
	const me = requireStaff(event);
	const { app } = event.locals;
	const run = mayReadCosts(me) ? findRun(app, event.params.id) : undefined;
	if (!run) return notThere('cost run');
	const csv = makeJournalCsv(listJournalRows(app, me, run));
	return fileResponse(csv, 'csv', `journal ${run.number ?? 'draft'}.csv`, true);
}
