/** One mail about the matter, as it was sent. */
import { error } from '@sveltejs/kit';
import { requireAction } from '#server/http/request.ts';
import { findMatterMail } from '#server/mail/queries.ts';

export async function load(event) {
	requireAction(event, 'matter.read');
	const { caption } = await event.parent();
	const mail = findMatterMail(event.locals.app, caption.id, event.params.id);
	if (!mail) error(404, 'No such mail is kept with this matter.');
	return { mail };
}
