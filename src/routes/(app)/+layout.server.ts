/**
 * What every screen shows: who is signed in, what they may do, and what new matters, requests and
 * entries need.
 */
import { may, ROLE_LABELS } from '#core/access/table.ts';
import { departmentName, findDateOrder } from '#server/app/department.ts';
import { mayReadCosts } from '#server/costs/queries.ts';
import { requireStaff } from '#server/http/request.ts';
import { listNearMatters } from '#server/matters/queries.ts';
import { countOpenRequests } from '#server/requests/queries.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { listTimers } from '#server/time/queries.ts';
import { listUnits } from '#server/units/queries.ts';

export function load(event) {
	const me = requireStaff(event);
	const { app, settings } = event.locals;
	event.depends('app:frame');
	const inside = may(me.role, 'matter.read');
	return {
		me: { id: me.id, name: me.name, initials: me.initials, role: ROLE_LABELS[me.role] },
		can: {
			open: may(me.role, 'matter.open'),
			docket: may(me.role, 'docket.enter'),
			split: may(me.role, 'split.edit'),
			costs: mayReadCosts(me),
			mail: may(me.role, 'post.read') && settings.smtp === null,
			inside,
			kinds: may(me.role, 'kind.edit'),
			imports: may(me.role, 'import.run'),
			staff: may(me.role, 'staff.edit'),
			resources: may(me.role, 'calendar.keep'),
			accounts: may(me.role, 'account.edit'),
			figures: may(me.role, 'overview.read'),
			decide: may(me.role, 'interest.decide')
		},
		department: departmentName(app),
		today: app.clock.today(),
		dateOrder: findDateOrder(app),
		zone: app.clock.zone,
		timers: inside ? listTimers(app, me) : [],
		near: inside ? listNearMatters(app, me) : [],
		newRequests: may(me.role, 'request.triage') ? countOpenRequests(app) : 0,
		units: inside || may(me.role, 'request.own') ? listUnits(app) : [],
		staff: inside
			? listColleagues(app).map(({ id, login, name, role }) => ({ id, login, name, role }))
			: []
	};
}
