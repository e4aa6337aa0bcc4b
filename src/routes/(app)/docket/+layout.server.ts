import { may } from '#core/access/table.ts';
import { waitingCount } from '#server/docket/changes.ts';
import { docket } from '#server/docket/queries.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	const w = theWorld();
	return { waiting: { checks: docket(w, me, { show: 'unchecked', per: 1 }).total, changes: waitingCount(w, me) }, canClose: may(me.role, 'docket.closure') };
}
