/** The acting person of a row of the staff: without what is only for signing in. */
import type { Staff } from '#server/app/application.ts';
import type { StaffRow } from '#server/staff/rows.ts';

export const asStaff = ({ id, login, name, initials, email, role, level }: StaffRow): Staff => ({
	id,
	login,
	name,
	initials,
	email,
	role,
	level
});
