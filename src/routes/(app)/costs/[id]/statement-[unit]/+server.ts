/** The statement of a cost run for one business unit, as PDF. */
import { findRun, formatRunTitle, mayReadCosts } from '#server/costs/queries.ts';
import { findStatement } from '#server/costs/statements.ts';
import { fileResponse } from '#server/http/download.ts';
import { contextOf, notThere, requireStaff } from '#server/http/request.ts';

export async function GET(event) {
	const me = requireStaff(event);
	const run = mayReadCosts(me) ? findRun(event.locals.app, event.params.id) : undefined;
	const found = run && (await findStatement(contextOf(event), run, event.params.unit));
	if (!run || !found) return notThere('statement');
	const name = `Statement ${formatRunTitle(run)} ${found.unit.name}.pdf`;
	return fileResponse(found.pdf, 'pdf', name, false);
}
