/** Files documents and their versions, within the transaction of a command. */
import { actingStaff, type Context } from '#server/app/application.ts';
import { newId } from '#server/app/ids.ts';
import { insert, scalar } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { DocumentRow, DocumentVersionRow } from './rows.ts';
import type { StoredFile } from './store.ts';

export type NewDocument = Pick<DocumentRow, 'name' | 'folder' | 'mark'> & {
	file: StoredFile;
	/** Why it is there, beside its first version: "uploaded". */
	why: string;
};
export type FiledDocument = { documentId: string; number: string };

/** Files a document into a matter, under the matter's next number. */
export function fileDocument(
	ctx: Context,
	matter: Pick<MatterRow, 'id' | 'number'>,
	{ file, why, ...document }: NewDocument
): FiledDocument {
	const documentId = newId('doc');
	const number = nextNumber(ctx, matter);
	const by = actingStaff(ctx).id;
	insert<DocumentRow>(ctx.db, 'document', {
		id: documentId,
		number,
		matter_id: matter.id,
		...document,
		created_by: by,
		created_at: ctx.clock.now()
	});
	addVersion(ctx, documentId, file, { why, by });
	return { documentId, number };
}

/** After the highest there is: one that was taken back leaves no number twice. */
function nextNumber(ctx: Context, matter: Pick<MatterRow, 'id' | 'number'>): string {
	const highest = scalar<number | null>(
		ctx.db,
		`SELECT max(CAST(substr(number, @from) AS INTEGER))
		FROM document
		WHERE matter_id = @matterId`,
		{ matterId: matter.id, from: matter.number.length + '-D'.length + 1 }
	);
	return `${matter.number}-D${String((highest ?? 0) + 1).padStart(3, '0')}`;
}

/** Adds a version; its number. */
export function addVersion(
	ctx: Context,
	documentId: string,
	file: StoredFile,
	more: { why: string; by: string; baseSha256?: string }
): number {
	const last = scalar<number | null>(
		ctx.db,
		'SELECT max(n) FROM document_version WHERE document_id = @documentId',
		{ documentId }
	);
	const n = (last ?? 0) + 1;
	insert<DocumentVersionRow>(ctx.db, 'document_version', {
		document_id: documentId,
		n,
		sha256: file.sha256,
		media_type: file.type,
		file_name: file.fileName,
		size: file.size,
		text: file.text,
		unread: file.unread,
		why: more.why,
		created_by: more.by,
		created_at: ctx.clock.now(),
		base_sha256: more.baseSha256 ?? null
	});
	return n;
}
