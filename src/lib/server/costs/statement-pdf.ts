/** A business unit's statement as PDF. Computation alone: it runs in a worker. */
import type { Content, CustomTableLayout, TableCell } from 'pdfmake/interfaces.js';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatLongDate } from '#core/format/dates.ts';
import { formatHours } from '#core/format/hours.ts';
import { formatCents } from '#core/format/money.ts';
import { makePdf } from '#server/files/pdf.ts';
import type { StatementLine } from './statements.ts';

export type Statement = {
	department: string;
	unit: string;
	title: string;
	from: PlainDate;
	to: PlainDate;
	/** Which run, and how far it is. */
	standing: string;
	lines: StatementLine[];
	total: number;
};

const QUIET = '#4a5b62';
const INK = '#16252b';
const right = (text: string): TableCell => ({ text, alignment: 'right' });
const heading = (text: string, alignment: 'left' | 'right' = 'left'): TableCell => ({
	text,
	alignment,
	bold: true,
	fontSize: 9
});

/** Rules under the head and around the total. */
const LAYOUT: CustomTableLayout = {
	hLineWidth: (line, { table }) => (line === 1 || line >= table.body.length - 1 ? 1 : 0.4),
	vLineWidth: () => 0,
	hLineColor: () => INK,
	paddingTop: () => 5,
	paddingBottom: () => 5
};

export function makeStatementPdf(statement: Statement): Promise<Buffer> {
	const { department, unit, title, from, to, standing, lines, total } = statement;
	const span = `from ${formatLongDate(from)} to ${formatLongDate(to)}`;
	const content: Content[] = [
		{ text: department, color: QUIET, margin: [0, 0, 0, 18] },
		{
			text: `Statement of legal cost, ${unit}`,
			font: 'Newsreader',
			fontSize: 20,
			margin: [0, 0, 0, 4]
		},
		{ text: `${title}, ${span}. ${standing}`, margin: [0, 0, 0, 16], color: QUIET },
		{
			layout: LAYOUT,
			table: {
				headerRows: 1,
				widths: [84, '*', 56, 44, 72],
				body: [
					[
						heading('Matter'),
						heading(''),
						heading('Share', 'right'),
						heading('Hours', 'right'),
						heading('Amount', 'right')
					],
					...lines.map(lineCells),
					[
						{ text: 'Total', bold: true },
						'',
						'',
						'',
						{ text: formatCents(total), bold: true, alignment: 'right' }
					]
				]
			}
		},
		{
			text: 'Hours are those of the whole matter; the amount is this business unit’s share, to the cent.',
			color: QUIET,
			fontSize: 8.5,
			margin: [0, 14, 0, 0]
		}
	];
	return makePdf({
		info: { title: `Statement ${title}, ${unit}` },
		defaultStyle: { font: 'Hanken', fontSize: 9.5 },
		content
	});
}

function lineCells(line: StatementLine): TableCell[] {
	const work: Content[] = line.narratives.length
		? [{ text: line.narratives.join('; '), color: QUIET, fontSize: 8.5 }]
		: [];
	return [
		line.number ?? '',
		{ stack: [{ text: line.title, bold: true }, ...work] },
		right(line.share),
		right(formatHours(line.minutes)),
		right(formatCents(line.cents))
	];
}
