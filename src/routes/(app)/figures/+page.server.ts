/** The department in figures. */
import { requireAction } from '#server/http/request.ts';
import { makeFigures } from '#server/reports/figures.ts';

export const load = (event) => ({
	figures: makeFigures(event.locals.app, requireAction(event, 'overview.read'))
});
