import { calculate, courts, readAsked } from '#server/docket/calculator.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	only(event, 'docket.read');
	const w = theWorld();
	return {
		courts: courts(w),
		...calculate(w, readAsked(event.url.searchParams, w.clock.today())),
		address: `${event.url.origin}${event.url.pathname}${event.url.search}`
	};
}
