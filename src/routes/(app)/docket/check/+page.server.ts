/** The second check: each date counted again, beside what was docketed. */
import { checkDeadline, returnDeadline } from '#server/docket/deadlines.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { findCheckItem } from '#server/docket/matter-docket.ts';
import { action } from '#server/http/action.ts';
import { pageOf, requireAction } from '#server/http/request.ts';

const PAGE = 60;

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const { rows, total } = listDeadlines(app, me, {
		show: 'unchecked',
		page: pageOf(params),
		per: PAGE
	});
	const wanted = params.get('deadline');
	const forMe = rows.find(
		({ docketedById, returnedBy }) => docketedById !== me.id && returnedBy === null
	);
	const shown = wanted ?? forMe?.id ?? rows[0]?.id;
	const item = (shown && findCheckItem(app, me, shown)) || null;
	return { queue: rows, total, per: PAGE, item, lost: wanted !== null && !item };
}

export const actions = { check: action(checkDeadline), return: action(returnDeadline) };
