/**
 * Whose appointments somebody may look into, and which they may change. One that is private, or on
 * a matter they do not see, is open to those on it and to who made it; others see that they are
 * busy, and nothing else.
 */
import { may } from '#core/access/table.ts';
import { visible } from '#server/access/visibility.ts';
import { actingStaff, type Context, type Staff } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { all, exists } from '#server/db/sql.ts';
import { findState, type AppointmentState } from './state.ts';

/** A condition on an appointment with this alias: somebody is on it, or made it. Takes @me. */
const ownOf = (alias: string): string =>
	`(
		${alias}.created_by = @me
		OR EXISTS (
			SELECT 1
			FROM appointment_staff mine
			WHERE mine.appointment_id = ${alias}.id AND mine.staff_id = @me AND mine.gone = 0
		)
	)`;

/** A condition on an appointment with this alias: one may read it. Takes @me. */
export const openTo = (alias: string): string =>
	`(
		${ownOf(alias)}
		OR (
			${alias}.private = 0
			AND (
				${alias}.matter_id IS NULL
				OR EXISTS (SELECT 1 FROM matter mo WHERE mo.id = ${alias}.matter_id AND ${visible('mo')})
			)
		)
	)`;

/** One that may be read. @throws NotFound */
export function requireOpen(ctx: Context, id: string): AppointmentState {
	const isOpen = exists(ctx.db, `SELECT 1 FROM appointment a WHERE a.id = @id AND ${openTo('a')}`, {
		id,
		me: actingStaff(ctx).id
	});
	const state = isOpen ? findState(ctx.db, id) : undefined;
	if (!state) throw new NotFound('appointment');
	return state;
}

/** Those whose calendars somebody keeps, by their word. */
export const listKept = ({ db }: Pick<Context, 'db'>, me: Staff): string[] =>
	all<{ id: string }>(
		db,
		'SELECT staff_id AS id FROM calendar_keeper WHERE keeper_id = @me ORDER BY staff_id',
		{ me: me.id }
	).map(({ id }) => id);

/** Whether somebody changes what stands in a colleague's calendar. */
export const keepsFor = (ctx: Pick<Context, 'db'>, me: Staff, staffId: string): boolean =>
	staffId === me.id || may(me.role, 'calendar.keep') || listKept(ctx, me).includes(staffId);

/** Whether one that may be read may be changed too. */
export const mayChangeRow = (
	me: Staff,
	{ created_by, staff }: { created_by: string; staff: readonly string[] },
	kept: readonly string[]
): boolean =>
	created_by === me.id ||
	may(me.role, 'calendar.keep') ||
	staff.some((staffId) => staffId === me.id || kept.includes(staffId));

/** @throws Refused where it is a colleague's who does not let one keep their calendar */
export function refuseForeign(ctx: Context, me: Staff, state: AppointmentState): void {
	if (!mayChangeRow(me, state, listKept(ctx, me)))
		throw new Refused('That is in the calendar of colleagues who keep it themselves.');
}
