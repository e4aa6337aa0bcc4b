import { fileResponse } from '#server/download.ts';
import { readFilter } from '#server/matters/list.ts';
import { listCsv, listXlsx } from '#server/matters/listing.ts';
import { only, theWorld } from '#server/web.ts';

/** The list as it is shown, whole, as CSV or XLSX. */
export async function GET(event) {
	const me = only(event, 'matter.read');
	const w = theWorld();
	const f = readFilter(event.url.searchParams);
	const name = `matters-${w.clock.today()}`;
	if (event.url.searchParams.get('as') === 'xlsx')
		return fileResponse(
			await listXlsx(w, me, f),
			'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
			`${name}.xlsx`,
			true
		);
	return fileResponse(
		Buffer.from(listCsv(w, me, f)),
		'text/csv; charset=utf-8',
		`${name}.csv`,
		true
	);
}
