/**
 * Whether a document can be signed at all: stamped and made ready for its seal once, before anybody
 * is asked. Otherwise a signer would see success, and nothing would ever be sealed.
 */
import { plainAddPlaceholder } from '@signpdf/placeholder-plain';
import { PDFDocument } from '@cantoo/pdf-lib';
import { Refused } from '#server/app/errors.ts';
import { stampFields } from './stamp.ts';

/** Runs in a worker. @throws Refused */
export async function checkSignable({
	pdf,
	pages
}: {
	pdf: Uint8Array;
	pages: readonly number[];
}): Promise<void> {
	const count = await countPages(pdf);
	if (pages.some((page) => page >= count))
		throw new Refused('A field stands on a page that is not there.', 'fields');
}

async function countPages(pdf: Uint8Array): Promise<number> {
	try {
		const stamped = await stampFields(pdf, []);
		plainAddPlaceholder({
			...{ pdfBuffer: Buffer.from(stamped), reason: '', contactInfo: '', name: '', location: '' }
		});
		return (await PDFDocument.load(stamped)).getPageCount();
	} catch {
		throw new Refused(
			'This PDF is damaged or locked, and could not be sealed. Make it anew, and send that.',
			'documentId'
		);
	}
}
