import { redirect } from '@sveltejs/kit';
import { may } from '#core/access/table.ts';
import { addKind, kinds, kindUses } from '#server/matters/kinds.ts';
import { answer, ctx, form, only, staff, theWorld } from '#server/web.ts';

export function load(event) {
	if (!may(staff(event).role, 'kind.edit') && may(staff(event).role, 'import.run'))
		redirect(303, '/imports');
	const uses = kindUses(theWorld(), only(event, 'kind.edit'));
	return {
		list: kinds(theWorld()).map((k) => ({
			id: k.id,
			name: k.name,
			active: k.active,
			facts: k.facts.filter((f) => !f.retired).length,
			groups: k.groups.length,
			roles: k.roles.length,
			folders: k.folders.length,
			tasks: k.tasks.length,
			quietDays: k.quietDays,
			ageDays: k.ageDays,
			retentionYears: k.retentionYears,
			matters: uses.get(k.id) ?? 0
		}))
	};
}
export const actions = {
	add: async (event) => {
		const f = await form(event);
		return answer(addKind(ctx(event), { name: f.text('name'), like: f.text('like') }), (r) => r);
	}
};
