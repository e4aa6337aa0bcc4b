/**
 * A DOCX as PDF, by way of its HTML: headings, paragraphs, emphasis, lists and tables as they
 * stand. Runs in a worker.
 */
import { NodeType, parse, type HTMLElement, type Node } from 'node-html-parser';
import type { Content, ContentText } from 'pdfmake/interfaces.js';
import { makePdf } from './pdf.ts';

export async function docxToPdf(docx: Uint8Array, title: string): Promise<Buffer> {
	const { default: mammoth } = await import('mammoth');
	const { value: html } = await mammoth.convertToHtml({ buffer: Buffer.from(docx) });
	return makePdf({ info: { title }, content: readBlocks(parse(html)) });
}

type Style = { bold?: boolean; italics?: boolean; decoration?: 'underline' };
type Inline = Style & { text: string };

const STYLES: Readonly<Record<string, Style>> = {
	strong: { bold: true },
	em: { italics: true },
	u: { decoration: 'underline' }
};
const isText = (node: Node) => node.nodeType === NodeType.TEXT_NODE;
const isElement = (node: Node): node is HTMLElement => node.nodeType === NodeType.ELEMENT_NODE;
const tagOf = (element: HTMLElement) => element.tagName?.toLowerCase() ?? '';
const decode = (text: string) => parse(`<p>${text}</p>`).text;

function readInline(node: Node, style: Style = {}): Inline[] {
	if (isText(node)) return [{ text: decode(node.rawText), ...style }];
	if (!isElement(node)) return [];
	const tag = tagOf(node);
	if (tag === 'br') return [{ text: '\n' }];
	return node.childNodes.flatMap((child) => readInline(child, { ...style, ...STYLES[tag] }));
}

function readBlocks(root: HTMLElement): Content[] {
	return root.childNodes.flatMap((node): Content[] => {
		if (isText(node)) return node.rawText.trim() ? [{ text: decode(node.rawText) }] : [];
		return isElement(node) ? [readBlock(node)] : [];
	});
}

function readBlock(element: HTMLElement): Content {
	const tag = tagOf(element);
	if (/^h[1-6]$/.test(tag)) return heading(element, tag);
	if (tag === 'ul') return { ul: listItems(element), margin: [0, 0, 0, 8] };
	if (tag === 'ol') return { ol: listItems(element), margin: [0, 0, 0, 8] };
	if (tag === 'table') return readTable(element);
	return { text: readInline(element), margin: [0, 0, 0, 8] };
}

const heading = (element: HTMLElement, tag: string): Content => ({
	text: readInline(element),
	fontSize: tag === 'h1' ? 17 : 13,
	bold: tag !== 'h1',
	margin: [0, 8, 0, 6]
});

const listItems = (element: HTMLElement): ContentText[] =>
	element.childNodes.filter(isElement).map((item) => ({ text: readInline(item) }));

function readTable(element: HTMLElement): Content {
	const rows = element
		.querySelectorAll('tr')
		.map((row) =>
			row.querySelectorAll('td,th').map((cell): Content => ({ stack: readBlocks(cell) }))
		);
	if (rows.length === 0) return { text: '' };
	const width = Math.max(1, ...rows.map((row) => row.length));
	const fill = (row: Content[]): Content[] => [
		...row,
		...Array.from({ length: width - row.length }, () => '')
	];
	return {
		table: { widths: Array.from({ length: width }, () => '*'), body: rows.map(fill) },
		layout: 'lightHorizontalLines',
		margin: [0, 4, 0, 8]
	};
}
