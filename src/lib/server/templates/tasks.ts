/** Reading and filling of templates, in workers. */
import type { MergeObject, Tag } from '#core/templates/merge.ts';
import { task } from '../app/task.ts';

const tooMuch = 'This template takes too long to read.';

/** The tags of a template. @throws Refused where it cannot be read */
export const tagsTask = task({
	name: 'list template tags',
	lane: 'files',
	seconds: 10,
	tooMuch,
	run: async ({ docx }: { docx: Uint8Array }): Promise<Tag[]> =>
		(await import('./fill.ts')).listTemplateTags(docx)
});

/** A template filled. @throws Refused where it cannot be read */
export const fillTask = task({
	name: 'fill template',
	lane: 'files',
	seconds: 20,
	tooMuch,
	run: async ({ docx, data }: { docx: Uint8Array; data: MergeObject }): Promise<Uint8Array> =>
		(await import('./fill.ts')).fillTemplate(docx, data)
});
