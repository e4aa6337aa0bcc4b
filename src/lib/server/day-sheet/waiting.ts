/** How much waits in the rooms of the docket: as its tabs say, and the Day sheet. */
import type { Reader, Staff } from '#server/app/application.ts';
import { countDocketWaiting } from '#server/docket/changes.ts';
import { countWaitingPapers } from '#server/papers/queries.ts';
import { findSignOffState } from '#server/sign-off/queries.ts';

export const countWaiting = (app: Reader, me: Staff) => ({
	...countDocketWaiting(app, me),
	papers: countWaitingPapers(app, me),
	/** Dates of one's own that no sign-off of this week covers. */
	signOff: findSignOffState(app, me, me.id).open.length
});
