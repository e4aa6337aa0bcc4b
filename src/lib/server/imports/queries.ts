/** Imports that were made. */
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { Mapping, What } from './fields.ts';
import type { ImportBatchRow, ImportMappingRow } from './rows.ts';

export type BatchView = Pick<ImportBatchRow, 'id' | 'what' | 'rows' | 'made' | 'at' | 'state'> & {
	fileName: string;
	by: string;
	undoneAt: string | null;
};
const BATCHES_SHOWN = 50;

/** The latest imports. */
export const listBatches = ({ db }: Application): BatchView[] =>
	all(
		db,
		`SELECT
			b.id, b.what, b.file_name AS fileName, b.rows, b.made, s.name AS "by", b.at, b.state,
			b.undone_at AS undoneAt
		FROM import_batch b
		JOIN staff s ON s.id = b.by
		ORDER BY b.at DESC
		LIMIT ${BATCHES_SHOWN}`
	);

/** Which column was what, of the last file with this head. */
export function findMapping(
	{ db }: Application,
	what: What,
	head: readonly string[]
): Mapping | null {
	const row = maybeOne<ImportMappingRow>(
		db,
		'SELECT * FROM import_mapping WHERE what = @what AND header = @header',
		{ what, header: JSON.stringify(head) }
	);
	return row ? (JSON.parse(row.mapping) as Mapping) : null;
}
