/** What is done from the list: saved views, bulk change, export. */
import { stringify } from 'csv-stringify/sync';
import ExcelJS from 'exceljs';
import { z } from 'zod';
import {
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Result,
	type Staff,
	type World
} from '../command.ts';
import { flag, id, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { findMatter } from '../trust/scope.ts';
import { addMember, editMatter } from './commands.ts';
import { columns, DEFAULT_COLUMNS, matterList, type MatterFilter } from './list.ts';
import { setStatus } from './status.ts';

export const saveView = command({
	name: 'save view',
	action: 'matter.read',
	input: z.object({ name: text('The name', 60), query: maybeText('The view', 2000), shared: flag }),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const q = new URLSearchParams(i.query);
		q.delete('page');
		if (
			ctx.db
				.prepare<[string], { n: number }>('SELECT count(*) AS n FROM saved_view WHERE staff_id = ?')
				.get(me.id)!.n >= 60
		)
			throw new Refused('You have 60 views already. Remove one first.', 'name');
		ctx.db
			.prepare(
				'INSERT INTO saved_view (id, staff_id, shared, name, query) VALUES (?, ?, ?, ?, ?) ON CONFLICT (staff_id, name) DO UPDATE SET query = excluded.query, shared = excluded.shared'
			)
			.run(newId('viw'), me.id, i.shared ? 1 : 0, i.name, q.toString());
		scribe.note({ view: i.name, shared: i.shared });
	}
});
export const dropView = command({
	name: 'drop view',
	action: 'matter.read',
	input: z.object({ viewId: id('a view') }),
	run(ctx, i, scribe) {
		if (
			ctx.db
				.prepare('DELETE FROM saved_view WHERE id = ? AND staff_id = ?')
				.run(i.viewId, staffOf(ctx).id).changes === 0
		)
			throw new NotFound('view');
		scribe.note({ view: i.viewId });
	}
});

export const BULK = {
	responsible: 'Responsible lawyer',
	unit: 'Business unit',
	priority: 'Priority',
	status: 'Status',
	member: 'Add a colleague'
} as const;
type Bulk = { what: keyof typeof BULK; value: string; reason: string };
function change(ctx: Ctx, matterId: string, b: Bulk): Result<unknown> {
	if (b.what === 'member') return addMember(ctx, { matterId, staffId: b.value });
	if (b.what === 'status')
		return setStatus(ctx, { matterId, status: b.value as 'open', reason: b.reason });
	return editMatter(ctx, { matterId, fields: { [b.what]: b.value } });
}
class Undo extends Error {}
/** What a bulk change would do to each matter: the old value, or why it cannot be. Nothing is saved: the change itself is tried and taken back. */
export function bulkPreview(
	ctx: Ctx,
	numbers: readonly string[],
	b: Bulk
): { number: string; title: string; was: string; fault: string | null }[] {
	const me = staffOf(ctx);
	const out: { number: string; title: string; was: string; fault: string | null }[] = [];
	const name = (sql: string, x: string) =>
		ctx.db.prepare<[string], { name: string }>(sql).get(x)?.name ?? '';
	for (const number of numbers.slice(0, 500)) {
		const m = findMatter(ctx.db, me, { number });
		if (!m) {
			out.push({ number, title: '', was: '', fault: new NotFound().message });
			continue;
		}
		const was =
			b.what === 'responsible'
				? name('SELECT name FROM staff WHERE id = ?', m.responsible_id)
				: b.what === 'unit'
					? name('SELECT name FROM business_unit WHERE id = ?', m.unit_id)
					: b.what === 'priority'
						? m.priority
						: b.what === 'status'
							? m.status
							: '';
		let fault: string | null = null;
		try {
			ctx.db.transaction(() => {
				const r = change(ctx, m.id, b);
				if (!r.ok) fault = Object.values(r.errors)[0]!;
				throw new Undo();
			})();
		} catch (e) {
			if (!(e instanceof Undo)) throw e;
		}
		const now = {
			responsible: m.responsible_id,
			unit: m.unit_id,
			priority: m.priority,
			status: m.status,
			member: ''
		}[b.what];
		out.push({
			number,
			title: m.title,
			was,
			fault: fault ?? (now === b.value ? 'It is so already.' : null)
		});
	}
	return out;
}
/** Changes many matters as one: all of them, or none. */
export const bulkChange = command({
	name: 'bulk change',
	action: 'matter.edit',
	input: z.object({
		numbers: z
			.array(z.string().max(40))
			.min(1, 'Choose at least one matter.')
			.max(500, 'At most 500 matters at once.'),
		what: z.enum(Object.keys(BULK) as [Bulk['what'], ...Bulk['what'][]], {
			error: 'Choose what changes.'
		}),
		value: text('The new value', 100),
		reason: maybeText('The reason', 1000)
	}),
	run(ctx, i, scribe) {
		for (const number of i.numbers) {
			const m = findMatter(ctx.db, staffOf(ctx), { number });
			if (!m) throw new NotFound();
			const r = change(ctx, m.id, i);
			if (!r.ok) throw new Refused(`${number}: ${Object.values(r.errors)[0]} Nothing was changed.`);
		}
		scribe.note({ what: i.what, value: i.value, matters: i.numbers });
		return { changed: i.numbers.length };
	}
});

/** A text that a table program would take for a formula is kept as text. */
export const harmless = (v: string): string => (/^[=+\-@\t\r]/.test(v) ? `'${v}` : v);
const cellOf = (type: string, v: string | number | null): string | number =>
	v === null ? '' : type === 'money' ? Number(v) / 100 : type === 'hours' ? Number(v) / 60 : v;

export function listCsv(w: World, me: Staff, f: MatterFilter): string {
	const cols = columns(w),
		keys = (f.cols ?? DEFAULT_COLUMNS).filter((c) => cols[c]);
	const { rows } = matterList(w, me, f, null);
	return `\uFEFF${stringify(
		[
			keys.map((k) => cols[k]!.name),
			...rows.map((r) =>
				keys.map((k) => {
					const v = cellOf(cols[k]!.type, r.cells[k] ?? null);
					return typeof v === 'number' ? String(Number(v.toFixed(2))) : harmless(v);
				})
			)
		],
		{ record_delimiter: '\r\n' }
	)}`;
}
/** The list as a workbook: typed dates and numbers, a frozen head, filters on. */
export async function listXlsx(w: World, me: Staff, f: MatterFilter): Promise<Buffer> {
	const cols = columns(w),
		keys = (f.cols ?? DEFAULT_COLUMNS).filter((c) => cols[c]);
	const { rows } = matterList(w, me, f, null);
	const book = new ExcelJS.Workbook();
	const sheet = book.addWorksheet('Matters', { views: [{ state: 'frozen', ySplit: 1 }] });
	sheet.columns = keys.map((k) => ({
		header: cols[k]!.name,
		key: k,
		width: k === 'title' ? 44 : cols[k]!.type === 'text' ? 22 : 14,
		style: {
			numFmt:
				cols[k]!.type === 'date'
					? 'yyyy-mm-dd'
					: cols[k]!.type === 'money'
						? '#,##0.00'
						: cols[k]!.type === 'hours'
							? '0.0'
							: 'General'
		}
	}));
	for (const r of rows)
		sheet.addRow(
			keys.map((k) => {
				const v = cellOf(cols[k]!.type, r.cells[k] ?? null);
				return cols[k]!.type === 'date' && v !== ''
					? new Date(`${v}T00:00:00Z`)
					: v === ''
						? null
						: v;
			})
		);
	sheet.getRow(1).font = { bold: true };
	if (keys.length)
		sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: keys.length } };
	return Buffer.from(await book.xlsx.writeBuffer());
}
