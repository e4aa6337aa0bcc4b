/** Documents assembled from templates. */
import { z } from 'zod';
import type { MergeObject } from '#core/templates/merge.ts';
import type { Context } from '#server/app/application.ts';
import { id, maybeText } from '#server/app/fields.ts';
import { byMatterId, preparedMatterCommand } from '#server/app/matter-command.ts';
import { fileDocument } from '#server/documents/filing.ts';
import { CORRESPONDENCE } from '#server/documents/queries.ts';
import { storeFile, type StoredFile } from '#server/documents/store.ts';
import { docxToPdfTask } from '#server/files/tasks.ts';
import { makeMergeData } from './merge-data.ts';
import { requireTemplate } from './queries.ts';
import { fillTask } from './tasks.ts';

/** Fills a template with what the matter knows and what was typed, and files it as DOCX and PDF. */
export const assembleDocument = preparedMatterCommand({
	name: 'assemble document',
	action: 'document.edit',
	input: z.object({
		matterId: id('a matter'),
		templateId: id('a template'),
		name: maybeText('The name', 200),
		/** What was typed, by the name in the template. */
		values: z.record(z.string(), z.string().max(10_000)).default({})
	}),
	find: byMatterId,
	onClosed: 'allowed',
	async prepare({ ctx, me, matter, input }) {
		const template = requireTemplate(ctx, input.templateId);
		const data = withTyped(makeMergeData(ctx, matter, me), input.values);
		const docx = await ctx.work.run(fillTask, { docx: template.docx, data });
		const pdf = await ctx.work.run(docxToPdfTask, { docx, title: template.name });
		const file = `${template.name} ${matter.number}`;
		return {
			name: template.name,
			docx: await storeMade(ctx, `${file}.docx`, docx),
			pdf: await storeMade(ctx, `${file}.pdf`, pdf)
		};
	},
	run({ ctx, matter, input, record, prepared }) {
		const name = input.name || prepared.name;
		const kept = { folder: CORRESPONDENCE, mark: '', why: 'assembled' } as const;
		const docx = fileDocument(ctx, matter, {
			...kept,
			name: `${name} (DOCX)`,
			file: prepared.docx
		});
		const pdf = fileDocument(ctx, matter, { ...kept, name, file: prepared.pdf });
		record.audit({ template: input.templateId, documents: [docx.documentId, pdf.documentId] });
		record.log(
			'document',
			`${name} assembled as ${pdf.number} (PDF) and ${docx.number} (DOCX).`,
			`/documents/${pdf.documentId}`
		);
		return { docxId: docx.documentId, pdfId: pdf.documentId, documentId: pdf.documentId };
	}
});

const storeMade = (ctx: Context, name: string, data: Uint8Array): Promise<StoredFile> =>
	storeFile(ctx, new File([data as Uint8Array<ArrayBuffer>], name));

/** A dotted name that could reach into how objects work. */
const UNSAFE = /(^|\.)(__proto__|constructor|prototype)(\.|$)/;

/** Puts typed values in at their dotted names. */
function withTyped(data: MergeObject, typed: Readonly<Record<string, string>>): MergeObject {
	const merged = structuredClone(data);
	for (const [name, value] of Object.entries(typed)) {
		const text = value.trim();
		if (text !== '' && /^[A-Za-z][\w.]{0,80}$/.test(name) && !UNSAFE.test(name))
			setAt(merged, name.split('.'), text);
	}
	return merged;
}

function setAt(data: MergeObject, path: readonly string[], text: string): void {
	const [head = '', ...rest] = path;
	if (rest.length === 0) {
		data[head] = text;
		return;
	}
	const inner = data[head];
	const object: MergeObject =
		typeof inner === 'object' && inner !== null && !Array.isArray(inner) ? inner : {};
	data[head] = object;
	setAt(object, rest, text);
}
