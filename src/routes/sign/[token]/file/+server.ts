/** The document that somebody outside is asked to sign, while they are. */
import { error } from '@sveltejs/kit';
import { fileResponse } from '#server/http/download.ts';
import { guestContext } from '#server/http/request.ts';
import { findSigning } from '#server/signing/door.ts';

export function GET(event) {
	const view = findSigning(guestContext(event), { token: event.params.token });
	if (!view || view.state !== 'waiting' || view.round !== 'with signers')
		error(404, 'This link does not exist or is used.');
	return fileResponse(event.locals.app.files.get(view.sha256), 'pdf', 'document.pdf', false);
}
