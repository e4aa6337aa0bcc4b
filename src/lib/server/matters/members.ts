/** Who is on a matter, and whether it exists for anyone else. */
import { z } from 'zod';
import { plural } from '#core/format/words.ts';
import { isOnTeam } from '#server/access/team.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { flag, id, maybeId, maybeText } from '#server/app/fields.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insert, maybeOne, remove, scalar, update } from '#server/db/sql.ts';
import { findColleague, findPersonOfStaff } from '#server/staff/queries.ts';
import { findTeam, listTeamMembers, PART_LIMIT } from '#server/staff/teams.ts';
import { mayStaff } from './may-staff.ts';
import type { MatterMemberRow, MatterRow } from './rows.ts';

function refuseUnlessStaffing(ctx: Context, me: Staff, matter: MatterRow): void {
	if (!mayStaff(ctx, me, matter))
		throw new Refused(
			'Only the responsible lawyer, an owner or an administrator changes who is on the matter.',
			'staffId'
		);
}

const memberInput = z.object({
	matterId: id('a matter'),
	staffId: id('a colleague'),
	owner: flag,
	part: maybeText('What they are on it', PART_LIMIT),
	access: z.enum(['change', 'read']).nullish()
});

/** Adds a colleague, or changes what they are on the matter and what they may do. */
export const addMember = matterCommand({
	name: 'add member',
	action: 'matter.edit',
	input: memberInput,
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input: { staffId, owner, part, access }, record }) {
		refuseUnlessStaffing(ctx, me, matter);
		const colleague = findColleague(ctx, staffId);
		if (!colleague) throw new Refused('Choose a colleague of the department.', 'staffId');
		const { name } = colleague;
		if (staffId === matter.responsible_id)
			throw new Refused(`${name} is the responsible lawyer.`, 'staffId');
		if (owner && access === 'read')
			throw new Refused('Who says who is on the matter may also change it.', 'access');
		const set = {
			role: owner ? ('owner' as const) : ('member' as const),
			part,
			access: access ?? 'change'
		};
		const before = writeMember(ctx, matter, staffId, set);
		if (before && before.role === set.role && before.part === part && before.access === set.access)
			throw new Refused(`${name} is on the matter already.`, 'staffId');
		record.audit({ member: staffId, ...set, before: before ?? null });
		record.log(
			'people',
			`${name} ${before ? 'is now on' : 'joined'} the matter${describeMember(set)}.`
		);
	}
});

/** ", as paralegal, to read" */
function describeMember({
	role,
	part,
	access
}: Omit<MatterMemberRow, 'matter_id' | 'staff_id'>): string {
	return [
		part && `, as ${part}`,
		role === 'owner' && ', and may say who is on it',
		access === 'read' && ', to read it'
	]
		.filter(Boolean)
		.join('');
}

/** Puts somebody on a matter; gives what they were on it before. */
function writeMember(
	{ db }: Context,
	matter: MatterRow,
	staffId: string,
	set: Omit<MatterMemberRow, 'matter_id' | 'staff_id'>
): MatterMemberRow | undefined {
	const key = { matter_id: matter.id, staff_id: staffId };
	const before = maybeOne<MatterMemberRow>(
		db,
		'SELECT * FROM matter_member WHERE matter_id = @matter_id AND staff_id = @staff_id',
		key
	);
	if (before) update<MatterMemberRow>(db, 'matter_member', key, set);
	else insert<MatterMemberRow>(db, 'matter_member', { ...key, ...set });
	return before;
}

type NewMember = { staffId: string; part: string; access: MatterMemberRow['access'] };

/**
 * Puts those on a matter who are not on it yet.
 * @returns "Joss Abernathy, as paralegal" of each
 */
export function joinAll(ctx: Context, matter: MatterRow, members: readonly NewMember[]): string[] {
	return members.flatMap(({ staffId, part, access }) => {
		const colleague = findColleague(ctx, staffId);
		if (!colleague || isOnTeam(ctx.db, matter.id, staffId)) return [];
		const set = { role: 'member' as const, part, access };
		writeMember(ctx, matter, staffId, set);
		return [colleague.name + describeMember(set)];
	});
}

/** Puts a team on a matter in one act; who is on it already stays what they are. */
export const addTeam = matterCommand({
	name: 'add team',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), teamId: id('a team') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input: { teamId }, record }) {
		refuseUnlessStaffing(ctx, me, matter);
		const team = findTeam(ctx, teamId);
		if (!team) throw new Refused('Choose a team.', 'teamId');
		const joined = joinAll(ctx, matter, listTeamMembers(ctx, team.id));
		if (joined.length === 0)
			throw new Refused(`Everyone of ${team.name} is on the matter already.`, 'teamId');
		record.audit({ team: team.id, joined });
		record.log('people', `${team.name} joined the matter: ${joined.join('; ')}.`);
		return { joined: joined.length };
	}
});

/** Takes a colleague off a matter; anyone may go by themselves. */
export const removeMember = matterCommand({
	name: 'remove member',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), staffId: id('a colleague') }),
	find: byMatterId,
	onClosed: 'allowed',
	forReaders: (_found, { staffId }, me) => staffId === me.id,
	run({ ctx, me, matter, input: { staffId }, record }) {
		if (me.id !== staffId) refuseUnlessStaffing(ctx, me, matter);
		const name = findPersonOfStaff(ctx, staffId)?.name ?? '';
		const tasks = countOpenTasks(ctx, matter, staffId);
		if (tasks > 0 && matter.restricted)
			throw new Refused(
				`${name} still has ${plural(tasks, 'open task')} here. Give them to someone else first.`,
				'staffId'
			);
		const gone = remove<MatterMemberRow>(ctx.db, 'matter_member', {
			matter_id: matter.id,
			staff_id: staffId
		});
		if (gone === 0) throw new Refused('That colleague is not on the matter.', 'staffId');
		record.audit({ gone: staffId });
		record.log('people', `${name} left the matter.`);
	}
});

/** Who stands in for the responsible lawyer while they are away; nobody where none is named. */
export const setStandIn = matterCommand({
	name: 'set stand-in',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), staffId: maybeId }),
	find: byMatterId,
	run({ ctx, me, matter, input: { staffId }, record }) {
		refuseUnlessStaffing(ctx, me, matter);
		const colleague = staffId === null ? null : findColleague(ctx, staffId);
		if (colleague === undefined)
			throw new Refused('Choose a colleague of the department.', 'staffId');
		if (staffId === matter.responsible_id)
			throw new Refused(`${colleague?.name} is the responsible lawyer.`, 'staffId');
		if (staffId && matter.restricted && !isOnTeam(ctx.db, matter.id, staffId))
			throw new Refused(`${colleague?.name} is not on this restricted matter.`, 'staffId');
		update<MatterRow>(
			ctx.db,
			'matter',
			{ id: matter.id },
			{ stand_in_id: staffId, version: matter.version + 1 }
		);
		record.audit({ standIn: staffId });
		record.log(
			'people',
			colleague ? `${colleague.name} stands in on the matter.` : 'Nobody stands in any more.'
		);
	}
});

const countOpenTasks = ({ db }: Context, matter: MatterRow, staffId: string): number =>
	scalar(
		db,
		`SELECT count(*)
		FROM task
		WHERE matter_id = @matterId AND assignee_id = @staffId AND state = 'open'`,
		{ matterId: matter.id, staffId }
	);

/** Restricts a matter, or opens it to the department again. */
export const restrictMatter = matterCommand({
	name: 'restrict matter',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), restricted: flag }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input: { restricted }, record }) {
		if (!mayStaff(ctx, me, matter))
			throw new Refused(
				'Only the responsible lawyer, an owner or an administrator restricts a matter.'
			);
		if ((matter.restricted === 1) === restricted) return;
		update<MatterRow>(
			ctx.db,
			'matter',
			{ id: matter.id },
			{ restricted: restricted ? 1 : 0, version: matter.version + 1 }
		);
		record.audit({ restricted, by: me.id });
		record.log(
			'people',
			restricted
				? 'The matter is restricted: for anyone not on it, it does not exist.'
				: 'The matter is no longer restricted.'
		);
	}
});
