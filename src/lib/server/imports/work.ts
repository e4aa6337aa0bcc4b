/** Imports at work: a file is read and judged in pieces, so that others are not kept waiting and one may leave and come back. */
import { stringify } from 'csv-stringify/sync';
import ExcelJS from 'exceljs';
import { Refused, type Ctx, type Staff, type World } from '../command.ts';
import { newId } from '../ids.ts';
import { importRows, remembered } from './commands.ts';
import { FIELDS, guess, judgeFor, planRows, type Plan, type What } from './plan.ts';
import { readTable, type Table } from './read.ts';

export type Work = {
	id: string;
	staffId: string;
	what: What;
	fileName: string;
	state: 'reading' | 'judging' | 'ready' | 'failed' | 'done';
	done: number;
	total: number;
	fault: string;
	table: Table | null;
	mapping: Record<string, string>;
	plan: Plan | null;
	batchId: string | null;
};
const all = new Map<string, Work>();
const CHUNK = 250;
const breathe = () => new Promise<void>((r) => setImmediate(r));

/** Takes a file in; what becomes of it is asked for by the id. Only the latest few of each person are kept, until the server stops. */
export function beginImport(
	w: World,
	me: Staff,
	what: What,
	fileName: string,
	data: Buffer
): string {
	const work: Work = {
		id: newId('wrk'),
		staffId: me.id,
		what,
		fileName,
		state: 'reading',
		done: 0,
		total: 0,
		fault: '',
		table: null,
		mapping: {},
		plan: null,
		batchId: null
	};
	const mine = [...all.values()].filter((x) => x.staffId === me.id);
	for (const old of mine.slice(0, Math.max(0, mine.length - 4))) all.delete(old.id);
	all.set(work.id, work);
	void (async () => {
		try {
			await breathe();
			work.table = await readTable(data);
			work.mapping = guess(what, work.table.head, remembered(w, what, work.table.head));
			await judge(w, me, work);
		} catch (e) {
			work.state = 'failed';
			work.fault = e instanceof Refused ? e.message : 'The file could not be read.';
		}
	})();
	return work.id;
}
async function judge(w: World, me: Staff, work: Work): Promise<void> {
	const t = work.table!;
	work.state = 'judging';
	work.total = t.rows.length;
	work.done = 0;
	work.plan = null;
	const mapping = work.mapping;
	// One judge for all pieces: it must know the rows before.
	const plan: Plan = { rows: [], made: 0, known: 0, faults: 0 };
	const judged = judgeFor(w, me, work.what);
	for (let from = 0; from < t.rows.length; from += CHUNK) {
		if (work.mapping !== mapping) return;
		const part = planRows(
			judged,
			work.what,
			{ head: t.head, rows: t.rows.slice(from, from + CHUNK) },
			mapping
		);
		plan.rows.push(...part.rows);
		plan.made += part.made;
		plan.known += part.known;
		plan.faults += part.faults;
		work.done = Math.min(t.rows.length, from + CHUNK);
		await breathe();
	}
	work.plan = plan;
	work.state = 'ready';
}
export const workOf = (me: Staff, id: string): Work | undefined => {
	const x = all.get(id);
	return x?.staffId === me.id ? x : undefined;
};
export const worksOf = (me: Staff): Work[] =>
	[...all.values()].filter((x) => x.staffId === me.id && x.state !== 'done').reverse();
/** Other columns for the fields: judged anew. */
export async function remap(
	w: World,
	me: Staff,
	work: Work,
	mapping: Record<string, string>
): Promise<void> {
	if (!work.table) return;
	work.mapping = Object.fromEntries(
		Object.entries(mapping).filter(
			([k, col]) => FIELDS[work.what].some((f) => f.key === k) && work.table!.head.includes(col)
		)
	);
	await judge(w, me, work);
}
/** Imports what is new, if no row has a fault. */
export function finishImport(ctx: Ctx, work: Work) {
	if (!work.plan || !work.table || work.state !== 'ready')
		throw new Refused('The rows are still being looked at.');
	if (work.plan.faults)
		throw new Refused(
			`${work.plan.faults} ${work.plan.faults === 1 ? 'row has a fault' : 'rows have faults'}. Mend the file and choose it again: all rows or none.`
		);
	const r = importRows(ctx, {
		what: work.what,
		fileName: work.fileName,
		header: work.table.head,
		mapping: work.mapping,
		rows: work.plan.rows.filter((x) => x.fate === 'new').map((x) => ({ n: x.n, values: x.values }))
	});
	if (r.ok) {
		work.state = 'done';
		work.batchId = r.value.batchId;
	}
	return r;
}

/** A file to begin from: the columns with a few lines of made-up data. */
export async function sample(what: What, as: 'csv' | 'xlsx'): Promise<Buffer> {
	const f = FIELDS[what];
	const rows = [
		f.map((x) => x.name),
		...(f[0]?.sample ?? []).map((_, i) => f.map((x) => x.sample[i] ?? ''))
	];
	if (as === 'csv') return Buffer.from(`\uFEFF${stringify(rows, { record_delimiter: '\r\n' })}`);
	const book = new ExcelJS.Workbook();
	const sheet = book.addWorksheet(what, { views: [{ state: 'frozen', ySplit: 1 }] });
	for (const r of rows) sheet.addRow(r);
	sheet.getRow(1).font = { bold: true };
	sheet.columns.forEach((c) => (c.width = 24));
	return Buffer.from(await book.xlsx.writeBuffer());
}
