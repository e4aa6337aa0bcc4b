/** Imports that were made. */
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { What } from './fields.ts';
import type { Decisions } from './judge.ts';
import type { Mapping } from './mapping.ts';
import type { ImportBatchRow, ImportMappingRow } from './rows.ts';

export type BatchView = Pick<ImportBatchRow, 'id' | 'what' | 'rows' | 'made' | 'at' | 'state'> & {
	fileName: string;
	by: string;
	undoneAt: string | null;
	/** Its rows are kept. */
	again: 0 | 1;
};
const BATCHES_SHOWN = 50;

/** The latest imports. */
export const listBatches = ({ db }: Application): BatchView[] =>
	all(
		db,
		`SELECT
			b.id, b.what, b.file_name AS fileName, b.rows, b.made, s.name AS "by", b.at, b.state,
			b.undone_at AS undoneAt, b.file_sha256 IS NOT NULL AS again
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

export type KeptImport = { what: What; fileName: string; sha256: string; decisions: Decisions };
/** The rows of an import that was made, to be done anew. */
export function findKept({ db }: Application, batchId: string): KeptImport | undefined {
	const batch = maybeOne<ImportBatchRow>(db, 'SELECT * FROM import_batch WHERE id = @batchId', {
		batchId
	});
	if (!batch?.file_sha256) return undefined;
	const { what, file_name: fileName, file_sha256: sha256 } = batch;
	return { what, fileName, sha256, decisions: JSON.parse(batch.decisions) as Decisions };
}
