/** Which files an index names, which are still to be given, and what is kept of those that were. */
import { filePath } from '#core/documents/paths.ts';
import type { Context } from '#server/app/application.ts';
import type { What } from './fields.ts';
import { findStored, keptFile, takeFile, type GivenFiles } from './given.ts';
import type { Mapping } from './mapping.ts';
import type { Table } from './table.ts';

type Index = { what: What; table: Table; mapping: Mapping; files: GivenFiles };
type Cells = readonly string[];

/** The column in which an index that was filed keeps what its files were. */
const HASH = 'SHA-256 of the file';

/** The path that a row of an index names. */
function pathOf({ mapping, table }: Omit<Index, 'what'>, cells: Cells): string {
	const column = mapping.file;
	return column === undefined ? '' : filePath(cells[table.head.indexOf(column)] ?? '');
}

/** The files that rows name and nobody gave yet. */
export function listWanted(work: Omit<Index, 'table'> & { table: Table | null }): string[] {
	const { what, table, files, mapping } = work;
	if (what !== 'documents' || !table) return [];
	const paths = new Set(table.rows.map(({ cells }) => pathOf({ table, files, mapping }, cells)));
	return [...paths].filter((path) => path && !files.has(path));
}

/** Takes in what an earlier import of this index had filed. */
export async function takeKept(ctx: Context, index: Index): Promise<void> {
	const { head, rows } = index.table;
	const at = head.indexOf(HASH);
	for (const { cells } of rows) {
		const path = pathOf(index, cells);
		const hash = cells[at];
		if (!path || !hash || index.files.has(path)) continue;
		const name = path.slice(path.lastIndexOf('/') + 1);
		await takeFile(ctx, index.files, path, keptFile(ctx, name, hash));
	}
}

/** The rows as they are kept; of documents with what their files were. */
export function keptRows(index: Index): string[][] {
	const { head, rows } = index.table;
	// A column of this name that somebody wrote says nothing.
	const own = head.filter((column) => column !== HASH);
	const cellsOf = (cells: Cells) => own.map((column) => cells[head.indexOf(column)] ?? '');
	if (index.what !== 'documents') return [own, ...rows.map(({ cells }) => cellsOf(cells))];
	const hashOf = (cells: Cells) => findStored(index.files, pathOf(index, cells))?.sha256 ?? '';
	return [[...own, HASH], ...rows.map(({ cells }) => [...cellsOf(cells), hashOf(cells)])];
}
