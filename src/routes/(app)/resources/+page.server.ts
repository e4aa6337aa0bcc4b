/** Rooms and things that can be booked, and what appointments are called. */
import { saveResource, saveSorts } from '#server/appointments/keep-lists.ts';
import { listResources, listSorts } from '#server/appointments/resources.ts';
import { action } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';

export function load(event) {
	requireAction(event, 'calendar.keep');
	const { app } = event.locals;
	return { resources: listResources(app), sorts: listSorts(app).map(({ name }) => name) };
}

export const actions = { resource: action(saveResource), sorts: action(saveSorts) };
