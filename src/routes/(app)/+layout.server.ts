import { KINDS } from '#core/kinds.ts';
import { may, ROLE_WORDS } from '#core/access/table.ts';
import { department, units } from '#server/matters/queries.ts';
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
		can: { open: may(me.role, 'matter.open'), docket: may(me.role, 'docket.enter'), split: may(me.role, 'split.edit'), costs: mayRead(me), post: may(me.role, 'post.read') && settings().smtp === null, inside },
		department: departmentName(w),
		today: w.clock.today(), zone: settings().zone,
		timers: inside ? timers(w, me) : [],
		kinds: KINDS.map((k) => ({ id: k.id, name: k.name, plural: k.plural, opponent: k.opponent, rulebook: k.rulebook, quietDays: k.quietDays })),
		units: inside ? units(w) : [], staff: inside ? department(w) : [], books: inside ? matterBooks() : []
	};
}
