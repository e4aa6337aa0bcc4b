/** Stamps what signers filled in, adds the certificate page and the department's seal. */
import { createHash, generateKeyPairSync, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument, rgb, type PDFFont } from '@cantoo/pdf-lib';
import { plainAddPlaceholder } from '@signpdf/placeholder-plain';
import { P12Signer } from '@signpdf/signer-p12';
import { SignPdf } from '@signpdf/signpdf';
import * as fontkit from 'fontkit';
import forge from 'node-forge';
import { sayDate, type PlainDate } from '#core/dates/plain.ts';
import { makePdf } from '../documents/pdf.ts';

const font = (family: string, file: string) =>
	readFileSync(
		join(process.env.KITE_HOME ?? process.cwd(), 'node_modules/@expo-google-fonts', family, file)
	);

export type StampField = {
	kind: string;
	page: number;
	x: number;
	y: number;
	w: number;
	h: number;
	value: string | null;
};
export type CertificateSigner = {
	name: string;
	email: string;
	state: string;
	openedAt: string | null;
	endedAt: string | null;
	address: string | null;
	agent: string | null;
	consent: string | null;
};
export type CertificateRound = {
	title: string;
	sentBy: string;
	sentAt: string;
	documentSha256: string;
	signers: CertificateSigner[];
};

/** Draws the filled fields onto the pages; places are parts of the page from its top left. */
export async function stamp(pdf: Buffer, fields: readonly StampField[]): Promise<Buffer> {
	const doc = await PDFDocument.load(pdf);
	doc.registerFontkit(fontkit as never);
	const hand = await doc.embedFont(
		font('newsreader', '500Medium_Italic/Newsreader_500Medium_Italic.ttf'),
		{ subset: true }
	);
	const plain = await doc.embedFont(
		font('hanken-grotesk', '400Regular/HankenGrotesk_400Regular.ttf'),
		{ subset: true }
	);
	const ink = rgb(0.06, 0.14, 0.35);
	for (const f of fields) {
		const page = doc.getPages()[f.page];
		if (!page || f.value === null || f.value === '') continue;
		const { width, height } = page.getSize();
		const box = {
			x: f.x * width,
			y: height - (f.y + f.h) * height,
			w: f.w * width,
			h: f.h * height
		};
		if (f.value.startsWith('data:image/png;base64,')) {
			const image = await doc.embedPng(Buffer.from(f.value.slice(22), 'base64'));
			const scale = Math.min(box.w / image.width, box.h / image.height);
			page.drawImage(image, {
				x: box.x,
				y: box.y,
				width: image.width * scale,
				height: image.height * scale
			});
			continue;
		}
		if (f.kind === 'check') {
			if (f.value === 'yes')
				page.drawText('X', {
					x: box.x + 2,
					y: box.y + 2,
					size: Math.min(12, box.h),
					font: plain,
					color: ink
				});
			continue;
		}
		const text = f.kind === 'date' ? sayDate(f.value as PlainDate).replace(/^\w+ /, '') : f.value;
		const face = f.kind === 'signature' || f.kind === 'initials' ? hand : plain;
		page.drawText(text, {
			x: box.x + 2,
			y: box.y + box.h * 0.25,
			size: fit(face, text, box.w - 4, Math.min(f.kind === 'signature' ? 22 : 12, box.h * 0.8)),
			font: face,
			color: ink
		});
	}
	return Buffer.from(await doc.save({ useObjectStreams: false }));
}

function fit(face: PDFFont, text: string, width: number, most: number): number {
	const w = face.widthOfTextAtSize(text, most);
	return w <= width ? most : Math.max(5, (most * width) / w);
}

const when = (iso: string | null) =>
	iso ? `${iso.slice(0, 10)} ${iso.slice(11, 19)} UTC` : 'never';

/** The stamped pages with the certificate page behind them; not sealed yet. */
export async function certify(
	stamped: Buffer,
	rounds: readonly CertificateRound[],
	department: string,
	documentNumber: string
): Promise<Buffer> {
	const page = await makePdf({
		info: { title: 'Certificate of signing' },
		defaultStyle: { font: 'Hanken', fontSize: 9 },
		content: [
			{ text: 'Certificate of signing', font: 'Newsreader', fontSize: 20, margin: [0, 0, 0, 4] },
			{
				text: `${department}. Document ${documentNumber}.`,
				color: '#4a5b62',
				margin: [0, 0, 0, 14]
			},
			...rounds.flatMap((r) => [
				{ canvas: [{ type: 'line' as const, x1: 0, y1: 0, x2: 468, y2: 0, lineWidth: 1.2 }] },
				{
					text: r.title,
					bold: true,
					fontSize: 11,
					margin: [0, 6, 0, 2] as [number, number, number, number]
				},
				{
					text: `Asked by ${r.sentBy} on ${when(r.sentAt)}. Fingerprint (SHA-256) of the document as it was shown:`,
					margin: [0, 0, 0, 2] as [number, number, number, number]
				},
				{
					text: r.documentSha256,
					fontSize: 8,
					margin: [0, 0, 0, 8] as [number, number, number, number]
				},
				...r.signers.map((s) => ({
					margin: [0, 0, 0, 8] as [number, number, number, number],
					stack: [
						{ text: [{ text: s.name, bold: true }, `  ${s.email}`] },
						`Opened ${when(s.openedAt)}. ${s.state === 'signed' ? 'Signed' : s.state} ${when(s.endedAt)}, from ${s.address ?? 'an unknown address'}.`,
						...(s.agent ? [{ text: s.agent.slice(0, 160), color: '#4a5b62', fontSize: 8 }] : []),
						...(s.consent ? [{ text: `Consent: “${s.consent}”`, italics: true }] : [])
					]
				}))
			]),
			{
				text: 'The seal of the department covers every page. Any PDF reader that checks signatures shows a later change.',
				margin: [0, 14, 0, 0],
				color: '#4a5b62'
			}
		]
	});
	const doc = await PDFDocument.load(stamped);
	const [copied] = await doc.copyPages(await PDFDocument.load(page), [0]);
	doc.addPage(copied!);
	return Buffer.from(await doc.save({ useObjectStreams: false }));
}

/** The department's cryptographic signature over the whole file (PKCS#7 detached, RSA). */
export async function seal(
	pdf: Buffer,
	key: { p12: Buffer; password: string },
	department: string,
	reason: string
): Promise<Buffer> {
	const ready = plainAddPlaceholder({
		pdfBuffer: pdf,
		reason,
		contactInfo: '',
		name: department,
		location: '',
		signatureLength: 8192
	});
	return Buffer.from(
		await new SignPdf().sign(ready, new P12Signer(key.p12, { passphrase: key.password }))
	);
}

/** A key and a certificate of the department's own, for a house that has not been given one. */
export function makeSealKey(department: string, now: number): { p12: Buffer; password: string } {
	const pair = generateKeyPairSync('rsa', {
		modulusLength: 2048,
		publicKeyEncoding: { type: 'spki', format: 'pem' },
		privateKeyEncoding: { type: 'pkcs8', format: 'pem' }
	});
	const privateKey = forge.pki.privateKeyFromPem(pair.privateKey);
	const cert = forge.pki.createCertificate();
	cert.publicKey = forge.pki.publicKeyFromPem(pair.publicKey);
	cert.serialNumber = `00${randomBytes(15).toString('hex')}`;
	cert.validity.notBefore = new Date(now - 86_400_000);
	cert.validity.notAfter = new Date(now + 10 * 365 * 86_400_000);
	const name = [
		{ name: 'commonName', value: `${department} seal` },
		{ name: 'organizationName', value: department }
	];
	cert.setSubject(name);
	cert.setIssuer(name);
	cert.setExtensions([
		{ name: 'basicConstraints', cA: false },
		{ name: 'keyUsage', digitalSignature: true, nonRepudiation: true }
	]);
	cert.sign(privateKey, forge.md.sha256.create());
	const password = randomBytes(24).toString('base64url');
	const p12 = forge.asn1
		.toDer(forge.pkcs12.toPkcs12Asn1(privateKey, [cert], password, { algorithm: '3des' }))
		.getBytes();
	return { p12: Buffer.from(p12, 'binary'), password };
}

export const fingerprint = (data: Buffer): string =>
	createHash('sha256').update(data).digest('hex');
