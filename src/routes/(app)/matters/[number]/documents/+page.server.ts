/** The documents of a matter: filed, or assembled from a template. */
import { uploadDocument } from '#server/documents/commands.ts';
import { listDocuments, listFolders } from '#server/documents/queries.ts';
import { action } from '#server/http/action.ts';
import { contextOf, requireAction } from '#server/http/request.ts';
import { assembleDocument } from '#server/templates/commands.ts';
import { findTemplateNeeds, listTemplates } from '#server/templates/queries.ts';

export async function load(event) {
	const me = requireAction(event, 'document.read');
	const { caption } = await event.parent();
	const { app } = event.locals;
	const folder = event.url.searchParams.get('folder') ?? '';
	const template = event.url.searchParams.get('template');
	return {
		folder,
		documents: listDocuments(app, me, { matterId: caption.id }).rows.filter(
			(document) => folder === '' || document.folder === folder
		),
		folders: listFolders(app, caption),
		templates: listTemplates(app),
		needs: template
			? ((await findTemplateNeeds(contextOf(event), caption.id, template)) ?? null)
			: null
	};
}

export const actions = {
	upload: action(uploadDocument, {
		done: ({ documentId, number, unread }) => ({ documentId, number, unread })
	}),
	assemble: action(assembleDocument, { done: ({ pdfId }) => ({ documentId: pdfId }) })
};
