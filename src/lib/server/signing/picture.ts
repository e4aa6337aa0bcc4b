/** Drawings of signatures: PNG as a data address, as the pad of the signing page makes them. */
import { PDFDocument } from '@cantoo/pdf-lib';
import { Refused } from '#server/app/errors.ts';

const PREFIX = 'data:image/png;base64,';
const PNG = /^data:image\/png;base64,[A-Za-z0-9+/=]+$/;
/** Of a side, in pixels: more than any pad draws. */
const SIDE_LIMIT = 3000;
/** Signature, header's length and name, width and height (PNG, 5.2 and 11.2.2). */
const HEAD_BYTES = 24;

export const isPicture = (value: string): boolean => value.startsWith('data:');

export const pictureBytes = (value: string): Buffer =>
	Buffer.from(value.slice(PREFIX.length), 'base64');

/** By its head alone: what it would be unpacked to. @throws Refused */
export function refuseLargePicture(value: string, field: string): void {
	if (!PNG.test(value)) throw unreadable(field);
	const head = Buffer.from(value.slice(PREFIX.length, PREFIX.length + HEAD_BYTES * 2), 'base64');
	if (head.length < HEAD_BYTES || head.toString('latin1', 12, 16) !== 'IHDR')
		throw unreadable(field);
	if (head.readUInt32BE(16) > SIDE_LIMIT || head.readUInt32BE(20) > SIDE_LIMIT)
		throw new Refused('The drawing is too large. Draw it again.', field);
}

/** Whether it can be put on a page. Runs in a worker. @throws Refused */
export async function checkPicture(value: string, field: string): Promise<void> {
	try {
		const document = await PDFDocument.create();
		await document.embedPng(pictureBytes(value));
	} catch {
		throw unreadable(field);
	}
}

const unreadable = (field: string) =>
	new Refused('The drawing cannot be read. Draw it again.', field);
