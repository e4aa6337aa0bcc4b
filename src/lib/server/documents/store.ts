/**
 * Takes a file in: kept by its hash, its type and its words known. Its bytes are harmless until a
 * command names them.
 */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { refuseSize } from '#server/files/media.ts';
import { detectTask, textTask } from '#server/files/tasks.ts';
import { TEXT_LIMIT } from '#server/files/text.ts';

/** A file ready to be filed. */
export type StoredFile = {
	sha256: string;
	type: string;
	fileName: string;
	size: number;
	/** Its words, for search. */
	text: string;
	/** Why its words are not known, where they are not. */
	unread: string;
};

/** A file that a form sends. */
export const upload = z.file({ error: 'Choose a file.' });

const NAME_LIMIT = 150;
/** A name without what paths and terminals take for something else. */
const cleanName = (name: string): string =>
	name.replace(/[\u0000-\u001f/\\]/g, '').slice(-NAME_LIMIT) || 'file';

/** @throws Refused where it is empty, too large, or not what its name says */
export async function storeFile(
	ctx: Pick<Context, 'files' | 'work'>,
	file: Pick<File, 'name' | 'size' | 'arrayBuffer'>
): Promise<StoredFile> {
	const fileName = cleanName(file.name);
	refuseSize(fileName, file.size);
	const data = new Uint8Array(await file.arrayBuffer());
	const type = await ctx.work.run(detectTask, { name: fileName, data });
	const words = await readWords(ctx, type, data);
	return { sha256: ctx.files.put(data), type, fileName, size: data.length, ...words };
}

const CUT = 'Only its first million characters are searched.';

/** A file whose words cannot be read is filed all the same, and says so. */
async function readWords(
	ctx: Pick<Context, 'work'>,
	type: string,
	data: Uint8Array
): Promise<Pick<StoredFile, 'text' | 'unread'>> {
	try {
		const text = await ctx.work.run(textTask, { type, data });
		return text.length > TEXT_LIMIT
			? { text: text.slice(0, TEXT_LIMIT), unread: CUT }
			: { text, unread: '' };
	} catch (error) {
		const why = error instanceof Refused ? error.message : 'its text cannot be read';
		return { text: '', unread: `Its words are not searched: ${why}.` };
	}
}
