/**
 * Somebody leaves the department: they sign in no more, and what they held is handed over, so that
 * no date and no task is left with nobody.
 */
import { z } from 'zod';
import { isLawyer } from '#core/access/table.ts';
import { plural } from '#core/format/words.ts';
import { endSessions } from '#server/access/sessions.ts';
import { listTeam } from '#server/access/team.ts';
import { actingStaff, type Application, type Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { id, maybeId } from '#server/app/fields.ts';
import type { Recorder } from '#server/app/record.ts';
import { all, one, remove, run, update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findColleague, type Colleague } from '#server/staff/queries.ts';
import type { StaffRow, TeamMemberRow } from '#server/staff/rows.ts';
import { refuseLastAdministrator, requireAccount } from './commands.ts';
import { givenOn, handedOver } from './messages.ts';

type Has = Pick<Application, 'db'>;
export type Held = {
	matters: number;
	/** Of these matters, the restricted ones. */
	restricted: number;
	tasks: number;
	dates: number;
	papers: number;
};

/** What somebody holds that must go on. */
export const countHeld = ({ db }: Has, staffId: string): Held =>
	one(
		db,
		`SELECT
			(
				SELECT count(*) FROM matter WHERE responsible_id = @staffId AND status <> 'closed'
			) AS matters,
			(
				SELECT count(*)
				FROM matter
				WHERE responsible_id = @staffId AND status <> 'closed' AND restricted = 1
			) AS restricted,
			(SELECT count(*) FROM task WHERE assignee_id = @staffId AND state = 'open') AS tasks,
			(
				SELECT count(*)
				FROM deadline
				WHERE assignee_id = @staffId AND state IN ('docketed', 'proposed')
			) AS dates,
			(SELECT count(*) FROM paper WHERE holder_id = @staffId AND state = 'waits') AS papers`,
		{ staffId }
	);

/** Ends an account, and hands over what it held. What was done under it stays under its name. */
export const endAccount = command({
	name: 'end account',
	action: 'account.edit',
	input: z.object({
		staffId: id('an account'),
		toId: maybeId,
		/** Who is told where restricted matters go to somebody who was not on them. */
		witnessId: maybeId
	}),
	run({ ctx, me, input: { staffId, toId, witnessId }, record }) {
		const leaver = requireAccount(ctx, staffId);
		if (!leaver.active) throw new Refused('This account is not in use any more.');
		if (staffId === me.id) throw new Refused('Another administrator ends your account.');
		refuseLastAdministrator(ctx, leaver);
		const held = countHeld(ctx, staffId);
		const to = requireSuccessor(ctx, held, staffId, toId);
		const witness = requireWitness(ctx, leaver, to, witnessId);
		if (to) handOver(ctx, leaver, to, record);
		if (to && witness) tellWitness(ctx, { leaver, to, witness: witness.told }, witness.matters);
		for (const matterId of leaveMatters(ctx, staffId))
			record.logOn(matterId, 'people', `${leaver.name} left the department.`);
		const ended = endAccess(ctx, staffId);
		update<StaffRow>(ctx.db, 'staff', { id: staffId }, { active: 0, supervisor_id: null });
		record.audit({
			staff: staffId,
			to: to?.id ?? null,
			witness: witness?.told.id ?? null,
			held,
			sessionsEnded: ended
		});
		return { ...held, ended };
	}
});

function requireSuccessor(
	ctx: Context,
	held: Held,
	staffId: string,
	toId: string | null
): Colleague | undefined {
	const isHeld = Object.values(held).some((count) => count > 0);
	const to = toId === null || toId === staffId ? undefined : findColleague(ctx, toId);
	if (isHeld && !to) throw new Refused('Choose who takes over what they hold.', 'toId');
	if (to && held.matters > 0 && !isLawyer(to.role))
		throw new Refused(
			`${plural(held.matters, 'matter')} of theirs need a lawyer: choose one.`,
			'toId'
		);
	return to;
}

type RestrictedMatter = Pick<MatterRow, 'id' | 'number'>;

/**
 * Restricted matters that would become readable to somebody who was not on them: a second person
 * and those who are on them are told, and whoever ends the account gives none to themselves.
 */
function requireWitness(
	ctx: Context,
	leaver: StaffRow,
	to: Colleague | undefined,
	witnessId: string | null
): { told: Colleague; matters: RestrictedMatter[] } | undefined {
	if (!to) return undefined;
	const matters = all<RestrictedMatter>(
		ctx.db,
		`SELECT m.id, m.number
		FROM matter m
		WHERE m.responsible_id = @leaver
			AND m.status <> 'closed'
			AND m.restricted = 1
			AND NOT EXISTS (
				SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @to
			)
		ORDER BY m.number`,
		{ leaver: leaver.id, to: to.id }
	);
	if (matters.length === 0) return undefined;
	const me = actingStaff(ctx);
	const things = plural(matters.length, 'restricted matter');
	if (to.id === me.id)
		throw new Refused(`${things} of theirs cannot go to whoever ends the account.`, 'toId');
	const told = witnessId === null ? undefined : findColleague(ctx, witnessId);
	if (!told || [leaver.id, to.id, me.id].includes(told.id))
		throw new Refused(
			`${things} go to somebody who was not on them: choose a third colleague, who is told of it.`,
			'witnessId'
		);
	return { told, matters };
}

function tellWitness(
	ctx: Context,
	people: { leaver: StaffRow; to: Colleague; witness: Colleague },
	matters: readonly RestrictedMatter[]
): void {
	const { leaver, to, witness } = people;
	const words = { by: actingStaff(ctx).name, leaver: leaver.name, lawyer: to.name };
	for (const { id: matterId, number } of matters) {
		const others = listTeam(ctx.db, matterId).filter(
			({ id: staffId }) => staffId !== leaver.id && staffId !== to.id
		);
		const told = new Map([witness, ...others].map((one) => [one.email, one]));
		for (const one of told.values())
			queueMail(ctx, { matterId, to: one, message: givenOn(number, words) });
	}
}

function handOver(ctx: Context, leaver: StaffRow, to: Colleague, record: Recorder): void {
	const matters = all<MatterRow>(
		ctx.db,
		"SELECT * FROM matter WHERE responsible_id = @id AND status <> 'closed' ORDER BY number",
		{ id: leaver.id }
	);
	for (const matter of matters) {
		const stand_in_id = matter.stand_in_id === to.id ? null : matter.stand_in_id;
		update<MatterRow>(
			ctx.db,
			'matter',
			{ id: matter.id },
			{ responsible_id: to.id, stand_in_id, version: matter.version + 1 }
		);
		remove(ctx.db, 'matter_member', { matter_id: matter.id, staff_id: to.id });
		record.logOn(
			matter.id,
			'people',
			`${to.name} is responsible now: ${leaver.name} left the department.`
		);
		// Mail about a restricted matter goes by itself: whoever may read mail may not know of it.
		if (matter.restricted)
			queueMail(ctx, { matterId: matter.id, to, message: handedOver(leaver.name, [matter]) });
	}
	const open = matters.filter(({ restricted }) => !restricted);
	if (open.length) queueMail(ctx, { matterId: null, to, message: handedOver(leaver.name, open) });
	handOverRest(ctx, leaver.id, to.id);
}

/**
 * Tasks and papers go to the successor; those of a restricted matter that is not theirs to its own
 * lawyer. A date that somebody held is its matter's lawyer's again.
 */
function handOverRest({ db }: Context, staffId: string, toId: string): void {
	const ids = { staffId, toId };
	run(
		db,
		`UPDATE task
		SET assignee_id = (
			SELECT CASE
				WHEN m.restricted = 0
					OR EXISTS (
						SELECT 1 FROM matter_team t WHERE t.matter_id = m.id AND t.staff_id = @toId
					)
					THEN @toId
				ELSE m.responsible_id
			END
			FROM matter m
			WHERE m.id = task.matter_id
		)
		WHERE assignee_id = @staffId AND state = 'open'`,
		ids
	);
	run(db, "UPDATE paper SET holder_id = @toId WHERE holder_id = @staffId AND state = 'waits'", ids);
	run(db, 'UPDATE deadline SET assignee_id = NULL WHERE assignee_id = @staffId', ids);
	run(db, 'UPDATE deadline SET stand_in_id = NULL WHERE stand_in_id = @staffId', ids);
}

/** Takes somebody off every matter and team; gives the open matters. */
function leaveMatters({ db }: Context, staffId: string): string[] {
	const matters = all<{ id: string }>(
		db,
		`SELECT m.id
		FROM matter m
		JOIN matter_member x ON x.matter_id = m.id
		WHERE x.staff_id = @staffId AND m.status <> 'closed'
		ORDER BY m.number`,
		{ staffId }
	).map(({ id: matterId }) => matterId);
	remove(db, 'matter_member', { staff_id: staffId });
	remove<TeamMemberRow>(db, 'team_member', { staff_id: staffId });
	run(db, 'UPDATE matter SET stand_in_id = NULL WHERE stand_in_id = @staffId', { staffId });
	run(db, 'UPDATE staff SET supervisor_id = NULL WHERE supervisor_id = @staffId', { staffId });
	return matters;
}

/** Sessions, calendar addresses and links that set a password end at once. */
function endAccess(ctx: Context, staffId: string): number {
	const now = ctx.clock.now();
	run(
		ctx.db,
		'UPDATE feed SET revoked_at = @now WHERE staff_id = @staffId AND revoked_at IS NULL',
		{ staffId, now }
	);
	run(
		ctx.db,
		'UPDATE password_link SET used_at = @now WHERE staff_id = @staffId AND used_at IS NULL',
		{ staffId, now }
	);
	return endSessions(ctx, staffId);
}
