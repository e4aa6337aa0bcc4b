/**
 * The department's seal: a cryptographic signature over the whole file (PKCS#7 detached, RSA). Runs
 * in a worker.
 */
import { plainAddPlaceholder } from '@signpdf/placeholder-plain';
import { P12Signer } from '@signpdf/signer-p12';
import { SignPdf } from '@signpdf/signpdf';
import { addCertificate, type Certificate } from './certificate.ts';
import { stampFields, type StampField } from './stamp.ts';

/** Room left in the file for the signature. */
const SIGNATURE_BYTES = 8192;

export async function sealPdf(
	pdf: Uint8Array,
	key: { p12: Uint8Array; password: string },
	department: string,
	reason: string
): Promise<Buffer> {
	const ready = plainAddPlaceholder({
		pdfBuffer: Buffer.from(pdf),
		reason,
		contactInfo: '',
		name: department,
		location: '',
		signatureLength: SIGNATURE_BYTES
	});
	const signer = new P12Signer(Buffer.from(key.p12), { passphrase: key.password });
	return new SignPdf().sign(ready, signer);
}

export type SealOrder = {
	pdf: Uint8Array;
	fields: StampField[];
	certificate: Certificate;
	key: { p12: Uint8Array; password: string };
	reason: string;
};

/** The pages as signed, and the same with certificate and seal. */
export async function makeSealed(
	order: SealOrder
): Promise<{ base: Uint8Array; sealed: Uint8Array }> {
	const base = await stampFields(order.pdf, order.fields);
	const certified = await addCertificate(base, order.certificate);
	const { department } = order.certificate;
	return { base, sealed: await sealPdf(certified, order.key, department, order.reason) };
}
