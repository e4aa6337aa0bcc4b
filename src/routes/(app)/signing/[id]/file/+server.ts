/** The document that a colleague is asked to sign. */
import { fileResponse } from '#server/http/download.ts';
import { contextOf, notThere } from '#server/http/request.ts';
import { findSigning } from '#server/signing/door.ts';

export function GET(event) {
	const view = findSigning(contextOf(event), { signerId: event.params.id });
	if (!view) return notThere('document to sign');
	return fileResponse(event.locals.app.files.get(view.sha256), 'pdf', 'document.pdf', false);
}
