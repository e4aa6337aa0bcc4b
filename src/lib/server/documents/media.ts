/** What a file is, by its contents; and its text. */
import mammoth from 'mammoth';
import PizZip from 'pizzip';
import { Refused } from '../command.ts';

export const MOST_BYTES = 50 * 1024 * 1024;
export const DOCX = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';
const TYPES: Record<string, string> = {
	pdf: 'application/pdf',
	docx: DOCX,
	png: 'image/png',
	jpg: 'image/jpeg',
	jpeg: 'image/jpeg',
	txt: 'text/plain'
};

/** The media type of an upload. Refuses what is empty, too large, of no known kind, or not what its name says. */
export function mediaType(fileName: string, data: Uint8Array): string {
	if (data.length === 0) throw new Refused(`${fileName} is empty.`, 'file');
	if (data.length > MOST_BYTES)
		throw new Refused(
			`${fileName} has ${Math.ceil(data.length / 1024 / 1024)} MB; a file may have at most 50 MB.`,
			'file'
		);
	const ending = /\.([a-z0-9]+)$/i.exec(fileName)?.[1]?.toLowerCase() ?? '';
	const type = TYPES[ending];
	if (!type)
		throw new Refused(`${fileName}: files may be PDF, DOCX, PNG, JPEG or plain text.`, 'file');
	const starts = (...bytes: number[]) => bytes.every((b, i) => data[i] === b);
	const good =
		type === 'application/pdf'
			? starts(0x25, 0x50, 0x44, 0x46)
			: type === DOCX
				? isDocx(data)
				: type === 'image/png'
					? starts(0x89, 0x50, 0x4e, 0x47)
					: type === 'image/jpeg'
						? starts(0xff, 0xd8, 0xff)
						: !data.subarray(0, 4096).includes(0);
	if (!good)
		throw new Refused(
			`${fileName} is not a ${ending.toUpperCase()} file, whatever its name says. Save it again as ${ending.toUpperCase()}.`,
			'file'
		);
	return type;
}

function isDocx(data: Uint8Array): boolean {
	try {
		return new PizZip(Buffer.from(data)).file('word/document.xml') !== null;
	} catch {
		return false;
	}
}

/** The plain text of a file, for search; empty where there is none to be had. */
export async function textOf(type: string, data: Buffer): Promise<string> {
	const most = 1_000_000;
	try {
		if (type === DOCX) return (await mammoth.extractRawText({ buffer: data })).value.slice(0, most);
		if (type === 'text/plain') return data.toString('utf8').slice(0, most);
		if (type === 'application/pdf') {
			const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
			const pdf = await pdfjs.getDocument({
				data: new Uint8Array(data),
				useSystemFonts: false,
				verbosity: 0
			}).promise;
			const pages: string[] = [];
			for (let n = 1; n <= Math.min(pdf.numPages, 500); n++) {
				const content = await (await pdf.getPage(n)).getTextContent();
				pages.push(content.items.map((i) => ('str' in i ? i.str : '')).join(' '));
			}
			await pdf.destroy();
			return pages.join('\n').slice(0, most);
		}
	} catch {
		return '';
	}
	return '';
}
