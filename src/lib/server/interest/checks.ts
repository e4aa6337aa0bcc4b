/**
 * Reports of interest checks are kept as they were made; who may read one, and what is decided on
 * it.
 */
import { plural } from '#core/format/words.ts';
import { foldName } from '#core/people/names.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { newId } from '#server/app/ids.ts';
import { insert, insertOrIgnore } from '#server/db/sql.ts';
import { countHits, type InterestFinding, type InterestReport } from './report.ts';
import type { InterestCheckRow, InterestHiddenRow } from './rows.ts';

/** The names, one a line or divided by semicolons; each once. */
export function parseNames(typed: string): string[] {
	const names = typed
		.split(/[\n;]/)
		.map((name) => name.trim().replace(/\s+/g, ' '))
		.filter(Boolean);
	return uniqueNames(names);
}

/** Each name once, whatever its case and accents; names without letters or digits are left out. */
export function uniqueNames(names: readonly string[]): string[] {
	const byFold = new Map<string, string>();
	for (const name of names) {
		const folded = foldName(name);
		if (!byFold.has(folded)) byFold.set(folded, name);
	}
	return [...byFold.values()];
}

export type CheckedNames = { names: string[]; report: InterestFinding };

/** Files a report, within the transaction of a command; its id. */
export function insertCheck(
	ctx: Context,
	{ names, report: { hidden, ...report } }: CheckedNames,
	about: { matterId?: string | null; requestId?: string | null }
): string {
	const id = newId('chk');
	insert<InterestCheckRow>(ctx.db, 'interest_check', {
		id,
		matter_id: about.matterId ?? null,
		request_id: about.requestId ?? null,
		names: JSON.stringify(names),
		report: JSON.stringify(report),
		made_by: actingStaff(ctx).id,
		made_at: ctx.clock.now()
	});
	for (const { name, matterId } of hidden)
		insertOrIgnore<InterestHiddenRow>(ctx.db, 'interest_hidden', {
			...{ check_id: id, matter_id: matterId, name }
		});
	return id;
}

/** What a report found, for the logbook. */
function formatFound(report: InterestReport): string {
	const hits = countHits(report);
	const found = hits === 0 ? 'nothing found' : plural(hits, 'hit');
	return report.restricted ? `${found}, and the docket clerk is to be asked` : found;
}

/** The logbook's words of a check. */
export const formatCheck = ({ names, report }: CheckedNames): string =>
	`Interest check of ${names.join(', ')}: ${formatFound(report)}.`;
