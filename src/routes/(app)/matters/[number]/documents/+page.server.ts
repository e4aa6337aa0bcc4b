import {
	assembleDocument,
	assembleFiles,
	asksFor,
	foldersOf,
	store,
	templates,
	uploadDocument
} from '#server/documents/commands.ts';
import { MOST_BYTES } from '#server/documents/media.ts';
import { documents } from '#server/documents/queries.ts';
import { NotFound, Refused } from '#server/command.ts';
import { answer, ctx, fail, form, missing, only, theWorld } from '#server/web.ts';

export async function load(event) {
	const me = only(event, 'document.read');
	const { caption } = await event.parent();
	const w = theWorld();
	const template = event.url.searchParams.get('template') ?? '';
	return {
		documents: documents(w, me, { matterId: caption.id }).rows,
		folders: foldersOf(w, caption),
		templates: templates(w),
		asks: template ? asks(() => asksFor(w, me, caption.number, template)) : null
	};
}
const asks = <T>(get: () => T): T | null => {
	try {
		return get();
	} catch (e) {
		if (e instanceof Refused) return null;
		throw e;
	}
};

export const actions = {
	upload: async (event) => {
		only(event, 'document.edit');
		const f = await form(event);
		const file = f.file('file');
		if (!file) return fail(400, { errors: { file: 'Choose a file.' } });
		if (file.size > MOST_BYTES)
			return fail(400, {
				errors: {
					file: `${file.name} has ${Math.ceil(file.size / 1024 / 1024)} MB; a file may have at most 50 MB.`
				}
			});
		try {
			const stored = await store(theWorld(), file.name, Buffer.from(await file.arrayBuffer()));
			return answer(
				uploadDocument(ctx(event), {
					matterId: f.text('matterId'),
					name: f.text('name') || file.name.replace(/\.[a-z0-9]+$/i, ''),
					folder: f.text('folder'),
					mark: f.text('mark') as '',
					file: stored
				}),
				(d) => ({ documentId: d.documentId })
			);
		} catch (e) {
			if (e instanceof Refused) return fail(400, { errors: { [e.field]: e.message } });
			throw e;
		}
	},
	assemble: async (event) => {
		const me = only(event, 'document.edit');
		const f = await form(event);
		const typed = Object.fromEntries(
			[...f.data.entries()]
				.filter(([k, v]) => k.startsWith('field-') && typeof v === 'string')
				.map(([k, v]) => [k.slice(6), String(v)])
		);
		try {
			const made = await assembleFiles(
				theWorld(),
				me,
				event.params.number!,
				f.text('templateId'),
				typed
			);
			return answer(
				assembleDocument(ctx(event), {
					matterId: f.text('matterId'),
					templateId: f.text('templateId'),
					name: f.text('name') || made.name,
					docx: made.docx,
					pdf: made.pdf
				}),
				(d) => ({ documentId: d.pdfId })
			);
		} catch (e) {
			if (e instanceof Refused) return fail(400, { errors: { [e.field]: e.message } });
			if (e instanceof NotFound) return missing('matter');
			throw e;
		}
	}
};
