/**
 * Reads a table from CSV or XLSX: a head and rows of text. Formulas are refused, whatever their
 * result. Runs in a worker.
 */
import type { CellValue, Row, Worksheet } from 'exceljs';
import { Refused } from '#server/app/errors.ts';

type Line = { n: number; cells: string[] };
export type Table = {
	head: string[];
	/** `n` is the row's number in the file. */
	rows: Line[];
};

export const ROW_LIMIT = 20_000;
/** More columns than any list of people or matters has. */
export const COLUMN_LIMIT = 200;
/** Characters of one line of a CSV file. */
const LINE_LIMIT = 200_000;

const refuse = (message: string) => new Refused(message, 'file');
const many = (number: number) => number.toLocaleString('en-US');

/** The table in a file, by its contents, not its name. @throws Refused */
export async function parseTable(data: Uint8Array): Promise<Table> {
	const bytes = Buffer.from(data);
	if (bytes.length === 0) throw refuse('The file is empty.');
	if (bytes.subarray(0, 2).toString('latin1') === 'PK') return makeTable(await readXlsx(bytes));
	if (bytes.subarray(0, 4).toString('hex') === 'd0cf11e0')
		throw refuse('This is an old Excel file (.xls). Save it as .xlsx or as CSV (UTF-8).');
	return makeTable(await readCsv(decode(bytes)));
}

function decode(bytes: Buffer): string {
	if (bytes[0] === 0xff && bytes[1] === 0xfe) return bytes.subarray(2).toString('utf16le');
	try {
		return new TextDecoder('utf-8', { fatal: true }).decode(bytes).replace(/^\uFEFF/, '');
	} catch {
		throw refuse(
			'This file is not written in UTF-8, so letters such as é or ü would be lost. In your table program, save it as “CSV UTF-8”.'
		);
	}
}

async function readCsv(text: string): Promise<Line[]> {
	if (text.includes('\u0000')) throw refuse('This is not a CSV file.');
	const [head = ''] = text.split(/\r|\n/, 1);
	const delimiter = findDelimiter(head);
	refuseColumns(head.split(delimiter).length);
	const { parse } = await import('csv-parse/sync');
	try {
		const lines = parse(text, {
			delimiter,
			relax_column_count: true,
			skip_empty_lines: true,
			max_record_size: LINE_LIMIT,
			to: ROW_LIMIT + 2
		});
		return lines.map((cells, index) => ({
			n: index + 1,
			cells: cells.slice(0, COLUMN_LIMIT).map((cell) => cell.trim())
		}));
	} catch (error) {
		const line = /line (\d+)/i.exec(error instanceof Error ? error.message : '')?.[1];
		throw refuse(
			`Line ${line ?? '?'} cannot be read as CSV: a quotation mark is opened and not closed, or stands inside a value.`
		);
	}
}

/** The mark that divides the head: comma, semicolon or tab. */
function findDelimiter(head: string): string {
	const count = (mark: string) => head.split(mark).length;
	return [',', ';', '\t'].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}

function refuseColumns(count: number): void {
	if (count > COLUMN_LIMIT)
		throw refuse(
			`The file has ${many(count)} columns; at most ${COLUMN_LIMIT}. Take out those that are not needed.`
		);
}

async function readXlsx(data: Buffer): Promise<Line[]> {
	const { default: Excel } = await import('exceljs');
	const book = new Excel.Workbook();
	try {
		await book.xlsx.load(data as unknown as ArrayBuffer);
	} catch {
		throw refuse(
			'This workbook cannot be read. Open it, save it as .xlsx again, and try once more.'
		);
	}
	const sheet = book.worksheets.find((other) => other.rowCount > 0);
	if (!sheet) throw refuse('The workbook has no rows.');
	if (sheet.rowCount > ROW_LIMIT + 2)
		throw refuse(
			`The sheet has ${many(sheet.rowCount)} rows; at most ${many(ROW_LIMIT)} at once. Divide it.`
		);
	refuseColumns(sheet.columnCount);
	return readSheet(sheet);
}

function readSheet(sheet: Worksheet): Line[] {
	const lines: Line[] = [];
	sheet.eachRow((row, n) => {
		const cells = readRow(row);
		if (cells.some(Boolean)) lines.push({ n, cells });
	});
	return lines;
}

function readRow(row: Row): string[] {
	const cells: string[] = [];
	row.eachCell({ includeEmpty: true }, ({ value, address }, number) => {
		if (isFormula(value))
			throw refuse(
				`Cell ${address} is a formula. Put its value there instead, so that what you see is what comes in.`
			);
		cells[number - 1] = cellText(value);
	});
	return Array.from(cells, (cell) => cell ?? '');
}

const isFormula = (value: CellValue): boolean =>
	typeof value === 'object' && value !== null && ('formula' in value || 'sharedFormula' in value);

function cellText(value: CellValue): string {
	if (value === null || value === undefined) return '';
	if (value instanceof Date) return value.toISOString().slice(0, 10);
	if (typeof value !== 'object') return String(value).trim();
	if ('richText' in value)
		return value.richText
			.map(({ text }) => text)
			.join('')
			.trim();
	return 'text' in value ? String(value.text).trim() : '';
}

function makeTable(lines: readonly Line[]): Table {
	const [head, ...rows] = lines;
	if (!head) throw refuse('The file has no rows.');
	if (rows.length > ROW_LIMIT)
		throw refuse(`The file has more than ${many(ROW_LIMIT)} rows. Divide it.`);
	const names = head.cells.map((cell) => cell.trim());
	if (!names.some(Boolean)) throw refuse('The first row names the columns: it is empty here.');
	const twice = findTwice(names);
	if (twice) throw refuse(`Two columns are called “${twice}”.`);
	if (rows.length === 0) throw refuse('There is no row below the head.');
	refuseNameless(rows, names);
	for (const row of rows) refuseFormulas(row, names);
	return { head: names, rows };
}

/** What stands under no name would be left out without a word. */
function refuseNameless(rows: readonly Line[], names: readonly string[]): void {
	for (const { n, cells } of rows) {
		const column = cells.findIndex((cell, at) => cell !== '' && !names[at]);
		if (column === -1) continue;
		const cell = cells[column]?.slice(0, SHOWN) ?? '';
		throw refuse(
			`Row ${n} has “${cell}” in column ${column + 1}, which has no name in the first row. Name the column, or empty it.`
		);
	}
}

function findTwice(names: readonly string[]): string | undefined {
	const seen = new Set<string>();
	return names.find((name) => {
		const lower = name.toLowerCase();
		if (name === '' || !seen.has(lower)) {
			seen.add(lower);
			return false;
		}
		return true;
	});
}

const FORMULA = /^(=|[+@]\s*[A-Za-z]+\()/;
/** Of a cell that looks like a formula, so much is shown. */
const SHOWN = 40;

function refuseFormulas({ n, cells }: Line, names: readonly string[]): void {
	const column = cells.findIndex((cell) => FORMULA.test(cell));
	if (column === -1) return;
	const name = names[column] ?? `column ${column + 1}`;
	const cell = cells[column]?.slice(0, SHOWN) ?? '';
	throw refuse(`Row ${n}, “${name}”: ${cell} looks like a formula. Put its value there instead.`);
}
