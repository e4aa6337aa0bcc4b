/**
 * Heads of the audit trail in a file of their own, one line a day, each signed with the seal's key.
 * Kept where nobody who writes the database can write, they show that its end was not cut off and
 * that it was not written anew.
 */
import { createSign, createVerify } from 'node:crypto';
import { closeSync, fsyncSync, openSync, readFileSync, writeFileSync, writeSync } from 'node:fs';
import { z } from 'zod';

/** What the trail stood at. */
export type Anchor = {
	/** UTC, ISO 8601. */
	at: string;
	/** How many entries there were: the number of the last one. */
	entries: number;
	/** The hash of the last one. */
	head: string;
};

const LINE = z.object({
	at: z.string(),
	entries: z.number().int().positive(),
	head: z.string().regex(/^[0-9a-f]{64}$/),
	signature: z.string()
});

const signedText = ({ at, entries, head }: Anchor): string => `${at} ${entries} ${head}`;

/** Beside the file: by it anyone can check the lines. */
export const certificateFile = (file: string): string => `${file}.pem`;

export type PemKey = { privateKey: string; certificate: string };

/**
 * Adds a line, flushed to the disk, and leaves the certificate beside the file. The signature is
 * RSA with SHA-256 (RFC 8017, 8.2) over "at entries head", in base64.
 */
export function appendAnchor(file: string, anchor: Anchor, key: PemKey): void {
	const signature = createSign('RSA-SHA256')
		.update(signedText(anchor))
		.sign(key.privateKey, 'base64');
	const line = openSync(file, 'a', 0o600);
	try {
		writeSync(line, `${JSON.stringify({ ...anchor, signature })}\n`);
		fsyncSync(line);
	} finally {
		closeSync(line);
	}
	writeFileSync(certificateFile(file), key.certificate, { mode: 0o600 });
}

/** A line of the file: what it says, or what is wrong with it. */
export type AnchorLine = { line: number } & (
	{ ok: true; anchor: Anchor } | { ok: false; why: string }
);

/** Reads the file and checks each line's signature by a certificate in PEM. */
export function readAnchors(file: string, certificate: string): AnchorLine[] {
	return readFileSync(file, 'utf8')
		.split('\n')
		.filter((text) => text.trim() !== '')
		.map((text, index) => ({ line: index + 1, ...readLine(text, certificate) }));
}

function readLine(
	text: string,
	certificate: string
): { ok: true; anchor: Anchor } | { ok: false; why: string } {
	const parsed = LINE.safeParse(parseJson(text));
	if (!parsed.success) return { ok: false, why: 'it is no line of heads' };
	const { signature, ...anchor } = parsed.data;
	const isSigned = createVerify('RSA-SHA256')
		.update(signedText(anchor))
		.verify(certificate, signature, 'base64');
	return isSigned ? { ok: true, anchor } : { ok: false, why: 'its signature is not the seal’s' };
}

function parseJson(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return undefined;
	}
}
