/** The plain text of a file, for search. Runs in a worker. */
import { Refused } from '#server/app/errors.ts';
import { DOCX, PDF } from './media.ts';

/** Characters and pages that are kept of one file. */
export const TEXT_LIMIT = 1_000_000;
const PAGE_LIMIT = 500;

/**
 * The text of a file, at most one character more than is kept; empty where its kind has none.
 * @throws whatever its reader throws where the file is damaged
 */
export async function extractText(type: string, data: Uint8Array): Promise<string> {
	if (type === 'text/plain')
		return Buffer.from(data)
			.toString('utf8')
			.slice(0, TEXT_LIMIT + 1);
	if (type === DOCX) return (await extractDocx(data)).slice(0, TEXT_LIMIT + 1);
	if (type === PDF) return (await extractPdf(data)).slice(0, TEXT_LIMIT + 1);
	return '';
}

/** The text of a DOCX, its paragraphs apart by an empty line. */
export async function extractDocx(data: Uint8Array): Promise<string> {
	const { default: mammoth } = await import('mammoth');
	return (await mammoth.extractRawText({ buffer: Buffer.from(data) })).value;
}

/** So much is shown of a document that a browser does not open by itself. */
const SHOWN_CHARACTERS = 200_000;
const SHOWN_PARAGRAPHS = 2000;

/** The first paragraphs of a DOCX, and whether there are more. */
export async function readParagraphs(
	data: Uint8Array
): Promise<{ paragraphs: string[]; more: boolean }> {
	const text = await extractDocx(data);
	const all = text.slice(0, SHOWN_CHARACTERS).split(/\n{2,}/);
	const paragraphs = all.slice(0, SHOWN_PARAGRAPHS);
	return { paragraphs, more: text.length > SHOWN_CHARACTERS || all.length > paragraphs.length };
}

/** By the names of the reader's errors. */
const WHY: Readonly<Record<string, string>> = {
	InvalidPDFException: 'it is damaged and cannot be opened as a PDF',
	PasswordException: 'it is locked with a password'
};

async function extractPdf(data: Uint8Array): Promise<string> {
	const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
	// A copy: the reader takes the bytes for itself.
	const pdf = await getDocument({
		data: data.slice(),
		useSystemFonts: false,
		verbosity: 0
	}).promise.catch((error: unknown) => {
		throw new Refused(WHY[(error as Error).name] ?? 'its text cannot be read');
	});
	const pages: string[] = [];
	let length = 0;
	for (let n = 1; n <= Math.min(pdf.numPages, PAGE_LIMIT) && length <= TEXT_LIMIT; n++) {
		const content = await (await pdf.getPage(n)).getTextContent();
		const text = content.items.map((item) => ('str' in item ? item.str : '')).join(' ');
		pages.push(text);
		length += text.length;
	}
	await pdf.destroy();
	return pages.join('\n');
}
