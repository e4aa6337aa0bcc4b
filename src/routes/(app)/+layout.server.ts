import { may, ROLE_WORDS } from '#core/access/table.ts';
import { kinds } from '#server/matters/kinds.ts';
import { department, near, units } from '#server/matters/queries.ts';
import { openRequests } from '#server/requests/queries.ts';
import { departmentName } from '#server/house.ts';
import { matterBooks } from '#server/matters/commands.ts';
import { timers } from '#server/time/queries.ts';
import { staff, theWorld } from '#server/web.ts';
import { settings } from '#server/world.ts';
import { mayRead } from '#server/costs/queries.ts';

export function load(event) {
	const me = staff(event);
	const w = theWorld();
	event.depends('app:frame');
	const inside = may(me.role, 'matter.read');
	return {
		me: { id: me.id, name: me.name, initials: me.initials, role: ROLE_WORDS[me.role] },
		can: {
			open: may(me.role, 'matter.open'),
			docket: may(me.role, 'docket.enter'),
			split: may(me.role, 'split.edit'),
			costs: mayRead(me),
			post: may(me.role, 'post.read') && settings().smtp === null,
			inside,
			kinds: may(me.role, 'kind.edit'),
			imports: may(me.role, 'import.run'),
			staff: may(me.role, 'docket.closure'),
			overview: may(me.role, 'overview.read'),
			decide: may(me.role, 'interest.decide')
		},
		department: departmentName(w),
		today: w.clock.today(),
		zone: settings().zone,
		timers: inside ? timers(w, me) : [],
		kinds: inside ? kinds(w) : [],
		near: inside ? near(w, me) : [],
		newRequests: may(me.role, 'request.triage') ? openRequests(w) : 0,
		units: inside || may(me.role, 'request.own') ? units(w) : [],
		staff: inside ? department(w) : [],
		books: inside ? matterBooks(w) : []
	};
}
