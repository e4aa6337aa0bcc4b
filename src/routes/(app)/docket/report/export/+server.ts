/** The report as a file, as the one who asks may see it. */
import { error } from '@sveltejs/kit';
import type { Application, Staff } from '#server/app/application.ts';
import { makeReportCalendar } from '#server/docket/report-calendar.ts';
import { makeReportCsv, makeReportSheet } from '#server/docket/report-files.ts';
import { formatFilter } from '#server/docket/filter-words.ts';
import { describeReport, makeReport, parseReport, type Report } from '#server/docket/report.ts';
import { reportPdfTask } from '#server/docket/tasks.ts';
import { workbookTask } from '#server/files/tasks.ts';
import { fileResponse } from '#server/http/download.ts';
import { requireAction } from '#server/http/request.ts';

const MAKERS: Readonly<
	Record<string, (app: Application, report: Report, me: Staff) => Promise<Uint8Array | string>>
> = {
	csv: (_app, report) => Promise.resolve(makeReportCsv(report)),
	xlsx: (app, report) => app.work.run(workbookTask, makeReportSheet(report)),
	ics: makeReportCalendar,
	pdf: (app, report, me) =>
		app.work.run(reportPdfTask, {
			report,
			about: formatFilter(app, report.filter),
			printed: describeReport(app, me),
			today: app.clock.today()
		})
};

export async function GET(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const type = event.url.searchParams.get('as') ?? '';
	const make = MAKERS[type];
	if (!make) error(404, 'A report comes as pdf, xlsx, csv or ics.');
	const report = makeReport(app, me, parseReport(app, event.url.searchParams));
	return fileResponse(
		await make(app, report, me),
		type,
		`docket-${app.clock.today()}.${type}`,
		true
	);
}
