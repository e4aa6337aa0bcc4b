/** A file to begin from, with a few lines of made-up data. */
import { error } from '@sveltejs/kit';
import { fileResponse } from '#server/http/download.ts';
import { contextOf, requireAction } from '#server/http/request.ts';
import { WHATS } from '#server/imports/fields.ts';
import { makeSampleCsv, makeSampleXlsx } from '#server/imports/sample.ts';

export async function GET(event) {
	requireAction(event, 'import.run');
	const params = event.url.searchParams;
	const what = WHATS.find((name) => name === params.get('what'));
	if (!what) error(404, 'There is no such sample.');
	return params.get('as') === 'xlsx'
		? fileResponse(
				await makeSampleXlsx(contextOf(event), what),
				'xlsx',
				`${what}-sample.xlsx`,
				true
			)
		: fileResponse(makeSampleCsv(what), 'csv', `${what}-sample.csv`, true);
}
