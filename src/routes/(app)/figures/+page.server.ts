/** The department in figures. */
import { requireAction } from '#server/http/request.ts';
import { readFigures } from '#server/reports/tasks.ts';

export const load = async (event) => ({
	figures: await readFigures(event.locals.app, requireAction(event, 'overview.read'), null)
});
