/**
 * The docket report as CSV, as a sheet for a workbook, and as PDF. Computation alone, without the
 * database.
 */
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { PlainDate } from '#core/dates/plain.ts';
import { harmlessCell, plural } from '#core/format/words.ts';
import { makePdf } from '#server/files/pdf.ts';
import { makeCsv, type Sheet } from '#server/files/workbook.ts';
import {
	DAY_COLUMNS,
	formatCell,
	formatReadable,
	REPORT_COLUMNS,
	type ReportColumn
} from './report-columns.ts';
import { groupingOf, groupRows, type ReportGroup } from './report-groups.ts';
import { describeMissedBefore } from './report-words.ts';
import type { Report } from './report.ts';

const QUIET = '#4a5b62';

export const makeReportCsv = ({ columns, rows, long }: Report): string =>
	makeCsv([
		columns.map((column) => REPORT_COLUMNS[column]),
		...rows.map((row) => columns.map((column) => harmlessCell(formatCell(row, column, long))))
	]);

function columnWidth(column: ReportColumn): number {
	if (column === 'count') return 60;
	if (column === 'title' || column === 'matter') return 36;
	return DAY_COLUMNS.has(column) ? 12 : 20;
}

/** The report as a sheet with typed dates, filters on and a frozen head. */
export const makeReportSheet = ({ columns, rows, long }: Report): Sheet => ({
	name: 'Docket',
	filters: true,
	columns: columns.map((column) => ({
		header: REPORT_COLUMNS[column],
		width: columnWidth(column),
		...(DAY_COLUMNS.has(column) ? { format: 'yyyy-mm-dd' } : {})
	})),
	rows: rows.map((row) =>
		columns.map((column) => {
			const text = formatCell(row, column, long);
			if (text === '') return null;
			return DAY_COLUMNS.has(column) ? { day: text } : text;
		})
	)
});

export type ReportPdfInput = {
	report: Report;
	about: string;
	/** Who made it and when. */
	printed: string;
	today: PlainDate;
};
/** Landscape, grouped as the report's order says, with repeated heads and page numbers. */
export function makeReportPdf({ report, about, printed, today }: ReportPdfInput): Promise<Buffer> {
	const { rows, total, paper, missedBefore } = report;
	const { said } = groupingOf(report);
	const columns = report.columns.filter((column) => column !== 'count' && !said.includes(column));
	const first = total > rows.length ? `, the first ${rows.length}` : '';
	const head = `${about}. ${plural(total, 'date')}${first}.`;
	const content: Content[] = [
		{ text: 'Docket report', fontSize: 18 },
		{ text: head, fontSize: 9, margin: [0, 2, 0, 10], color: QUIET },
		...(missedBefore.length ? [{ text: describeMissedBefore(missedBefore), bold: true }] : []),
		...(rows.length === 0 ? [{ text: 'No date fits.' }] : []),
		...groupRows(report).flatMap((group) => groupContent(report, group, columns, today))
	];
	const definition: TDocumentDefinitions = {
		info: { title: 'Docket report' },
		pageSize: paper === 'a4' ? 'A4' : 'LETTER',
		pageOrientation: 'landscape',
		pageMargins: [40, 44, 40, 44],
		defaultStyle: { font: 'Hanken', fontSize: 9 },
		content,
		header: (page) => edge(page === 1 ? '' : `Docket report. ${about}.`, 20),
		footer: (page, of) =>
			edge(`${printed}. Check every date against the current rules. Page ${page} of ${of}.`, 12)
	};
	return makePdf(definition);
}

/** A line at the top or the foot of each page. */
const edge = (text: string, above: number): Content => ({
	text,
	fontSize: 7.5,
	margin: [40, above, 40, 0],
	color: QUIET
});

/** Its first line is the title. */
function titleText(text: string): Content[] {
	const [title = '', ...rest] = text.split('\n');
	const under = rest.map((line) => `\n${line}`).join('');
	return [{ text: title, bold: true }, ...(under ? [{ text: under, color: QUIET }] : [])];
}

function groupContent(
	{ columns: asked, long }: Report,
	{ name, rows }: ReportGroup,
	columns: readonly ReportColumn[],
	today: PlainDate
): Content[] {
	const body: TableCell[][] = [
		columns.map((column) => ({ text: REPORT_COLUMNS[column], bold: true, fontSize: 8 }))
	];
	for (const row of rows) {
		body.push(
			columns.map((column) => {
				const text = formatReadable(row, column, long, today);
				return { text: column === 'title' ? titleText(text) : text, fontSize: 8.5 };
			})
		);
		if (asked.includes('count') && row.count) body.push(countLine(row.count, columns.length));
	}
	const wide: ReportColumn[] = ['title', 'matter', 'authority', 'event', 'people', 'outcome'];
	const widths = columns.map((column) => (wide.includes(column) ? '*' : 'auto'));
	return [
		{ text: name, fontSize: 11.5, margin: [0, 8, 0, 3] },
		{
			table: { headerRows: 1, widths, body, dontBreakRows: true },
			layout: 'lightHorizontalLines'
		}
	];
}

/** How a date was counted, on a line of its own beneath it. */
const countLine = (text: string, span: number): TableCell[] => [
	{ text, colSpan: span, fontSize: 7.5, color: QUIET, margin: [8, 0, 0, 2] },
	...Array.from({ length: span - 1 }, () => ({ text: '' }))
];
