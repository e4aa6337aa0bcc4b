/** Who may hand a matter over and say who is on it. */
import type { Application, Staff } from '#server/app/application.ts';
import { exists } from '#server/db/sql.ts';
import type { MatterRow } from './rows.ts';

/** Its responsible lawyer, its owners, an administrator. */
export const mayStaff = ({ db }: Pick<Application, 'db'>, me: Staff, matter: MatterRow): boolean =>
	me.id === matter.responsible_id ||
	me.role === 'administrator' ||
	exists(
		db,
		`SELECT 1
		FROM matter_member
		WHERE matter_id = @matterId AND staff_id = @staffId AND role = 'owner'`,
		{ matterId: matter.id, staffId: me.id }
	);
