/** DOCX templates: their tags, and filling them. Syntax: {{name}}, {{name | date}}, {{#part}}…{{/part}}, {{^part}}…{{/part}}. */
import Docxtemplater from 'docxtemplater';
import PizZip from 'pizzip';
import { lookup, readTag, valueOf, type MergeObject, type Tag } from '#core/assembly/merge.ts';
import { Refused } from '../command.ts';

type Part = {
	type: string;
	value: string;
	module?: string;
	inverted?: boolean;
	subparsed?: Part[];
};

const options = (missing: 'mark' | 'error') => ({
	delimiters: { start: '{{', end: '}}' },
	paragraphLoop: true,
	linebreaks: true,
	errorLogging: false as const,
	parser: (tag: string) => ({
		get(
			_scope: unknown,
			context: { scopeList: MergeObject[]; meta?: { part?: { module?: string } } }
		) {
			if (tag === '.') return context.scopeList.at(-1);
			if (context.meta?.part?.module === 'loop')
				return lookup(context.scopeList, readTag(tag).name) ?? false;
			return (
				valueOf(context.scopeList, tag) ?? (missing === 'mark' ? `[${readTag(tag).name}]` : '')
			);
		}
	})
});

function problem(e: unknown): never {
	const errors = (
		e as { properties?: { errors?: { properties?: { explanation?: string }; message: string }[] } }
	).properties?.errors;
	throw new Refused(
		`The template cannot be read: ${errors?.map((x) => x.properties?.explanation ?? x.message).join('; ') ?? (e instanceof Error ? e.message : String(e))}`,
		'templateId'
	);
}

/** The tags of a template, in order, parts with what is inside them. */
export function tagsOf(docx: Buffer): Tag[] {
	const files = new Map<string, Part[]>();
	let path = '';
	// The compiler hands each stage of each file to its modules; the last stage has the parts nested.
	const listener = {
		name: 'Tags',
		set(o: { inspect?: { filePath?: string; postparsed?: Part[] } }) {
			if (o.inspect?.filePath) path = o.inspect.filePath;
			if (o.inspect?.postparsed) files.set(path, o.inspect.postparsed);
		}
	};
	try {
		new Docxtemplater(new PizZip(docx), { ...options('error'), modules: [listener] });
	} catch (e) {
		problem(e);
	}
	const walk = (parts: Part[]): Tag[] =>
		parts
			.filter((p) => p.type === 'placeholder')
			.map((p) => ({
				name: p.value,
				kind: p.module === 'loop' ? 'part' : 'value',
				inverted: p.inverted === true,
				inside: walk(p.subparsed ?? [])
			}));
	return [...files.keys()].sort().flatMap((f) => walk(files.get(f)!));
}

/** Fills a template; values still missing stand in square brackets. */
export function fill(docx: Buffer, data: MergeObject): Buffer {
	try {
		const doc = new Docxtemplater(new PizZip(docx), options('mark'));
		doc.render(data);
		return doc.getZip().generate({ type: 'nodebuffer', compression: 'DEFLATE' });
	} catch (e) {
		if (e instanceof RangeError) throw new Refused(e.message, 'templateId');
		problem(e);
	}
}
