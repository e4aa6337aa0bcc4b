/** Dates of a matter are given to somebody, to see to or to stand in for. */
import { z } from 'zod';
import { plural } from '#core/format/words.ts';
import { isOnTeam } from '#server/access/team.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { one } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findColleague } from '#server/staff/queries.ts';
import { requireDeadlines } from './find.ts';
import { datesAssigned } from './messages.ts';
import type { DeadlineRow } from './rows.ts';
import { updateDeadline } from './writing.ts';

/** Absent: it stays. Empty: as on the matter. */
const whom = z.string().max(60).optional();

/** Gives dates of one matter to somebody, or back to the matter's own people. */
export const assignDeadlines = matterCommand({
	name: 'assign deadlines',
	action: 'docket.change',
	input: z.object({
		deadlineIds: z.array(z.string()).max(500).default([]),
		assigneeId: whom,
		standInId: whom
	}),
	find: (ctx, { deadlineIds }) => requireDeadlines(ctx, deadlineIds),
	run({ ctx, me, deadlines, matter, input, record }) {
		const names = {
			assignee: nameOf(ctx, matter, input.assigneeId, 'assigneeId'),
			standIn: nameOf(ctx, matter, input.standInId, 'standInId')
		};
		for (const deadline of deadlines) assign(ctx, deadline, input);
		const { assigneeId, standInId } = input;
		record.audit({ deadlines: deadlines.map(({ id }) => id), assigneeId, standInId });
		const [first] = deadlines;
		const what = deadlines.length === 1 ? first!.title : plural(deadlines.length, 'date');
		const words = [
			assigneeId !== undefined && `responsible is ${names.assignee}`,
			standInId !== undefined && `stand-in is ${names.standIn}`
		].filter(Boolean);
		if (words.length) record.log('date', `${what}: ${words.join(', ')}.`);
		for (const staffId of new Set([assigneeId, standInId])) {
			const to = staffId && staffId !== me.id ? findColleague(ctx, staffId) : undefined;
			const message = datesAssigned(matter, deadlines, staffId === assigneeId);
			if (to) queueMail(ctx, { matterId: matter.id, to, message });
		}
		return { assigned: deadlines.length };
	}
});

function nameOf(
	ctx: Context,
	matter: MatterRow,
	staffId: string | undefined,
	field: string
): string {
	if (!staffId) return "the matter's own";
	const colleague = findColleague(ctx, staffId);
	if (!colleague) throw new Refused('Choose a colleague of the department.', field);
	if (matter.restricted && !isOnTeam(ctx.db, matter.id, staffId))
		throw new Refused(`${colleague.name} is not on this restricted matter.`, field);
	return colleague.name;
}

function assign(
	ctx: Context,
	deadline: DeadlineRow,
	{ assigneeId, standInId }: { assigneeId?: string | undefined; standInId?: string | undefined }
): void {
	if (deadline.state !== 'docketed' && deadline.state !== 'proposed')
		throw new Refused(`“${deadline.title}” is settled: nobody has to see to it.`);
	const assignee = assigneeId === undefined ? deadline.assignee_id : assigneeId || null;
	const standIn = standInId === undefined ? deadline.stand_in_id : standInId || null;
	if (standIn !== null && standIn === (assignee ?? responsibleOf(ctx, deadline)))
		throw new Refused('Nobody stands in for themselves.', 'standInId');
	updateDeadline(ctx, deadline, { assignee_id: assignee, stand_in_id: standIn });
}

const responsibleOf = ({ db }: Context, { matter_id }: DeadlineRow): string =>
	one<{ id: string }>(db, 'SELECT responsible_id AS id FROM matter WHERE id = @matter_id', {
		matter_id
	}).id;
