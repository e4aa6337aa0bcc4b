/** Who is in the department, who supervises whom, and who is away. */
import { z } from 'zod';
import type { Staff } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { day, id, maybeId, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { exists, insert, maybeOne, remove, update } from '#server/db/sql.ts';
import type { LeaveRow, StaffRow } from './rows.ts';

/**
 * Adds someone, from the command line and the demo only: they choose the ids and have made the
 * hash.
 */
export const addStaff = command({
	name: 'add staff',
	action: null,
	input: z.object({
		id: z.string(),
		login: z.string(),
		name: z.string(),
		initials: z.string(),
		email: z.string(),
		role: z.enum([
			'counsel',
			'paralegal',
			'docket-clerk',
			'legal-operations',
			'business-partner',
			'administrator'
		]),
		level: z.string(),
		office: z.string().default(''),
		passwordHash: z.string(),
		demo: z.boolean()
	}),
	run({ ctx, input, record }) {
		if (!('guest' in ctx.actor) || ctx.actor.guest !== 'setup') throw new Error('only at setup');
		const { passwordHash, demo, ...person } = input;
		insert<StaffRow>(ctx.db, 'staff', {
			...person,
			password_hash: passwordHash,
			demo: demo ? 1 : 0
		});
		record.audit({ login: input.login, role: input.role });
	}
});

/**
 * Says to whom a colleague's dates go that nobody has seen. Nobody supervises themselves, not even
 * by a round-about way.
 */
export const setSupervisor = command({
	name: 'set supervisor',
	action: 'docket.closure',
	input: z.object({ staffId: id('a colleague'), supervisorId: maybeId }),
	run({ ctx, input, record }) {
		const find = (staffId: string) =>
			maybeOne<Pick<StaffRow, 'supervisor_id' | 'active'>>(
				ctx.db,
				'SELECT supervisor_id, active FROM staff WHERE id = @staffId',
				{ staffId }
			);
		if (!find(input.staffId)) throw new NotFound('colleague');
		if (input.supervisorId && find(input.supervisorId)?.active !== 1)
			throw new Refused('Choose a colleague.', 'supervisorId');
		for (let above = input.supervisorId; above; above = find(above)?.supervisor_id ?? null)
			if (above === input.staffId)
				throw new Refused('They would supervise each other in a circle.', 'supervisorId');
		update<StaffRow>(ctx.db, 'staff', { id: input.staffId }, { supervisor_id: input.supervisorId });
		record.audit({ staff: input.staffId, supervisor: input.supervisorId });
	}
});

const entersForOthers = (me: Staff) => me.role === 'docket-clerk' || me.role === 'administrator';

/**
 * Days on which someone is away: one's own; the docket clerk and an administrator enter anyone's.
 */
export const addLeave = command({
	name: 'add leave',
	action: 'time.own',
	input: z.object({
		staffId: id('a colleague'),
		from: day('The first day'),
		to: day('The last day'),
		note: maybeText('The note', 100)
	}),
	run({ ctx, me, input, record }) {
		const { staffId, from, to, note } = input;
		if (staffId !== me.id && !entersForOthers(me))
			throw new Refused(
				'You enter your own days away. The docket clerk enters those of others.',
				'staffId'
			);
		if (to < from) throw new Refused('The last day is before the first.', 'to');
		if (!exists(ctx.db, 'SELECT 1 FROM staff WHERE id = @staffId AND active = 1', { staffId }))
			throw new Refused('Choose a colleague.', 'staffId');
		insert<LeaveRow>(ctx.db, 'leave', {
			id: newId('lea'),
			staff_id: staffId,
			from_day: from,
			to_day: to,
			note
		});
		record.audit({ staff: staffId, from, to });
	}
});

export const removeLeave = command({
	name: 'remove leave',
	action: 'time.own',
	input: z.object({ leaveId: id('an entry') }),
	run({ ctx, me, input, record }) {
		const leave = maybeOne<LeaveRow>(ctx.db, 'SELECT * FROM leave WHERE id = @leaveId', input);
		if (!leave || (leave.staff_id !== me.id && !entersForOthers(me))) throw new NotFound('entry');
		remove<LeaveRow>(ctx.db, 'leave', { id: leave.id });
		record.audit({ staff: leave.staff_id, from: leave.from_day, to: leave.to_day });
	}
});
