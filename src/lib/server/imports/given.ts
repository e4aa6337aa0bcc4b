/** Files that are given beside an index: taken in one by one, before anything is filed. */
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { storeFile, type StoredFile } from '#server/documents/store.ts';
import type { GivenFile } from './verdict.ts';

/** A file that was taken in, or why it cannot be. */
type Given = { stored: StoredFile } | { fault: string };
export type GivenFiles = Map<string, Given>;

/** Characters of words that are held for one import until it is made. */
const WORDS_LIMIT = 200_000_000;

/** Takes one file in under the path its index has for it. */
export async function takeFile(
	ctx: Pick<Context, 'files' | 'work'>,
	files: GivenFiles,
	path: string,
	file: Pick<File, 'name' | 'size' | 'arrayBuffer'>
): Promise<void> {
	try {
		files.set(path, { stored: refuseTooMany(files, await storeFile(ctx, file)) });
	} catch (error) {
		if (!(error instanceof Refused)) throw error;
		files.set(path, { fault: error.message });
	}
}

function refuseTooMany(files: GivenFiles, stored: StoredFile): StoredFile {
	let words = stored.text.length;
	for (const given of files.values()) if ('stored' in given) words += given.stored.text.length;
	if (words <= WORDS_LIMIT) return stored;
	throw new Refused('These are too many words for one import. Divide the index.');
}

/** What the judge of the rows is told of them. */
export const viewGiven = (files: GivenFiles): Record<string, GivenFile> =>
	Object.fromEntries(
		[...files].map(([path, given]) => [
			path,
			'stored' in given
				? { sha256: given.stored.sha256, fault: '' }
				: { sha256: '', fault: given.fault }
		])
	);

export const findStored = (files: GivenFiles, path: string): StoredFile | undefined => {
	const given = files.get(path);
	return given && 'stored' in given ? given.stored : undefined;
};

/** A file that an earlier import kept. */
export function keptFile(
	{ files }: Pick<Context, 'files'>,
	name: string,
	sha256: string
): Pick<File, 'name' | 'size' | 'arrayBuffer'> {
	const data = files.get(sha256);
	return new File([new Uint8Array(data)], name);
}
