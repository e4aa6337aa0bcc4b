/** PDF files made here, with fonts embedded and nothing fetched. Runs in a worker. */
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { FONT_FILES, fontPath } from './fonts.ts';
import { shareFonts, standIn } from './shared-fonts.ts';

/** Its types leave out the files it is given in memory. */
type Pdfmake = typeof import('pdfmake') & {
	virtualfs: { writeFileSync: (name: string, content: Buffer) => void };
};
let ready: Promise<Pdfmake> | undefined;

async function prepare(): Promise<Pdfmake> {
	const pdfmake = (await import('pdfmake')).default as unknown as Pdfmake;
	shareFonts('pdfmake');
	for (const cuts of Object.values(FONT_FILES))
		for (const file of Object.values(cuts))
			pdfmake.virtualfs.writeFileSync(file, standIn(fontPath(file)));
	pdfmake.addFonts(FONT_FILES);
	pdfmake.setLocalAccessPolicy(() => false);
	pdfmake.setUrlAccessPolicy(() => false);
	return pdfmake;
}

/** Renders a definition; Letter size unless it says otherwise. */
export async function makePdf(definition: TDocumentDefinitions): Promise<Buffer> {
	const pdfmake = await (ready ??= prepare());
	const pdf = pdfmake.createPdf({
		pageSize: 'LETTER',
		pageMargins: [72, 64, 72, 64],
		...definition,
		defaultStyle: {
			font: 'Newsreader',
			fontSize: 11,
			lineHeight: 1.25,
			...definition.defaultStyle
		}
	});
	return Buffer.from(await pdf.getBuffer());
}
