/** Sends a document to be signed: who signs, where on the page, by when. */
import { redirect } from '@sveltejs/kit';
import { findDocument } from '#server/documents/queries.ts';
import { PDF } from '#server/files/media.ts';
import { action } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { listRoles } from '#server/people/queries.ts';
import { startRound } from '#server/signing/start.ts';
import { listStaff } from '#server/staff/queries.ts';

export function load(event) {
	const me = requireAction(event, 'sign.request');
	const { app } = event.locals;
	const document = findDocument(app, me, event.params.id);
	if (document?.mediaType !== PDF) return notThere('document');
	return {
		doc: document,
		self: event.url.searchParams.has('self'),
		myEmail: me.email,
		colleagues: listStaff(app),
		outside: listRoles(app, document.matterId)
			.filter(({ email }) => email)
			.map(({ name, email }) => ({ name, email }))
	};
}

export const actions = {
	send: action(startRound, {
		input: ({ params }) => ({ documentId: params.id }),
		done({ signerIds }, { url }) {
			if (url.searchParams.has('self')) redirect(303, `/signing/${signerIds[0]}`);
			return {};
		}
	})
};
