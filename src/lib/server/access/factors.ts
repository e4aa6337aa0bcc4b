/** Second factors: who has which, and whose role needs one. */
import { ROLES, type Role } from '#core/access/table.ts';
import type { Application } from '#server/app/application.ts';
import { findSetting } from '#server/app/department.ts';
import { all, exists } from '#server/db/sql.ts';
import type { SecondFactorRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

export const ROLES_SETTING = 'second-factor-roles';

/** Roles that may not sign in without a second factor. */
export function listStrictRoles(app: Has): Role[] {
	const names = findSetting(app, ROLES_SETTING, '').split(',');
	return ROLES.filter((role) => names.includes(role));
}

export type FactorView = Pick<SecondFactorRow, 'id' | 'sort' | 'label'> & {
	addedAt: string;
	usedAt: string | null;
};
export const listFactors = ({ db }: Has, staffId: string): FactorView[] =>
	all(
		db,
		`SELECT id, sort, label, added_at AS addedAt, used_at AS usedAt
		FROM second_factor
		WHERE staff_id = @staffId
		ORDER BY added_at, id`,
		{ staffId }
	);

export const listFactorRows = (
	{ db }: Has,
	staffId: string,
	sort: SecondFactorRow['sort']
): SecondFactorRow[] =>
	all(db, 'SELECT * FROM second_factor WHERE staff_id = @staffId AND sort = @sort', {
		staffId,
		sort
	});

export const hasFactor = ({ db }: Has, staffId: string): boolean =>
	exists(db, 'SELECT 1 FROM second_factor WHERE staff_id = @staffId', { staffId });

/** Whether the password alone lets somebody in. */
export const needsFactor = (app: Has, { id, role }: { id: string; role: Role }): boolean =>
	hasFactor(app, id) || listStrictRoles(app).includes(role);
