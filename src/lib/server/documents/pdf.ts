/** PDF files made here: from DOCX by way of its HTML, and from tables. Fonts are embedded; nothing is fetched. */
import { join } from 'node:path';
import mammoth from 'mammoth';
import { NodeType, parse, type HTMLElement, type Node } from 'node-html-parser';
import pdfmake from 'pdfmake';
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces.js';

let ready = false;
function prepare(): void {
	if (ready) return;
	const font = (family: string, file: string) =>
		join(process.env.KITE_HOME ?? process.cwd(), 'node_modules/@expo-google-fonts', family, file);
	pdfmake.addFonts({
		Hanken: {
			normal: font('hanken-grotesk', '400Regular/HankenGrotesk_400Regular.ttf'),
			bold: font('hanken-grotesk', '600SemiBold/HankenGrotesk_600SemiBold.ttf'),
			italics: font('hanken-grotesk', '400Regular_Italic/HankenGrotesk_400Regular_Italic.ttf'),
			bolditalics: font('hanken-grotesk', '600SemiBold_Italic/HankenGrotesk_600SemiBold_Italic.ttf')
		},
		Newsreader: {
			normal: font('newsreader', '400Regular/Newsreader_400Regular.ttf'),
			bold: font('newsreader', '600SemiBold/Newsreader_600SemiBold.ttf'),
			italics: font('newsreader', '400Regular_Italic/Newsreader_400Regular_Italic.ttf'),
			bolditalics: font('newsreader', '600SemiBold_Italic/Newsreader_600SemiBold_Italic.ttf')
		}
	});
	const fonts = join(process.env.KITE_HOME ?? process.cwd(), 'node_modules/@expo-google-fonts');
	pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts));
	pdfmake.setUrlAccessPolicy(() => false);
	ready = true;
}

/** Renders a definition; Letter size, tagged. */
export async function makePdf(definition: TDocumentDefinitions): Promise<Buffer> {
	prepare();
	return Buffer.from(
		await pdfmake
			.createPdf({
				pageSize: 'LETTER',
				pageMargins: [72, 64, 72, 64],
				...definition,
				defaultStyle: {
					font: 'Newsreader',
					fontSize: 11,
					lineHeight: 1.25,
					...definition.defaultStyle
				}
			})
			.getBuffer()
	);
}

/** A DOCX as PDF: headings, paragraphs, emphasis, lists and tables as they stand. */
export async function docxToPdf(docx: Buffer, title: string): Promise<Buffer> {
	const { value: html } = await mammoth.convertToHtml({ buffer: docx });
	return makePdf({ info: { title }, content: blocks(parse(html)) });
}

type Inline = { text: string; bold?: boolean; italics?: boolean; decoration?: 'underline' };
function inline(node: Node, style: Omit<Inline, 'text'> = {}): Inline[] {
	if (node.nodeType === NodeType.TEXT_NODE) return [{ text: decode(node.rawText), ...style }];
	const e = node as HTMLElement;
	const tag = e.tagName?.toLowerCase();
	if (tag === 'br') return [{ text: '\n' }];
	const more = {
		...style,
		...(tag === 'strong' ? { bold: true } : {}),
		...(tag === 'em' ? { italics: true } : {}),
		...(tag === 'u' ? { decoration: 'underline' as const } : {})
	};
	return e.childNodes.flatMap((c) => inline(c, more));
}
const decode = (s: string) => parse(`<p>${s}</p>`).text;

function blocks(root: HTMLElement): Content[] {
	const out: Content[] = [];
	for (const node of root.childNodes) {
		if (node.nodeType === NodeType.TEXT_NODE) {
			if (node.rawText.trim()) out.push({ text: decode(node.rawText) });
			continue;
		}
		const e = node as HTMLElement;
		const tag = e.tagName?.toLowerCase() ?? '';
		if (/^h[1-6]$/.test(tag))
			out.push({
				text: inline(e),
				fontSize: tag === 'h1' ? 17 : 13,
				bold: tag !== 'h1',
				margin: [0, 8, 0, 6]
			});
		else if (tag === 'ul' || tag === 'ol') {
			const items = e.childNodes
				.filter((c): c is HTMLElement => c.nodeType === NodeType.ELEMENT_NODE)
				.map((li): ContentText => ({ text: inline(li) }));
			out.push(
				tag === 'ul' ? { ul: items, margin: [0, 0, 0, 8] } : { ol: items, margin: [0, 0, 0, 8] }
			);
		} else if (tag === 'table') {
			const rows = e
				.querySelectorAll('tr')
				.map((tr) => tr.querySelectorAll('td,th').map((td): Content => ({ stack: blocks(td) })));
			const width = Math.max(1, ...rows.map((r) => r.length));
			if (rows.length)
				out.push({
					table: {
						widths: Array.from({ length: width }, () => '*'),
						body: rows.map((r) => [...r, ...Array.from({ length: width - r.length }, () => '')])
					},
					layout: 'lightHorizontalLines',
					margin: [0, 4, 0, 8]
				});
		} else out.push({ text: inline(e), margin: [0, 0, 0, 8] });
	}
	return out;
}
