/** The accounts of the department, for who keeps them. */
import type { Application } from '#server/app/application.ts';
import { listFactors } from '#server/access/factors.ts';
import { listSessions } from '#server/access/sessions.ts';
import { all } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { countHeld, type Held } from './leave.ts';

export type AccountView = Pick<
	StaffRow,
	'id' | 'login' | 'name' | 'email' | 'role' | 'level' | 'office' | 'active'
> & {
	sessions: number;
	/** Second factors. */
	factors: number;
	held: Held;
};

/** Everybody, those who left last. */
export const listAccounts = (app: Application): AccountView[] =>
	all<Omit<AccountView, 'sessions' | 'held' | 'factors'>>(
		app.db,
		'SELECT id, login, name, email, role, level, office, active FROM staff ORDER BY active DESC, name'
	).map((account) => ({
		...account,
		sessions: listSessions(app, account.id).length,
		factors: listFactors(app, account.id).length,
		held: countHeld(app, account.id)
	}));
