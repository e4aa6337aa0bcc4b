import { may } from '#core/access/table.ts';
import { waitingChanges } from '#server/docket/changes.ts';
import { docket } from '#server/docket/queries.ts';
import { only, theWorld } from '#server/web.ts';

export function load(event) {
	const me = only(event, 'docket.read');
	const w = theWorld();
	return { waiting: { checks: docket(w, me, { show: 'unchecked', per: 1 }).total, changes: waitingChanges(w, me).length }, canClose: may(me.role, 'docket.closure') };
}
