/** An attachment of a mail in the Post room. */
import { fileResponse } from '#server/http/download.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { findPostAttachment } from '#server/mail/queries.ts';

export function GET({ params, locals }) {
	const me = requireAction({ locals }, 'post.read');
	const attachment = findPostAttachment(locals.app, me, params.id, Number(params.n));
	if (!attachment) return notThere('attachment');
	return fileResponse(attachment.data, attachment.type, attachment.name, false);
}
