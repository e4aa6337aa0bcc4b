/** What a file is, by its contents, not by its name. */
import { fileTypeFromBuffer } from 'file-type';
import { Refused } from '#server/app/errors.ts';

export const MEGABYTE = 1024 * 1024;
export const FILE_LIMIT = 50 * MEGABYTE;
export const DOCX = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';
export const PDF = 'application/pdf';

/** The types that are filed, by the ending of their names. */
const TYPES: Readonly<Record<string, string>> = {
	pdf: PDF,
	docx: DOCX,
	png: 'image/png',
	jpg: 'image/jpeg',
	jpeg: 'image/jpeg',
	txt: 'text/plain'
};

/** @throws Refused where the file is empty or larger than may be filed */
export function refuseSize(name: string, bytes: number): void {
	if (bytes === 0) throw new Refused(`${name} is empty.`, 'file');
	if (bytes <= FILE_LIMIT) return;
	const megabytes = Math.ceil(bytes / MEGABYTE);
	throw new Refused(`${name} has ${megabytes} MB; a file may have at most 50 MB.`, 'file');
}

/**
 * The media type of an upload.
 * @throws Refused where it is empty, too large, of no known kind, or not what its name says
 */
export async function detectMediaType(name: string, data: Uint8Array): Promise<string> {
	refuseSize(name, data.length);
	const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
	const type = TYPES[ending];
	if (!type) throw new Refused(`${name}: files may be PDF, DOCX, PNG, JPEG or plain text.`, 'file');
	if (await holds(type, data)) return type;
	const kind = ending.toUpperCase();
	throw new Refused(
		`${name} is not a ${kind} file, whatever its name says. Save it again as ${kind}.`,
		'file'
	);
}

/** How much of a text is looked at for bytes that no text has. */
const TEXT_HEAD = 4096;

async function holds(type: string, data: Uint8Array): Promise<boolean> {
	if (type === 'text/plain') return !data.subarray(0, TEXT_HEAD).includes(0);
	const found = await fileTypeFromBuffer(data).catch(() => undefined);
	return found?.mime === type;
}
