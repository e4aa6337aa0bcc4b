/** Which matters a member of staff may see, as SQL: every list, count, search and command goes through it. */
import { may } from '#core/access/table.ts';
import { NotFound, staffOf, type Ctx, type Staff } from '../command.ts';
import type { Db } from '../db/open.ts';

/** A condition on a matter with this alias; takes the named parameter @me. */
export const visible = (alias: string): string =>
	`(${alias}.restricted = 0 OR ${alias}.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member mm WHERE mm.matter_id = ${alias}.id AND mm.staff_id = @me))`;

/** A person's card, with this alias: one made in place for a restricted matter belongs to it, until it has a role that the viewer may see. Takes @me. */
export const cardVisible = (alias: string): string =>
	`(${alias}.merged_into IS NULL AND (${alias}.made_for IS NULL OR EXISTS (SELECT 1 FROM matter mf WHERE mf.id = ${alias}.made_for AND ${visible('mf')}) OR EXISTS (SELECT 1 FROM matter_role mr JOIN matter mv ON mv.id = mr.matter_id WHERE mr.person_id = ${alias}.id AND ${visible('mv')})))`;
/** Every tie of the person @id to matters: roles with their dates, and facts that name them. */
export const TIES = `SELECT mr.matter_id, mr.role, mr.note, mr.from_day, mr.to_day FROM matter_role mr WHERE mr.person_id = @id UNION ALL SELECT mf.matter_id, replace(CASE WHEN instr(mf.fact, '.') > 0 THEN substr(mf.fact, instr(mf.fact, '.') + 1) ELSE mf.fact END, '-', ' '), '', NULL, NULL FROM matter_fact mf WHERE mf.value = @id`;
/** A fact of the matter with this alias, as text; empty where it has none. */
export const factOf = (alias: string, fact: string): string =>
	`coalesce((SELECT mfa.value FROM matter_fact mfa WHERE mfa.matter_id = ${alias}.id AND mfa.fact = '${fact}' AND mfa.row = 0), '')`;
/** A person's first mail address or telephone. */
export const contactOf = (alias: string, kind: 'mail' | 'phone'): string =>
	`coalesce((SELECT pc.value FROM person_contact pc WHERE pc.person_id = ${alias}.id AND pc.kind = '${kind}' ORDER BY pc.position, pc.id LIMIT 1), '')`;

export type MatterRow = {
	id: string;
	number: string;
	title: string;
	kind: string;
	status: 'proposed' | 'open' | 'on hold' | 'closed';
	unit_id: string;
	responsible_id: string;
	originating_id: string;
	restricted: number;
	rulebook: string | null;
	priority: 'high' | 'normal' | 'low';
	status_reason: string;
	status_from: string | null;
	retain_until: string | null;
	version: number;
	opened_on: string;
	closed_on: string | null;
};

/** The matter, or nothing where it is not there for this person. */
export function findMatter(
	db: Db,
	staff: Staff,
	key: { id: string } | { number: string }
): MatterRow | undefined {
	if (!may(staff.role, 'matter.read')) return undefined;
	const by = 'id' in key ? 'm.id = @key' : 'm.number = @key';
	return db
		.prepare<unknown[], MatterRow>(`SELECT m.* FROM matter m WHERE ${by} AND ${visible('m')}`)
		.get({ key: 'id' in key ? key.id : key.number.toUpperCase(), me: staff.id });
}

/** The matter a command works on; NotFound where the actor may not see it. */
export function theMatter(ctx: Ctx, id: string): MatterRow {
	const m = findMatter(ctx.db, staffOf(ctx), { id });
	if (!m) throw new NotFound();
	return m;
}

/** Everyone who works on a matter: the responsible lawyer and the members. */
export function onMatter(
	db: Db,
	matterId: string
): { id: string; name: string; initials: string; email: string }[] {
	return db
		.prepare<[string, string], { id: string; name: string; initials: string; email: string }>(
			`SELECT s.id, s.name, s.initials, s.email FROM staff s WHERE s.id = (SELECT responsible_id FROM matter WHERE id = ?) OR s.id IN (SELECT staff_id FROM matter_member WHERE matter_id = ?) ORDER BY s.name`
		)
		.all(matterId, matterId);
}

/** Queues a mail inside the caller's transaction; a job hands it to the mail server. */
export function queueMail(
	ctx: Ctx,
	id: string,
	mail: {
		matterId: string | null;
		to: string;
		subject: string;
		text: string;
		attachment?: { sha256: string; name: string };
	}
): void {
	ctx.db
		.prepare(
			'INSERT INTO mail_out (id, matter_id, recipient, subject, text, attachment_sha256, attachment_name, queued_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
		)
		.run(
			id,
			mail.matterId,
			mail.to,
			mail.subject,
			mail.text,
			mail.attachment?.sha256 ?? null,
			mail.attachment?.name ?? null,
			ctx.clock.now()
		);
}
