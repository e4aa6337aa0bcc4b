/** Files a document that was kept elsewhere, under the day it was filed there. */
import { requireMatter } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import type { Recorder } from '#server/app/record.ts';
import { update } from '#server/db/sql.ts';
import { fileDocument } from '#server/documents/filing.ts';
import type { DocumentRow, DocumentVersionRow } from '#server/documents/rows.ts';
import type { StoredFile } from '#server/documents/store.ts';
import { readDocumentRow } from './judge-documents.ts';
import type { Made } from './made.ts';
import type { Values } from './mapping.ts';

const NOON = 'T12:00:00.000Z';

export function makeDocument(
	ctx: Context,
	values: Values,
	record: Recorder,
	file: StoredFile | undefined
): Made[] {
	const asker = { me: actingStaff(ctx).id, today: ctx.clock.today() };
	const row = readDocumentRow(ctx.db, asker, values);
	if (Array.isArray(row)) throw new Refused(row.map(({ text }) => text).join(' '));
	if (!file) throw new Refused('Its file is not given yet.');
	const { filed, matterId, ...document } = row;
	const matter = requireMatter(ctx, matterId);
	const why = 'taken over by an import';
	const { documentId, number } = fileDocument(ctx, matter, { ...document, file, why });
	if (filed) {
		const created_at = `${filed}${NOON}`;
		update<DocumentRow>(ctx.db, 'document', { id: documentId }, { created_at });
		update<DocumentVersionRow>(
			ctx.db,
			'document_version',
			{ document_id: documentId },
			{ created_at }
		);
	}
	record.logOn(
		matter.id,
		'document',
		`Taken over by an import: ${row.name}, in ${row.folder} as ${number}.`,
		`/documents/${documentId}`
	);
	return [{ place: 'document', ref: documentId }];
}
