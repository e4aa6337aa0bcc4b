import { may } from '#core/access/table.ts';
import { docketWaiting } from '#server/docket/changes.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	return { waiting: docketWaiting(theWorld(), me), canClose: may(me.role, 'docket.closure') };
}
