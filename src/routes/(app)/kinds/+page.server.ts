/** The kinds of matter. */
import { redirect } from '@sveltejs/kit';
import { may } from '#core/access/table.ts';
import { actionValue } from '#server/http/action.ts';
import { requireAction, requireStaff } from '#server/http/request.ts';
import { addKind } from '#server/kinds/commands.ts';
import { countKindUses, listKinds } from '#server/kinds/queries.ts';

export function load(event) {
	const { role } = requireStaff(event);
	if (!may(role, 'kind.edit') && may(role, 'import.run')) redirect(303, '/imports');
	const { app } = event.locals;
	const uses = countKindUses(app, requireAction(event, 'kind.edit'));
	return {
		list: listKinds(app).map((kind) => ({
			id: kind.id,
			name: kind.name,
			active: kind.active,
			facts: kind.facts.filter(({ retired }) => !retired).length,
			groups: kind.groups.length,
			roles: kind.roles.length,
			folders: kind.folders.length,
			tasks: kind.tasks.length,
			quietDays: kind.quietDays,
			ageDays: kind.ageDays,
			retentionYears: kind.retentionYears,
			matters: uses.get(kind.id) ?? 0
		}))
	};
}

export const actions = { add: actionValue(addKind) };
