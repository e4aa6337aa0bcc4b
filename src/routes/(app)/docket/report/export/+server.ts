import { error } from '@sveltejs/kit';
import {
	readReport,
	report,
	reportCsv,
	reportIcs,
	reportPdf,
	reportXlsx,
	sayFilter
} from '#server/docket/report.ts';
import { fileResponse } from '#server/download.ts';
import { only, theWorld } from '#server/web.ts';

/** The report as a file, as the one who asks may see it. */
export async function GET(event) {
	const me = only(event, 'docket.read');
	const w = theWorld();
	const r = report(w, me, readReport(event.url.searchParams));
	const name = `docket-${w.clock.today()}`;
	switch (event.url.searchParams.get('as')) {
		case 'xlsx':
			return fileResponse(
				await reportXlsx(r),
				'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
				`${name}.xlsx`,
				true
			);
		case 'pdf':
			return fileResponse(
				await reportPdf(w, r, sayFilter(w, r.filter)),
				'application/pdf',
				`${name}.pdf`,
				true
			);
		case 'ics':
			return fileResponse(
				Buffer.from(reportIcs(w, r)),
				'text/calendar; charset=utf-8',
				`${name}.ics`,
				true
			);
		case 'csv':
			return fileResponse(
				Buffer.from(reportCsv(r)),
				'text/csv; charset=utf-8',
				`${name}.csv`,
				true
			);
		default:
			error(404, 'A report comes as pdf, xlsx, csv or ics.');
	}
}
