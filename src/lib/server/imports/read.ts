/** Reads a table from CSV or XLSX: a head and rows of text. Formulas are refused, whatever their result. */
import { parse } from 'csv-parse/sync';
import ExcelJS from 'exceljs';
import { Refused } from '../command.ts';

export type Table = { head: string[]; rows: { n: number; cells: string[] }[] };
export const MOST_ROWS = 20_000;
const fault = (words: string) => new Refused(words, 'file');

/** The table in a file, by its contents, not its name. */
export async function readTable(data: Buffer): Promise<Table> {
	if (data.length === 0) throw fault('The file is empty.');
	if (data.subarray(0, 2).toString('latin1') === 'PK') return readXlsx(data);
	if (data.subarray(0, 4).toString('hex') === 'd0cf11e0')
		throw fault('This is an old Excel file (.xls). Save it as .xlsx or as CSV (UTF-8).');
	return readCsv(data);
}

function readCsv(data: Buffer): Table {
	let text: string;
	if (data[0] === 0xff && data[1] === 0xfe) text = data.subarray(2).toString('utf16le');
	else {
		try {
			text = new TextDecoder('utf-8', { fatal: true }).decode(data).replace(/^\uFEFF/, '');
		} catch {
			throw fault(
				'This file is not written in UTF-8, so letters such as é or ü would be lost. In your table program, save it as “CSV UTF-8”.'
			);
		}
	}
	if (text.includes('\u0000')) throw fault('This is not a CSV file.');
	const first = text.slice(0, text.search(/\r|\n/) === -1 ? undefined : text.search(/\r|\n/));
	// The mark that divides the head: comma, semicolon or tab.
	const delimiter = [',', ';', '\t']
		.map((d) => [d, first.split(d).length] as const)
		.sort((a, b) => b[1] - a[1])[0]![0];
	let lines: string[][];
	try {
		lines = parse(text, {
			delimiter,
			relax_column_count: true,
			skip_empty_lines: true,
			max_record_size: 200_000,
			to: MOST_ROWS + 2
		}) as string[][];
	} catch (e) {
		const line = /line (\d+)/i.exec((e as Error).message)?.[1];
		throw fault(
			`Line ${line ?? '?'} cannot be read as CSV: a quotation mark is opened and not closed, or stands inside a value.`
		);
	}
	return table(lines.map((cells, i) => ({ n: i + 1, cells: cells.map((c) => c.trim()) })));
}

async function readXlsx(data: Buffer): Promise<Table> {
	const book = new ExcelJS.Workbook();
	try {
		await book.xlsx.load(data as unknown as ArrayBuffer);
	} catch {
		throw fault(
			'This workbook cannot be read. Open it, save it as .xlsx again, and try once more.'
		);
	}
	const sheet = book.worksheets.find((s) => s.rowCount > 0);
	if (!sheet) throw fault('The workbook has no rows.');
	if (sheet.rowCount > MOST_ROWS + 2)
		throw fault(
			`The sheet has ${sheet.rowCount.toLocaleString('en-US')} rows; at most ${MOST_ROWS.toLocaleString('en-US')} at once. Divide it.`
		);
	const rows: { n: number; cells: string[] }[] = [];
	sheet.eachRow((row, n) => {
		const cells: string[] = [];
		row.eachCell({ includeEmpty: true }, (cell, c) => {
			const v = cell.value;
			if (v !== null && typeof v === 'object' && ('formula' in v || 'sharedFormula' in v))
				throw fault(
					`Cell ${cell.address} is a formula. Put its value there instead, so that what you see is what comes in.`
				);
			cells[c - 1] =
				v === null || v === undefined
					? ''
					: v instanceof Date
						? v.toISOString().slice(0, 10)
						: typeof v === 'object' && 'richText' in v
							? v.richText
									.map((t) => t.text)
									.join('')
									.trim()
							: typeof v === 'object' && 'text' in v
								? String(v.text).trim()
								: String(v as string | number | boolean).trim();
		});
		if (cells.some((c) => c)) rows.push({ n, cells: Array.from(cells, (c) => c ?? '') });
	});
	return table(rows);
}

function table(lines: { n: number; cells: string[] }[]): Table {
	const [head, ...rows] = lines;
	if (!head) throw fault('The file has no rows.');
	if (rows.length > MOST_ROWS)
		throw fault(`The file has more than ${MOST_ROWS.toLocaleString('en-US')} rows. Divide it.`);
	const names = head.cells.map((c) => c.trim());
	if (names.filter(Boolean).length === 0)
		throw fault('The first row names the columns: it is empty here.');
	const twice = names.find(
		(n, i) => n && names.findIndex((x) => x.toLowerCase() === n.toLowerCase()) !== i
	);
	if (twice) throw fault(`Two columns are called “${twice}”.`);
	if (rows.length === 0) throw fault('There is no row below the head.');
	for (const r of rows) {
		const i = r.cells.findIndex((c) => /^=/.test(c) || /^[+@]\s*[A-Za-z]+\(/.test(c));
		if (i !== -1)
			throw fault(
				`Row ${r.n}, “${names[i] ?? `column ${i + 1}`}”: ${r.cells[i]!.slice(0, 40)} looks like a formula. Put its value there instead.`
			);
	}
	return { head: names, rows };
}
