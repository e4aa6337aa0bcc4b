/**
 * A restricted matter that nobody can open any more is given to a lawyer by an administrator, who
 * does not read it by that. A second person and everybody who was on it are told.
 */
import { z } from 'zod';
import { isLawyer } from '#core/access/table.ts';
import type { Application } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { all, update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findColleague } from '#server/staff/queries.ts';
import { takenOver } from './messages.ts';

type Has = Pick<Application, 'db'>;

/** A matter by its number alone: what it is about is for those who are put on it. */
export type Orphan = {
	id: string;
	number: string;
	closed: 0 | 1;
	/** Who was responsible. */
	by: string;
};

/** Restricted matters of which nobody who is still in the department is left. */
export const listOrphans = ({ db }: Has): Orphan[] =>
	all(
		db,
		`SELECT m.id, m.number, m.status = 'closed' AS closed, s.name AS by
		FROM matter m
		JOIN staff s ON s.id = m.responsible_id
		WHERE m.restricted = 1 AND s.active = 0
			AND NOT EXISTS (
				SELECT 1
				FROM matter_member x
				JOIN staff other ON other.id = x.staff_id
				WHERE x.matter_id = m.id AND other.active = 1
			)
		ORDER BY m.number`
	);

type Former = { name: string; email: string };
/** Who was on it, by what the trail of its team has left. */
const listFormer = ({ db }: Has, matterId: string): Former[] =>
	all(
		db,
		`SELECT DISTINCT s.name, s.email
		FROM staff s
		WHERE s.email <> '' AND (
			s.id = (SELECT responsible_id FROM matter WHERE id = @matterId)
			OR s.id IN (SELECT staff_id FROM matter_member WHERE matter_id = @matterId)
			OR s.id IN (
				SELECT staff_id FROM logbook WHERE matter_id = @matterId AND staff_id IS NOT NULL
			)
		)
		ORDER BY s.name`,
		{ matterId }
	);

/** Makes a lawyer responsible for a restricted matter that nobody is left of. */
export const takeOverMatter = command({
	name: 'take over restricted matter',
	action: 'account.edit',
	input: z.object({
		matterId: id('a matter'),
		lawyerId: id('a lawyer'),
		witnessId: id('a second person'),
		reason: text('The reason', 500)
	}),
	run({ ctx, me, input: { matterId, lawyerId, witnessId, reason }, record }) {
		const orphan = listOrphans(ctx).find((other) => other.id === matterId);
		if (!orphan) throw new NotFound();
		const lawyer = findColleague(ctx, lawyerId);
		if (!lawyer || !isLawyer(lawyer.role))
			throw new Refused('Choose a lawyer of the department.', 'lawyerId');
		const witness = findColleague(ctx, witnessId);
		if (!witness || witness.id === lawyer.id || witness.id === me.id)
			throw new Refused('Choose a third colleague, who is only told of it.', 'witnessId');
		const former = listFormer(ctx, matterId);
		const [row] = all<Pick<MatterRow, 'version'>>(
			ctx.db,
			'SELECT version FROM matter WHERE id = @matterId',
			{ matterId }
		);
		update<MatterRow>(
			ctx.db,
			'matter',
			{ id: matterId },
			{ responsible_id: lawyer.id, version: (row?.version ?? 0) + 1 }
		);
		record.onMatter(matterId);
		record.audit({ lawyer: lawyer.id, witness: witness.id, reason });
		record.logOn(
			matterId,
			'people',
			`${lawyer.name} is responsible now. ${me.name} put them on, since nobody was left; ${witness.name} was told. ${reason}`
		);
		const message = takenOver(orphan.number, { by: me.name, lawyer: lawyer.name, reason });
		const told = new Map([witness, lawyer, ...former].map((to) => [to.email, to]));
		for (const to of told.values()) queueMail(ctx, { matterId, to, message });
		return { number: orphan.number, lawyer: lawyer.name };
	}
});
