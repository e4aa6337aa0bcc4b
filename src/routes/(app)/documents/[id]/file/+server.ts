/** A version of a document as it was filed. */
import { findDocument, listVersions } from '#server/documents/queries.ts';
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';

export function GET(event) {
	const me = requireAction(event, 'document.read');
	const { app } = event.locals;
	const document = findDocument(app, me, event.params.id);
	if (!document) return notThere('document');
	const params = event.url.searchParams;
	const wanted = Number(params.get('version')) || document.version;
	const version = listVersions(app, document.id).find(({ n }) => n === wanted);
	if (!version) return notThere('version');
	const { sha256, mediaType, fileName } = version;
	return fileResponse(app.files.get(sha256), mediaType, fileName, params.has('download'));
}
