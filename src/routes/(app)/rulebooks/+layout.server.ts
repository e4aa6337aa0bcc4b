import { docketWaiting } from '#server/docket/changes.ts';
import { only, theWorld } from '#server/web.ts';

/** The rooms of the docket say the same everywhere. */
export const load = (event) => ({ waiting: docketWaiting(theWorld(), only(event, 'docket.read')) });
