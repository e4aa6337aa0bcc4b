/** The logbook of a matter: everything that happened on it, and notes. */
import { action } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { writeNote } from '#server/logbook/commands.ts';
import {
	listLogbook,
	listLogPeople,
	listLogTags,
	parseLogFilter
} from '#server/logbook/queries.ts';
import { takeBackNote } from '#server/logbook/take-back.ts';

export async function load(event) {
	const me = requireAction(event, 'matter.read');
	const { id } = (await event.parent()).caption;
	const { app } = event.locals;
	const filter = parseLogFilter(event.url.searchParams);
	return {
		...listLogbook(app, me, id, filter),
		filter,
		tags: listLogTags(app, id),
		people: listLogPeople(app, id)
	};
}

export const actions = { note: action(writeNote), 'take-back': action(takeBackNote) };
