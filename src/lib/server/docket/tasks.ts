/** Counting for the whole house, and reports as files, in workers. */
import type { DateOrder } from '#core/dates/in-text.ts';
import { reading } from '../app/reading.ts';
import { task } from '../app/task.ts';
import type { DatedList } from './dated-list.ts';
import type { Effects, EffectsQuery } from './effects-query.ts';
import type { ReportPdfInput } from './report-files.ts';
import type { ReportRequest } from './report.ts';

export const effectsTask = task({
	name: 'find effects',
	lane: 'answers',
	seconds: 120,
	tooMuch: 'Counting every date takes too long. Ask whoever runs the server to look at its log.',
	run: async (query: EffectsQuery, { db }): Promise<Effects> =>
		(await import('./effects-query.ts')).findEffectsOf({ db }, query)
});

export const reportPdfTask = task({
	name: 'make docket report',
	lane: 'files',
	seconds: 120,
	tooMuch: 'This report takes too long to be made into a PDF. Narrow it to fewer dates.',
	run: async (report: ReportPdfInput): Promise<Uint8Array> =>
		(await import('./report-files.ts')).makeReportPdf(report)
});

/** @throws Refused where no day is in it */
export const datedListTask = task({
	name: 'read dated list',
	lane: 'files',
	seconds: 10,
	tooMuch: 'This list takes too long to read. Give it in parts.',
	run: async (list: {
		data: Uint8Array;
		zone: string;
		order: DateOrder | null;
	}): Promise<DatedList> => (await import('./dated-list.ts')).parseDatedList(list)
});

export const readDocket = reading('docket', async () => (await import('./page.ts')).showDocket);

export const readReport = reading('docket report', async () => {
	const { makeReport } = await import('./report.ts');
	return (reader, me, { request, most }: { request: ReportRequest; most: number }) =>
		makeReport(reader, me, request, most);
});
