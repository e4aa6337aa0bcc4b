/** PDF files made here, with fonts embedded and nothing fetched. Runs in a worker. */
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { assetFolder } from '#server/app/assets.ts';
import { FONT_FILES, fontPath } from './fonts.ts';

type Pdfmake = typeof import('pdfmake');
let ready: Promise<Pdfmake> | undefined;

async function prepare(): Promise<Pdfmake> {
	const pdfmake = (await import('pdfmake')).default as unknown as Pdfmake;
	const families = Object.entries(FONT_FILES).map(([family, cuts]) => [
		family,
		Object.fromEntries(Object.entries(cuts).map(([cut, file]) => [cut, fontPath(file)]))
	]);
	pdfmake.addFonts(Object.fromEntries(families));
	const folder = assetFolder('fonts');
	pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(folder));
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
