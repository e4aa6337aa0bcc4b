/** Draws what signers filled in onto the pages. Runs in a worker. */
import { readFileSync } from 'node:fs';
import { PDFDocument, rgb, type PDFFont, type PDFPage } from '@cantoo/pdf-lib';
import * as fontkit from 'fontkit';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatLongDate } from '#core/format/dates.ts';
import { FONT_FILES, fontPath } from '#server/files/fonts.ts';
import { isPicture, pictureBytes } from './picture.ts';
import type { SigningFieldRow } from './rows.ts';

export type StampField = Pick<SigningFieldRow, 'kind' | 'page' | 'x' | 'y' | 'w' | 'h' | 'value'>;

const INK = rgb(0.06, 0.14, 0.35);
const SIGNATURE_SIZE = 22;
const TEXT_SIZE = 12;
const SMALLEST_SIZE = 5;
const INSET = 2;

type Fonts = { hand: PDFFont; plain: PDFFont };
type Box = { x: number; y: number; width: number; height: number };

/** The document with its fields filled; one that was not filled is passed over. */
export async function stampFields(
	pdf: Uint8Array,
	fields: readonly StampField[]
): Promise<Uint8Array> {
	const document = await PDFDocument.load(pdf);
	document.registerFontkit(fontkit as never);
	const embed = (file: string) =>
		document.embedFont(readFileSync(fontPath(file)), { subset: true });
	const fonts = {
		hand: await embed(FONT_FILES.Hand.normal),
		plain: await embed(FONT_FILES.Hanken.normal)
	};
	const pages = document.getPages();
	for (const field of fields) {
		const page = pages[field.page];
		if (page && field.value) await stamp(document, page, field, field.value, fonts);
	}
	return document.save({ useObjectStreams: false });
}

async function stamp(
	document: PDFDocument,
	page: PDFPage,
	field: StampField,
	value: string,
	fonts: Fonts
): Promise<void> {
	const box = boxOn(page, field);
	if (isPicture(value)) await stampPicture(document, page, box, value);
	else if (field.kind === 'check') stampTick(page, box, value, fonts);
	else stampText(page, box, field, value, fonts);
}

/** Places are parts of the page from its top left; a PDF reckons from its bottom left. */
function boxOn(page: PDFPage, { x, y, w, h }: StampField): Box {
	const { width, height } = page.getSize();
	return { x: x * width, y: height - (y + h) * height, width: w * width, height: h * height };
}

async function stampPicture(
	document: PDFDocument,
	page: PDFPage,
	box: Box,
	value: string
): Promise<void> {
	const image = await document.embedPng(pictureBytes(value));
	const scale = Math.min(box.width / image.width, box.height / image.height);
	page.drawImage(image, {
		x: box.x,
		y: box.y,
		width: image.width * scale,
		height: image.height * scale
	});
}

function stampTick(page: PDFPage, box: Box, value: string, { plain }: Fonts): void {
	if (value !== 'yes') return;
	page.drawText('X', {
		x: box.x + INSET,
		y: box.y + INSET,
		size: Math.min(TEXT_SIZE, box.height),
		font: plain,
		color: INK
	});
}

function stampText(
	page: PDFPage,
	box: Box,
	{ kind }: StampField,
	value: string,
	{ hand, plain }: Fonts
): void {
	const text = kind === 'date' ? formatLongDate(value as PlainDate) : value;
	const font = kind === 'signature' || kind === 'initials' ? hand : plain;
	const largest = Math.min(kind === 'signature' ? SIGNATURE_SIZE : TEXT_SIZE, box.height * 0.8);
	page.drawText(text, {
		x: box.x + INSET,
		y: box.y + box.height * 0.25,
		size: fitSize(font, text, box.width - 2 * INSET, largest),
		font,
		color: INK
	});
}

/** The largest size at which a text is no wider than its box. */
function fitSize(font: PDFFont, text: string, width: number, largest: number): number {
	const needed = font.widthOfTextAtSize(text, largest);
	return needed <= width ? largest : Math.max(SMALLEST_SIZE, (largest * width) / needed);
}
