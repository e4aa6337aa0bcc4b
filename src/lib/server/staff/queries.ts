/** The people of the department, and the business partners who work with it. */
import { isLawyer, type Role } from '#core/access/table.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application, Reader, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';

type Has = Pick<Application, 'db'>;
export type Colleague = {
	id: string;
	login: string;
	name: string;
	initials: string;
	email: string;
	role: Role;
};

/** Everyone in the department, by name. */
export const listColleagues = ({ db }: Has): Colleague[] =>
	all(
		db,
		`SELECT id, login, name, initials, email, role
		FROM staff
		WHERE active = 1 AND role <> 'business-partner'
		ORDER BY name`
	);

/** A colleague of the department who is active. */
export const findColleague = ({ db }: Has, id: string): Colleague | undefined =>
	maybeOne(
		db,
		`SELECT id, login, name, initials, email, role
		FROM staff
		WHERE id = @id AND active = 1 AND role <> 'business-partner'`,
		{ id }
	);

/** A colleague who may be responsible for a matter. */
export function findLawyer(app: Has, id: string): Colleague | undefined {
	const colleague = findColleague(app, id);
	return colleague && isLawyer(colleague.role) ? colleague : undefined;
}

/** Everyone who may be asked to sign inside, business partners too. */
export const listStaff = ({ db }: Has): { id: string; name: string; email: string }[] =>
	all(db, 'SELECT id, name, email FROM staff WHERE active = 1 ORDER BY name');

/** Someone as sessions and commands know them, if they are active. */
export const findStaff = ({ db }: Has, id: string): Staff | undefined =>
	maybeOne(
		db,
		`SELECT id, login, name, initials, email, role, level
		FROM staff
		WHERE id = @id AND active = 1`,
		{ id }
	);

/** Name and mail address of someone, active or not: for mail and logbook. */
export const findPersonOfStaff = (
	{ db }: Has,
	id: string
): { id: string; name: string; email: string } | undefined =>
	maybeOne(db, 'SELECT id, name, email FROM staff WHERE id = @id', { id });

/** The colleagues of the department and who supervises them. */
export const listSupervised = ({
	db
}: Has): { id: string; name: string; role: Role; supervisor: string | null }[] =>
	all(
		db,
		`SELECT id, name, role, supervisor_id AS supervisor
		FROM staff
		WHERE active = 1 AND role <> 'business-partner'
		ORDER BY name`
	);

export type DaysAway = { id: string; from: PlainDate; to: PlainDate; note: string };
/** One's own days away that are not over. */
export const listDaysAway = (app: Reader, me: Staff): DaysAway[] =>
	all(
		app.db,
		`SELECT id, from_day AS "from", to_day AS "to", note
		FROM leave
		WHERE staff_id = @me AND to_day >= today()
		ORDER BY from_day`,
		{ me: me.id }
	);
