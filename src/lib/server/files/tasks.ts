/** Reading and making of files, in workers. */
import { task } from '../app/task.ts';
import type { Sheet } from './workbook.ts';

/** What an upload is, by its contents. @throws Refused where it is not what its name says */
export const detectTask = task({
	name: 'detect media type',
	lane: 'files',
	seconds: 10,
	tooMuch: 'It could not be found out in time what this file is. Save it again and choose it anew.',
	run: async ({ name, data }: { name: string; data: Uint8Array }): Promise<string> =>
		(await import('./media.ts')).detectMediaType(name, data)
});

/** The text of a file. @throws Refused where it cannot be read, or not in time */
export const textTask = task({
	name: 'extract text',
	lane: 'files',
	seconds: 12,
	tooMuch: 'its text takes too long to read',
	run: async ({ type, data }: { type: string; data: Uint8Array }): Promise<string> =>
		(await import('./text.ts')).extractText(type, data)
});

/** The paragraphs of a DOCX, to be shown. */
export const paragraphsTask = task({
	name: 'read paragraphs',
	lane: 'files',
	seconds: 6,
	tooMuch: 'This document takes too long to read here. Download it to open it.',
	run: async ({ data }: { data: Uint8Array }): Promise<{ paragraphs: string[]; more: boolean }> =>
		(await import('./text.ts')).readParagraphs(data)
});

export const docxToPdfTask = task({
	name: 'make PDF of DOCX',
	lane: 'files',
	seconds: 20,
	tooMuch: 'This document takes too long to be made into a PDF.',
	run: async ({ docx, title }: { docx: Uint8Array; title: string }): Promise<Uint8Array> =>
		(await import('./docx-pdf.ts')).docxToPdf(docx, title)
});

export const workbookTask = task({
	name: 'make workbook',
	lane: 'files',
	seconds: 60,
	tooMuch: 'This list takes too long to be made into a workbook. Narrow it, or export it as CSV.',
	run: async (sheet: Sheet): Promise<Uint8Array> =>
		(await import('./workbook.ts')).makeWorkbook(sheet)
});
