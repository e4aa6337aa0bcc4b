/** Tables as files: CSV that a spreadsheet opens as it is meant, and workbooks with typed cells. */
import { stringify } from 'csv-stringify/sync';

/**
 * A CSV file with a byte order mark, so that spreadsheets read it as UTF-8 (RFC 4180 for the rest).
 */
export const makeCsv = (rows: readonly (readonly string[])[]): string =>
	`\uFEFF${stringify(rows as string[][], { record_delimiter: '\r\n', quoted_match: /\n/ })}`;

export type SheetColumn = {
	header: string;
	width: number;
	/** How numbers and days are shown, as spreadsheets write it: `yyyy-mm-dd`. */
	format?: string;
};
export type SheetCell = string | number | { day: string } | null;
export type Sheet = {
	name: string;
	columns: SheetColumn[];
	rows: SheetCell[][];
	/** With arrows that filter, on the head. */
	filters: boolean;
};

/** A workbook of one sheet with a frozen head. Runs in a worker. */
export async function makeWorkbook({ name, columns, rows, filters }: Sheet): Promise<Buffer> {
	const { default: Excel } = await import('exceljs');
	const book = new Excel.Workbook();
	const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
	sheet.columns = columns.map(({ header, width, format }) => ({
		header,
		width,
		style: format === undefined ? {} : { numFmt: format }
	}));
	for (const row of rows) sheet.addRow(row.map(cellValue));
	sheet.getRow(1).font = { bold: true };
	if (filters && columns.length)
		sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: columns.length } };
	return Buffer.from(await book.xlsx.writeBuffer());
}

const cellValue = (cell: SheetCell): string | number | Date | null =>
	typeof cell === 'object' && cell !== null ? new Date(`${cell.day}T00:00:00Z`) : cell;
