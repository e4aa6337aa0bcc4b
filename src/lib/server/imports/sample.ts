/** A file to begin from: the columns with a few lines of made-up data. */
import type { Context } from '#server/app/application.ts';
import { workbookTask } from '#server/files/tasks.ts';
import { makeCsv } from '#server/files/workbook.ts';
import { FIELDS, type What } from './fields.ts';

const COLUMN_WIDTH = 24;

function sampleRows(what: What): string[][] {
	const fields = FIELDS[what];
	const count = Math.max(...fields.map(({ sample }) => sample.length));
	return Array.from({ length: count }, (_, row) => fields.map(({ sample }) => sample[row] ?? ''));
}

export const makeSampleCsv = (what: What): string =>
	makeCsv([FIELDS[what].map(({ name }) => name), ...sampleRows(what)]);

export const makeSampleXlsx = ({ work }: Pick<Context, 'work'>, what: What): Promise<Uint8Array> =>
	work.run(workbookTask, {
		name: what,
		columns: FIELDS[what].map(({ name }) => ({ header: name, width: COLUMN_WIDTH })),
		rows: sampleRows(what),
		filters: false
	});
