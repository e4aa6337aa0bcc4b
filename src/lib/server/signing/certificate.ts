/**
 * The certificate page: who signed, when, from where, and what they consented to. Runs in a worker.
 */
import { PDFDocument } from '@cantoo/pdf-lib';
import type { Content } from 'pdfmake/interfaces.js';
import { makePdf } from '#server/files/pdf.ts';
import type { SignerRow } from './rows.ts';

type CertificateSigner = Pick<
	SignerRow,
	'name' | 'email' | 'state' | 'address' | 'agent' | 'consent'
> & { openedAt: string | null; endedAt: string | null };
export type CertificateRound = {
	title: string;
	sentBy: string;
	sentAt: string;
	/** Of the document as it was shown. */
	sha256: string;
	signers: CertificateSigner[];
};
export type Certificate = {
	department: string;
	documentNumber: string;
	rounds: CertificateRound[];
};

const QUIET = '#4a5b62';
const LINE_WIDTH = 468;
const AGENT_LIMIT = 160;

const formatInstant = (instant: string | null): string =>
	instant ? `${instant.slice(0, 10)} ${instant.slice(11, 19)} UTC` : 'never';

/** The stamped pages with the certificate page behind them; not sealed yet. */
export async function addCertificate(
	stamped: Uint8Array,
	{ department, documentNumber, rounds }: Certificate
): Promise<Uint8Array> {
	const page = await makePdf({
		info: { title: 'Certificate of signing' },
		defaultStyle: { font: 'Hanken', fontSize: 9 },
		content: [
			{
				text: 'Certificate of signing',
				font: 'Newsreader',
				fontSize: 20,
				margin: [0, 0, 0, 4]
			},
			{
				text: `${department}. Document ${documentNumber}.`,
				color: QUIET,
				margin: [0, 0, 0, 14]
			},
			...rounds.flatMap(roundContent),
			{
				text: 'The seal of the department covers every page. Any PDF reader that checks signatures shows a later change.',
				margin: [0, 14, 0, 0],
				color: QUIET
			}
		]
	});
	const document = await PDFDocument.load(stamped);
	const source = await PDFDocument.load(page);
	for (const copied of await document.copyPages(source, source.getPageIndices()))
		document.addPage(copied);
	return document.save({ useObjectStreams: false });
}

const roundContent = ({ title, sentBy, sentAt, sha256, signers }: CertificateRound): Content[] => [
	{ canvas: [{ type: 'line', x1: 0, y1: 0, x2: LINE_WIDTH, y2: 0, lineWidth: 1.2 }] },
	{ text: title, bold: true, fontSize: 11, margin: [0, 6, 0, 2] },
	{
		text: `Asked by ${sentBy} on ${formatInstant(sentAt)}. Fingerprint (SHA-256) of the document as it was shown:`,
		margin: [0, 0, 0, 2]
	},
	{ text: sha256, fontSize: 8, margin: [0, 0, 0, 8] },
	...signers.map(signerContent)
];

function signerContent(signer: CertificateSigner): Content {
	const ended = signer.state === 'signed' ? 'Signed' : signer.state;
	const lines: Content[] = [
		{ text: [{ text: signer.name, bold: true }, `  ${signer.email}`] },
		`Opened ${formatInstant(signer.openedAt)}. ${ended} ${formatInstant(signer.endedAt)}, from ${signer.address ?? 'an unknown address'}.`
	];
	if (signer.agent)
		lines.push({ text: signer.agent.slice(0, AGENT_LIMIT), color: QUIET, fontSize: 8 });
	if (signer.consent) lines.push({ text: `Consent: “${signer.consent}”`, italics: true });
	return { margin: [0, 0, 0, 8], stack: lines };
}
