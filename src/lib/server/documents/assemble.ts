/** DOCX templates: their tags, and filling them. Syntax: {{name}}, {{name | date}}, {{#part}}…{{/part}}, {{^part}}…{{/part}}. */
import Docxtemplater from 'docxtemplater';
import InspectModule from 'docxtemplater/js/inspect-module.js';
import PizZip from 'pizzip';
import { lookup, readTag, valueOf, type MergeObject, type Tag } from '#core/assembly/merge.ts';
import { Refused } from '../command.ts';

type Part = { type: string; value: string; module?: string; inverted?: boolean; subparsed?: Part[] };

const options = (missing: 'mark' | 'error') => ({
	delimiters: { start: '{{', end: '}}' },
	paragraphLoop: true,
	linebreaks: true,
	errorLogging: false as const,
	parser: (tag: string) => ({
		get(_scope: unknown, context: { scopeList: MergeObject[]; meta?: { part?: { module?: string } } }) {
			if (tag === '.') return context.scopeList.at(-1);
			if (context.meta?.part?.module === 'loop') return lookup(context.scopeList, readTag(tag).name) ?? false;
			return valueOf(context.scopeList, tag) ?? (missing === 'mark' ? `[${readTag(tag).name}]` : '');
		}
	})
});

function problem(e: unknown): never {
	const errors = (e as { properties?: { errors?: { properties?: { explanation?: string }; message: string }[] } }).properties?.errors;
	throw new Refused(`The template cannot be read: ${errors?.map((x) => x.properties?.explanation ?? x.message).join('; ') ?? (e instanceof Error ? e.message : String(e))}`, 'templateId');
}

/** The tags of a template, in order, parts with what is inside them. */
export function tagsOf(docx: Buffer): Tag[] {
	const inspect = new InspectModule();
	try {
		new Docxtemplater(new PizZip(docx), { ...options('error'), modules: [inspect] });
	} catch (e) {
		problem(e);
	}
	const walk = (parts: Part[]): Tag[] => parts.map((p) => ({ name: p.value, kind: p.module === 'loop' ? 'part' : 'value', inverted: p.inverted === true, inside: p.subparsed ? walk(p.subparsed.filter((x) => x.type === 'placeholder')) : [] }));
	return walk((inspect as unknown as { getStructuredTags(): Part[] }).getStructuredTags());
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
