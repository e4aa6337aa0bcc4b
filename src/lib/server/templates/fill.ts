/**
 * DOCX templates: their tags, and filling them. Syntax: {{name}}, {{name | date}},
 * {{#part}}…{{/part}}, {{^part}}…{{/part}}. Runs in a worker.
 */
import Docxtemplater from 'docxtemplater';
import PizZip from 'pizzip';
import {
	findValue,
	formatValue,
	parseTag,
	type MergeObject,
	type Tag
} from '#core/templates/merge.ts';
import { Refused } from '#server/app/errors.ts';

/** A piece of a template as the compiler sees it. */
type Part = {
	type: string;
	value: string;
	module?: string;
	inverted?: boolean;
	subparsed?: Part[];
};
type Scope = { scopeList: MergeObject[]; meta?: { part?: { module?: string } } };

const OPTIONS = {
	delimiters: { start: '{{', end: '}}' },
	paragraphLoop: true,
	linebreaks: true,
	errorLogging: false as const,
	parser: (tag: string) => ({ get: (_scope: unknown, context: Scope) => valueOf(tag, context) })
};

/** What stands for a tag; a value that is missing stands as its name in square brackets. */
function valueOf(tag: string, { scopeList, meta }: Scope): unknown {
	if (tag === '.') return scopeList.at(-1);
	const { name } = parseTag(tag);
	if (meta?.part?.module === 'loop') return findValue(scopeList, name) ?? false;
	return formatValue(scopeList, tag) ?? `[${name}]`;
}

/** The tags of a template, in order, parts with what is inside them. */
export function listTemplateTags(docx: Uint8Array): Tag[] {
	const files = new Map<string, Part[]>();
	let path = '';
	// The compiler hands each stage of each file to its modules; the last stage has the parts nested.
	const listener = {
		name: 'Tags',
		set({ inspect }: { inspect?: { filePath?: string; postparsed?: Part[] } }) {
			if (inspect?.filePath) path = inspect.filePath;
			if (inspect?.postparsed) files.set(path, inspect.postparsed);
		}
	};
	try {
		new Docxtemplater(new PizZip(docx), { ...OPTIONS, modules: [listener] });
	} catch (error) {
		refuse(error);
	}
	return [...files.keys()].sort().flatMap((file) => readTags(files.get(file) ?? []));
}

const readTags = (parts: readonly Part[]): Tag[] =>
	parts
		.filter((part) => part.type === 'placeholder')
		.map(({ value, module, inverted, subparsed }) => ({
			name: value,
			kind: module === 'loop' ? 'part' : 'value',
			inverted: inverted === true,
			inside: readTags(subparsed ?? [])
		}));

/** Fills a template. */
export function fillTemplate(docx: Uint8Array, data: MergeObject): Buffer {
	try {
		const document = new Docxtemplater(new PizZip(docx), OPTIONS);
		document.render(data);
		return document.getZip().generate({ type: 'nodebuffer', compression: 'DEFLATE' });
	} catch (error) {
		refuse(error);
	}
}

type TemplateFault = { properties?: { explanation?: string }; message: string };
/** Says what the compiler found, in its words: they name the tag. */
function refuse(error: unknown): never {
	if (error instanceof RangeError) throw new Refused(error.message, 'templateId');
	const { properties } = error as { properties?: { errors?: TemplateFault[] } };
	const faults = properties?.errors?.map((fault) => fault.properties?.explanation ?? fault.message);
	const words = faults?.join('; ') ?? (error instanceof Error ? error.message : String(error));
	throw new Refused(`The template cannot be read: ${words}`, 'templateId');
}
