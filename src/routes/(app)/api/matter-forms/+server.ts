/**
 * What the forms of a matter need beyond its page: the kinds with the facts each asks, and the
 * rulebooks. They are asked for when a drawer opens, not sent with every page.
 */
import { json } from '@sveltejs/kit';
import { requireAction } from '#server/http/request.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { listMatterRulebooks } from '#server/matters/sheet.ts';

export function GET(event) {
	requireAction(event, 'matter.read');
	const { app } = event.locals;
	return json({ kinds: listKinds(app), books: listMatterRulebooks(app) });
}
