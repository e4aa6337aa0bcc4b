/**
 * Which matters a member of staff may see, as SQL: every list, count, search and command goes
 * through it.
 */
import { may } from '#core/access/table.ts';
import { actingStaff, type Context, type Staff } from '../app/application.ts';
import { NotFound } from '../app/errors.ts';
import type { Db } from '../db/open.ts';
import { maybeOne } from '../db/sql.ts';
import type { MatterRow } from '../matters/rows.ts';

/** A condition on a matter with this alias; takes the named parameter @me. */
export const visible = (alias: string): string =>
	`(
		${alias}.restricted = 0
		OR ${alias}.responsible_id = @me
		OR EXISTS (
			SELECT 1 FROM matter_member mm WHERE mm.matter_id = ${alias}.id AND mm.staff_id = @me
		)
	)`;

/**
 * A person's card, with this alias: one made in place for a restricted matter belongs to it, until
 * it has a role that the viewer may see. Takes @me.
 */
export const cardVisible = (alias: string): string =>
	`(
		${alias}.merged_into IS NULL
		AND (
			${alias}.made_for IS NULL
			OR EXISTS (SELECT 1 FROM matter mf WHERE mf.id = ${alias}.made_for AND ${visible('mf')})
			OR EXISTS (
				SELECT 1
				FROM matter_role mr
				JOIN matter mv ON mv.id = mr.matter_id
				WHERE mr.person_id = ${alias}.id AND ${visible('mv')}
			)
		)
	)`;
/**
 * A condition on a matter with this alias: someone is on it, as its responsible lawyer or a member.
 */
export const onTeam = (alias: string, who = '@me'): string =>
	`(
		${alias}.responsible_id = ${who}
		OR EXISTS (
			SELECT 1 FROM matter_member mt WHERE mt.matter_id = ${alias}.id AND mt.staff_id = ${who}
		)
	)`;

/** The matter, or nothing where it is not there for this person. */
export function findMatter(
	db: Db,
	staff: Staff,
	key: { id: string } | { number: string }
): MatterRow | undefined {
	if (!may(staff.role, 'matter.read')) return undefined;
	const by = 'id' in key ? 'm.id = @key' : 'm.number = @key';
	return maybeOne<MatterRow>(db, `SELECT m.* FROM matter m WHERE ${by} AND ${visible('m')}`, {
		key: 'id' in key ? key.id : key.number.toUpperCase(),
		me: staff.id
	});
}

/** The matter a command works on; NotFound where the actor may not see it. */
export function requireMatter(ctx: Context, id: string): MatterRow {
	const matter = findMatter(ctx.db, actingStaff(ctx), { id });
	if (!matter) throw new NotFound();
	return matter;
}
