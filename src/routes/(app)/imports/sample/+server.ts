import { error } from '@sveltejs/kit';
import { fileResponse } from '#server/download.ts';
import { WHATS } from '#server/imports/commands.ts';
import { sample } from '#server/imports/work.ts';
import type { What } from '#server/imports/plan.ts';
import { only } from '#server/web.ts';

/** A file to begin from, with a few lines of made-up data. */
export async function GET(event) {
	only(event, 'import.run');
	const what = event.url.searchParams.get('what') as What,
		as = event.url.searchParams.get('as') === 'xlsx' ? 'xlsx' : 'csv';
	if (!WHATS.includes(what)) error(404, 'There is no such sample.');
	return fileResponse(
		await sample(what, as),
		as === 'csv'
			? 'text/csv; charset=utf-8'
			: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
		`${what}-sample.${as}`,
		true
	);
}
