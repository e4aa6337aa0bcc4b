import { may } from '#core/access/table.ts';
import { myTasks, tasksWithOthers } from '#server/agenda/queries.ts';
import { courtDaysTo, docket, horizon } from '#server/docket/queries.ts';
import { askedOf } from '#server/matters/queries.ts';
import { matterList } from '#server/matters/list.ts';
import { myRequests } from '#server/requests/queries.ts';
import { mineToSign, signingWithOthers } from '#server/signing/queries.ts';
import { todaysHours } from '#server/time/queries.ts';
import { staff, theWorld } from '#server/web.ts';

export function load(event) {
	const me = staff(event);
	const w = theWorld();
	const toSign = mineToSign(w, me);
	if (!may(me.role, 'matter.read')) return { inside: false as const, toSign, mine: myRequests(w, me) };
	const days = horizon(w, me, 'mine');
	const missed = docket(w, me, { show: 'missed', who: 'mine' }).rows;
	const ahead = docket(w, me, { from: w.clock.today(), who: 'mine' }).rows.map((d) => ({ ...d, courtDays: courtDaysTo(w, null, d.date) }));
	const near = ahead.filter((d) => d.courtDays <= 5);
	return {
		inside: true as const, days, toSign, missed,
		mustNotSlip: near.length >= 3 ? near : ahead.slice(0, 5), nearCount: near.length,
		unchecked: docket(w, me, { show: 'unchecked' }).total,
		tasks: myTasks(w, me), asked: askedOf(w, me), quiet: matterList(w, me, { who: 'mine', lawyer: me.id, quiet: true, cols: ['number'] }, 5), withOthers: tasksWithOthers(w, me), signing: signingWithOthers(w, me), hours: todaysHours(w, me)
	};
}
