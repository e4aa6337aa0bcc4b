/** Documents of a matter. */
import { z } from 'zod';
import { Refused } from '#server/app/errors.ts';
import { id, maybeText, text } from '#server/app/fields.ts';
import { byMatterId, preparedMatterCommand } from '#server/app/matter-command.ts';
import { fileDocument } from './filing.ts';
import { listFolders } from './queries.ts';
import { storeFile, upload } from './store.ts';

/** A name of a document without the ending of its file. */
const withoutEnding = (fileName: string) => fileName.replace(/\.[a-z0-9]+$/i, '').slice(0, 200);

/** Files an upload into a matter. Without a name it is called as its file is. */
export const uploadDocument = preparedMatterCommand({
	name: 'upload document',
	action: 'document.edit',
	input: z.object({
		matterId: id('a matter'),
		name: maybeText('The name', 200),
		folder: text('The folder', 60),
		mark: z.enum(['', 'privileged', 'confidential']).default(''),
		file: upload
	}),
	find: byMatterId,
	onClosed: 'allowed',
	prepare({ ctx, matter, input }) {
		if (!listFolders(ctx, matter).includes(input.folder))
			throw new Refused('Choose a folder.', 'folder');
		return storeFile(ctx, input.file);
	},
	run({ ctx, matter, input, record, prepared: file }) {
		const name = input.name || withoutEnding(file.fileName);
		const { folder, mark } = input;
		const filed = fileDocument(ctx, matter, { name, folder, mark, file, why: 'uploaded' });
		record.audit({ document: filed.documentId, sha256: file.sha256 });
		record.log(
			'document',
			`${name} filed in ${folder} as ${filed.number}.`,
			`/documents/${filed.documentId}`
		);
		return { ...filed, unread: file.unread };
	}
});
