/** Who is what on a matter: roles with their dates and a note. */
import { z } from 'zod';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insertOrIgnore, maybeOne, remove, update } from '#server/db/sql.ts';
import { requireKind } from '#server/kinds/queries.ts';
import type { MatterRoleRow, MatterRow } from '#server/matters/rows.ts';
import { NAME_LIMIT, requirePerson } from './card.ts';
import { OTHER_ROLES } from './role-names.ts';
import type { PersonRow } from './rows.ts';
import { insertPerson } from './write-card.ts';

const span = { from: maybeDay('The first day'), to: maybeDay('The last day') };
function refuseBackwards({ from, to }: { from: string | null; to: string | null }): void {
	if (from && to && to < from) throw new Refused('The last day is before the first.', 'to');
}

/** Gives someone a role on a matter; a new name makes a card in place. */
export const addRole = matterCommand({
	name: 'add role',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		personId: maybeId,
		newName: maybeText('The name', NAME_LIMIT),
		newKind: z.enum(['person', 'organization']).nullish(),
		role: text('The role', 40),
		note: maybeText('The note', 500),
		...span
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input, record }) {
		refuseBackwards(input);
		const person = requirePerson(ctx, input.personId ?? makeCard(ctx, matter, input));
		const role = input.role.toLowerCase();
		if (!listKnownRoles(ctx, matter).includes(role)) throw new Refused('Choose a role.', 'role');
		const added = insertOrIgnore<MatterRoleRow>(ctx.db, 'matter_role', {
			id: newId('rol'),
			matter_id: matter.id,
			person_id: person.id,
			role,
			note: input.note,
			from_day: input.from,
			to_day: input.to
		});
		if (!added) throw new Refused(`${person.name} has this role already.`, 'personId');
		const standing = person.status === 'active' ? '' : ` (${person.status})`;
		record.audit({ person: person.id, role });
		record.log('people', `${person.name} added as ${role}${standing}.`, `/people/${person.id}`);
		return { personId: person.id };
	}
});

function makeCard(
	ctx: Context,
	matter: MatterRow,
	{ newName, newKind }: { newName: string; newKind?: PersonRow['kind'] | null | undefined }
): string {
	if (newName === '') throw new Refused('Choose a person.', 'personId');
	return insertPerson(ctx, {
		kind: newKind ?? 'person',
		name: newName,
		madeFor: matter.id,
		field: 'personId'
	});
}

const listKnownRoles = (ctx: Context, matter: MatterRow): string[] => [
	...requireKind(ctx, matter.kind).roles.map(({ role }) => role),
	...OTHER_ROLES
];

type FoundRole = { role: MatterRoleRow; name: string; matter: MatterRow };
function requireRole(ctx: Context, roleId: string): FoundRole {
	const found = maybeOne<MatterRoleRow & { name: string }>(
		ctx.db,
		`SELECT r.*, p.name
		FROM matter_role r
		JOIN person p ON p.id = r.person_id
		WHERE r.id = @roleId`,
		{ roleId }
	);
	if (!found) throw new NotFound('role');
	const { name, ...role } = found;
	return { role, name, matter: requireMatter(ctx, role.matter_id) };
}

/** Changes the dates of a role and the note beside it. */
export const changeRole = matterCommand({
	name: 'change role',
	action: 'matter.edit',
	input: z.object({ roleId: id('a role'), note: maybeText('The note', 500), ...span }),
	find: (ctx, { roleId }) => requireRole(ctx, roleId),
	onClosed: 'allowed',
	run({ ctx, role, name, input, record }) {
		refuseBackwards(input);
		const { note, from, to } = input;
		update<MatterRoleRow>(
			ctx.db,
			'matter_role',
			{ id: role.id },
			{ note, from_day: from, to_day: to }
		);
		const parts = [from && `from ${from}`, to && `to ${to}`, note].filter(Boolean);
		record.audit({ person: role.person_id, role: role.role });
		record.log(
			'people',
			`${name}, ${role.role}: ${parts.join(', ') || 'no dates, no note'}.`,
			`/people/${role.person_id}`
		);
	}
});

/** Takes a role away from someone. */
export const removeRole = matterCommand({
	name: 'remove role',
	action: 'matter.edit',
	input: z.object({ roleId: id('a role') }),
	find: (ctx, { roleId }) => requireRole(ctx, roleId),
	onClosed: 'allowed',
	run({ ctx, role, name, record }) {
		remove<MatterRoleRow>(ctx.db, 'matter_role', { id: role.id });
		record.audit({ person: role.person_id, role: role.role });
		record.log(
			'people',
			`${name} is no longer ${role.role}: taken off.`,
			`/people/${role.person_id}`
		);
	}
});
