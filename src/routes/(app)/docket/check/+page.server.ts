/** The second check, by event: each of its dates counted again, beside what was docketed. */
import { findCheckSheet, listCheckEvents } from '#server/docket/check-queue.ts';
import { checkDeadlines, returnDeadline } from '#server/docket/deadlines.ts';
import { actionValue, action } from '#server/http/action.ts';
import { pageOf, requireAction } from '#server/http/request.ts';

const PAGE = 60;

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const { events, total, dates } = listCheckEvents(app, me, { page: pageOf(params), per: PAGE });
	const wanted = { eventId: params.get('event'), deadlineId: params.get('deadline') };
	const isWanted = wanted.eventId !== null || wanted.deadlineId !== null;
	const first = events.find(({ mine }) => mine > 0) ?? events[0];
	const key = isWanted ? wanted : { eventId: first?.id ?? null, deadlineId: null };
	const sheet = findCheckSheet(app, me, key) ?? null;
	// What one came for, or the first date of the sheet that is one's to check.
	const named = sheet?.items.find(({ id }) => id === wanted.deadlineId);
	const open = named ?? sheet?.items.find((item) => isMine(item, me.id)) ?? sheet?.items[0];
	return {
		queue: events,
		total,
		dates,
		per: PAGE,
		sheet,
		open: open?.id ?? null,
		isWanted,
		lost: isWanted && !sheet
	};
}

type Item = { checked: boolean; docketedById: string | null; returnedBy: string | null };
const isMine = ({ checked, docketedById, returnedBy }: Item, staffId: string): boolean =>
	!checked && docketedById !== staffId && returnedBy === null;

export const actions = { check: actionValue(checkDeadlines), return: action(returnDeadline) };
