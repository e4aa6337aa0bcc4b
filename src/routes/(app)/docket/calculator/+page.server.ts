/** The calculator: so many days from a day, as a court counts. */
import { calculate, listCourts, parseCalculation } from '#server/docket/calculator.ts';
import { requireAction } from '#server/http/request.ts';

export function load(event) {
	requireAction(event, 'docket.read');
	const { app } = event.locals;
	const { url } = event;
	return {
		courts: listCourts(app),
		...calculate(app, parseCalculation(url.searchParams, app.clock.today())),
		address: `${url.origin}${url.pathname}${url.search}`
	};
}
