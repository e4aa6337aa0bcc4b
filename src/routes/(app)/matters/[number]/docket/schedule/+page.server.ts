/** A scheduling order as one table: entered, or amended beside what stood before. */
import { error } from '@sveltejs/kit';
import { listEventChoices } from '#server/docket/event-choices.ts';
import { amendSchedule, enterSchedule } from '#server/docket/schedule.ts';
import { findSchedule, listRuleDates } from '#server/docket/schedule-views.ts';
import { findPaperFolder, listDocuments } from '#server/documents/queries.ts';
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';

export async function load(event) {
	const me = requireAction(event, 'docket.enter');
	const { caption } = await event.parent();
	const { app } = event.locals;
	const wanted = event.url.searchParams.get('order');
	const schedule = wanted ? findSchedule(app, me, caption.id, wanted) : undefined;
	if (wanted && !schedule) error(404, 'That scheduling order is not there.');
	const { choices } = listEventChoices(app, caption);
	return {
		schedule: schedule ?? null,
		choices: choices.map(({ id, text, bookShort, ahead }) => ({ id, text, bookShort, ahead })),
		ruleDates: listRuleDates(app, me, caption.id),
		paperFolder: findPaperFolder(app, caption),
		documents: listDocuments(app, me, { matterId: caption.id }).rows.map(({ id, name }) => ({
			id,
			name
		}))
	};
}

export const actions = { enter: actionValue(enterSchedule), amend: actionValue(amendSchedule) };
