import { fileResponse } from '#server/download.ts';
import { postAttachment } from '#server/outside/mail.ts';
import { missing, only, theWorld } from '#server/web.ts';

export function GET(event) {
	const me = only(event, 'post.read');
	const a = postAttachment(theWorld(), me, event.params.id, Number(event.params.n));
	return a ? fileResponse(a.data, a.type, a.name, false) : missing('attachment');
}
