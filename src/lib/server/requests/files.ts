/** The files that come with a request, or with a word on one. */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { storeFile, type StoredFile } from '#server/documents/store.ts';
import { FILE_LIMIT } from './writing.ts';

const BYTE_LIMIT = 50 * 1024 * 1024;

export const files = z
	.array(z.file())
	.max(FILE_LIMIT, 'At most 20 files with a request.')
	.refine(
		(list) => list.reduce((sum, file) => sum + file.size, 0) <= BYTE_LIMIT,
		'The files are more than 50 MB together.'
	)
	.default([]);

/** Takes the files in. @throws Refused beside their field, with the name of the one at fault */
export async function storeFiles(ctx: Context, list: readonly File[]): Promise<StoredFile[]> {
	const stored: StoredFile[] = [];
	for (const file of list) stored.push(await storeNamed(ctx, file));
	return stored;
}

async function storeNamed(ctx: Context, file: File): Promise<StoredFile> {
	try {
		return await storeFile(ctx, file);
	} catch (error) {
		if (!(error instanceof Refused)) throw error;
		const said = error.message.includes(file.name) ? '' : `${file.name}: `;
		throw new Refused(`${said}${error.message}`, 'files');
	}
}
