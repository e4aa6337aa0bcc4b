/** How much waits in the rooms of the docket, as its tabs say. */
import type { Application, Staff } from '#server/app/application.ts';
import { countDocketWaiting } from '#server/docket/changes.ts';
import { findSignOffState } from './queries.ts';

export const countWaiting = (app: Application, me: Staff) => ({
	...countDocketWaiting(app, me),
	/** Dates of one's own that no sign-off of this week covers. */
	signOff: findSignOffState(app, me, me.id).open.length
});
