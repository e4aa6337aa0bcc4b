/** The matter list as CSV and as a workbook with typed cells. */
import { harmlessCell } from '#core/format/words.ts';
import type { Application, Context, Staff } from '#server/app/application.ts';
import { actingStaff } from '#server/app/application.ts';
import { workbookTask } from '#server/files/tasks.ts';
import { makeCsv, type SheetCell } from '#server/files/workbook.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { listColumns, type Column, type ColumnType } from './columns.ts';
import type { MatterFilter } from './filter.ts';
import { listMatters, wantedColumns, type MatterListRow } from './list.ts';

type Named = Column & { key: string };
function listTable(
	app: Application,
	me: Staff,
	filter: MatterFilter
): { columns: Named[]; rows: MatterListRow[] } {
	const columns = listColumns(listKinds(app));
	const wanted = wantedColumns(columns, filter).flatMap((key): Named[] => {
		const column = columns[key];
		return column ? [{ ...column, key }] : [];
	});
	return { columns: wanted, rows: listMatters(app, me, filter, null).rows };
}

/** Money in units, time in hours: as a spreadsheet reckons with them. */
function valueOf({ type, key }: Named, row: MatterListRow): string | number | null {
	const cell = row.cells[key] ?? null;
	if (cell === null) return null;
	if (type === 'money') return Number(cell) / 100;
	return type === 'hours' ? Number(cell) / 60 : cell;
}

export function makeMattersCsv(app: Application, me: Staff, filter: MatterFilter): string {
	const { columns, rows } = listTable(app, me, filter);
	const cellText = (value: string | number | null) =>
		typeof value === 'number' ? String(Number(value.toFixed(2))) : harmlessCell(value ?? '');
	return makeCsv([
		columns.map(({ name }) => name),
		...rows.map((row) => columns.map((column) => cellText(valueOf(column, row))))
	]);
}

const FORMATS: Partial<Record<ColumnType, string>> = {
	date: 'yyyy-mm-dd',
	money: '#,##0.00',
	hours: '0.0'
};
function widthOf({ key, type }: Named): number {
	if (key === 'title') return 44;
	return type === 'text' ? 22 : 14;
}

export function makeMattersXlsx(ctx: Context, filter: MatterFilter): Promise<Uint8Array> {
	const { columns, rows } = listTable(ctx, actingStaff(ctx), filter);
	const cellOf = (column: Named, row: MatterListRow): SheetCell => {
		const value = valueOf(column, row);
		return column.type === 'date' && value !== null ? { day: String(value) } : value;
	};
	return ctx.work.run(workbookTask, {
		name: 'Matters',
		filters: true,
		columns: columns.map((column) => ({
			header: column.name,
			width: widthOf(column),
			format: FORMATS[column.type] ?? 'General'
		})),
		rows: rows.map((row) => columns.map((column) => cellOf(column, row)))
	});
}
