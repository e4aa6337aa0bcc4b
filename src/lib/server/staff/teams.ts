/** Teams: colleagues who are put on a matter in one act, each with what they are on it. */
import { z } from 'zod';
import { plural } from '#core/format/words.ts';
import type { Application, Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { base, id, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { all, exists, insert, maybeOne, remove, update } from '#server/db/sql.ts';
import { findColleague } from './queries.ts';
import type { TeamMemberRow, TeamRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/** What a colleague is on a matter; other words may be written. */
export const PARTS = [
	'second lawyer',
	'paralegal',
	'docket clerk',
	'legal operations',
	'supervising lawyer'
] as const;
export const PART_LIMIT = 40;

/** Empty choices of a form are no members. */
export const membersInput = z
	.array(
		z.object({
			staffId: maybeId,
			part: maybeText('What they are on it', PART_LIMIT),
			access: z.enum(['change', 'read']).nullish()
		})
	)
	.max(30)
	.default([])
	.transform((members) =>
		members.flatMap(({ staffId, part, access }) =>
			staffId ? [{ staffId, part, access: access ?? ('change' as const) }] : []
		)
	);

export type TeamMemberView = {
	staffId: string;
	name: string;
	part: string;
	access: TeamMemberRow['access'];
};
export type TeamView = { id: string; name: string; version: number; members: TeamMemberView[] };

/** The members of a team who are still in the department. */
export const listTeamMembers = ({ db }: Has, teamId: string): TeamMemberView[] =>
	all(
		db,
		`SELECT s.id AS staffId, s.name, t.part, t.access
		FROM team_member t
		JOIN staff s ON s.id = t.staff_id
		WHERE t.team_id = @teamId AND s.active = 1
		ORDER BY s.name`,
		{ teamId }
	);

export const listTeams = (app: Has): TeamView[] =>
	all<Omit<TeamView, 'members'>>(app.db, 'SELECT id, name, version FROM team ORDER BY name').map(
		(team) => ({ ...team, members: listTeamMembers(app, team.id) })
	);

export const findTeam = ({ db }: Has, teamId: string): TeamRow | undefined =>
	maybeOne(db, 'SELECT * FROM team WHERE id = @teamId', { teamId });

type Members = z.output<typeof membersInput>;
/** Members as one field of a form has them. */
const membersField = (members: Members): string =>
	JSON.stringify(members.map(({ staffId, part, access }) => ({ staffId, part, access })));

/** @throws Conflict where two people changed the same of it */
function takeTogether(
	ctx: Context,
	team: TeamRow,
	{ name, members, base }: { name: string; members: Members; base?: Fields | null | undefined }
): { name: string; members: Members } {
	const nameOf = (staffId: string) => findColleague(ctx, staffId)?.name ?? '';
	const fields = requireTogether(
		ctx,
		{ matterId: null, id: team.id },
		{
			labels: { name: 'Name', members: 'Colleagues' },
			now: { name: team.name, members: membersField(listTeamMembers(ctx, team.id)) },
			base,
			yours: { name, members: membersField(members) },
			format: (field, value) =>
				field === 'name'
					? value
					: (JSON.parse(value) as Members).map(({ staffId }) => nameOf(staffId)).join('\n')
		}
	);
	return { name: fields.name, members: JSON.parse(fields.members) as Members };
}
type Fields = Readonly<Record<string, string>>;

/** Adds a team, or changes one: its members are those that are given. */
export const saveTeam = command({
	name: 'save team',
	action: 'staff.edit',
	input: z.object({
		teamId: maybeId,
		name: text('The name', 60),
		members: membersInput,
		base
	}),
	run({ ctx, input, record }) {
		const { teamId } = input;
		const before = teamId === null ? undefined : requireTeam(ctx, teamId);
		const { name, members } = before ? takeTogether(ctx, before, input) : input;
		refuseTakenName(ctx, name, teamId);
		refuseWrongMembers(ctx, members);
		const ref = before?.id ?? newId('team');
		if (before) update<TeamRow>(ctx.db, 'team', { id: ref }, { name, version: before.version + 1 });
		else insert<TeamRow>(ctx.db, 'team', { id: ref, name, version: 1 });
		const was = listTeamMembers(ctx, ref);
		remove<TeamMemberRow>(ctx.db, 'team_member', { team_id: ref });
		for (const { staffId, part, access } of members)
			insert<TeamMemberRow>(ctx.db, 'team_member', {
				...{ team_id: ref, staff_id: staffId, part, access }
			});
		record.audit({ team: ref, name, was, members });
		return { teamId: ref };
	}
});

/** A team is there no more; who was put on a matter by it stays there. */
export const removeTeam = command({
	name: 'remove team',
	action: 'staff.edit',
	input: z.object({ teamId: id('a team') }),
	run({ ctx, input: { teamId }, record }) {
		const team = requireTeam(ctx, teamId);
		record.audit({ team: team.id, name: team.name, members: listTeamMembers(ctx, team.id) });
		remove<TeamMemberRow>(ctx.db, 'team_member', { team_id: team.id });
		remove<TeamRow>(ctx.db, 'team', { id: team.id });
	}
});

function requireTeam(ctx: Context, teamId: string): TeamRow {
	const team = findTeam(ctx, teamId);
	if (!team) throw new NotFound('team');
	return team;
}

function refuseTakenName(ctx: Context, name: string, teamId: string | null): void {
	const taken = exists(ctx.db, 'SELECT 1 FROM team WHERE name = @name AND id IS NOT @teamId', {
		name,
		teamId
	});
	if (taken) throw new Refused(`There is a team “${name}” already.`, 'name');
}

function refuseWrongMembers(ctx: Context, members: readonly { staffId: string }[]): void {
	if (members.length === 0) throw new Refused('A team has at least one colleague.', 'members');
	const ids = new Set(members.map(({ staffId }) => staffId));
	const doubles = members.length - ids.size;
	if (doubles) throw new Refused(`${plural(doubles, 'colleague')} twice.`, 'members');
	if (members.some(({ staffId }) => !findColleague(ctx, staffId)))
		throw new Refused('Choose colleagues of the department.', 'members');
}
