/** A row put right in place. */
import type { Field } from './fields.ts';
import type { Mapping } from './mapping.ts';
import type { Table } from './table.ts';

/** The rows with these values in one of them; a field that had no column gets one. */
export function mendRow(
	{ head: columns, rows }: Table,
	mapping: Mapping,
	fields: readonly Field[],
	n: number,
	values: Readonly<Record<string, string>>
): { table: Table; mapping: Mapping } {
	const head = [...columns];
	const mended = { ...mapping };
	const changed = fields.filter(({ key }) => values[key] !== undefined);
	for (const { key, name } of changed) {
		if (mended[key] !== undefined) continue;
		mended[key] = name;
		if (!head.includes(name)) head.push(name);
	}
	const mendCells = (before: readonly string[]) => {
		const cells = head.map((_, at) => before[at] ?? '');
		for (const { key } of changed)
			cells[head.indexOf(mended[key] ?? '')] = (values[key] ?? '').trim();
		return cells;
	};
	return {
		table: {
			head,
			rows: rows.map((row) => (row.n === n ? { n, cells: mendCells(row.cells) } : row))
		},
		mapping: mended
	};
}
