/** The tasks of a matter. */
import { listMatterEvents } from '#server/docket/matter-docket.ts';
import { action } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { addTask, finishTask } from '#server/tasks/commands.ts';
import { listMatterTasks } from '#server/tasks/queries.ts';

export async function load(event) {
	const me = requireAction(event, 'matter.read');
	const { id } = (await event.parent()).caption;
	const { app } = event.locals;
	return {
		tasks: listMatterTasks(app, me, id),
		/** Dates on which a task may hang. */
		dates: listMatterEvents(app, me, id).flatMap(({ name, text, deadlines }) =>
			deadlines
				.filter(({ state }) => state === 'docketed' || state === 'proposed')
				.map(({ id, title, date }) => ({ id, title, date, event: name || text }))
		)
	};
}

export const actions = { add: action(addTask), finish: action(finishTask) };
