/** The list as it is shown, whole, as CSV or XLSX. */
import { fileResponse } from '#server/http/download.ts';
import { contextOf, requireAction } from '#server/http/request.ts';
import { makeMattersCsv, makeMattersXlsx } from '#server/matters/export.ts';
import { parseMatterFilter } from '#server/matters/filter.ts';

export async function GET(event) {
	const me = requireAction(event, 'matter.read');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const filter = parseMatterFilter(params);
	const type = params.get('as') === 'xlsx' ? 'xlsx' : 'csv';
	const data =
		type === 'xlsx'
			? await makeMattersXlsx(contextOf(event), filter)
			: makeMattersCsv(app, me, filter);
	return fileResponse(data, type, `matters-${app.clock.today()}.${type}`, true);
}
