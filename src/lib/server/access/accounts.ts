/** Local accounts: argon2id passwords, and signing in with a limit of tries. */
import { hash, verify } from '@node-rs/argon2';
import { LONGEST_PASSWORD } from '#core/access/password.ts';
import type { Role } from '#core/access/table.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { newToken } from '#server/app/ids.ts';
import { all, insert, maybeOne, run, scalar } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { appendAudit } from './audit.ts';
import { needsFactor } from './factors.ts';
import type { SignInAttemptRow } from './rows.ts';
import { startSession } from './sessions.ts';
import { asStaff } from './staff-of.ts';
import { startStep } from './steps.ts';

/** OWASP's smaller argon2id setting: 19 MiB, 2 passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Failed tries at one name from one place, and from one place at all, within this time. */
const TRIES = { name: 6, place: 40 };
const TRIES_MS = 15 * 60_000;
const LOGIN_LIMIT = 80;

const findByLogin = ({ db }: Application, login: string): StaffRow | undefined =>
	maybeOne(db, 'SELECT * FROM staff WHERE login = @login AND active = 1', { login });

/** Someone to compare with where there is no such login, so that both take the same time. */
let nobody: Promise<string> | undefined;

/** Whether a password is the stored one; where none is stored, as slowly. */
export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
	nobody ??= hashPassword(newToken());
	const compared = stored ?? (await nobody);
	return verify(compared, password.slice(0, LONGEST_PASSWORD)).catch(() => false);
}

export type From = { address: string; agent: string };

/**
 * Signs in; the token goes into the cookie. The same words for an unknown login and a wrong
 * password. A try counts before the password is compared, so that many at once are no more; it
 * counts for this name from this place, so that nobody locks another person out. Where a second
 * factor is needed, there is only a step towards it.
 */
export async function signIn(
	app: Application,
	login: string,
	password: string,
	from: From
): Promise<{ token: string; staff: Staff } | { step: string } | { error: string }> {
	const name = login.trim().toLowerCase().slice(0, LOGIN_LIMIT);
	const row = findByLogin(app, name);
	const tried = noteTry(app, name, from.address);
	if (!tried) {
		auditRefusal(app, row, from, 'too many tries');
		return { error: 'Too many tries from here. Wait a quarter of an hour.' };
	}
	if (!(await passwordFits(row?.password_hash, password)) || !row) {
		auditRefusal(app, row, from, row ? 'wrong password' : 'no such name');
		return { error: 'The name or the password is not right.' };
	}
	forgetTries(app, tried);
	if (needsFactor(app, row)) return { step: startStep(app, row.id) };
	return { token: startSession(app, row, from), staff: asStaff(row) };
}

/** What was typed as a name is not kept where it is nobody's: it may be a password. */
function auditRefusal(
	app: Application,
	row: StaffRow | undefined,
	{ address }: From,
	why: string
): void {
	const actor = row?.login ?? 'nobody known';
	const detail = { address, why };
	appendAudit(app.db, {
		...{ at: app.clock.now(), actor, action: 'sign-in refused', matterId: null, detail }
	});
}

const triesSince = ({ clock }: Application): string =>
	new Date(Date.parse(clock.now()) - TRIES_MS).toISOString();

/** Takes one of the tries that are left; undefined where none is. */
function noteTry(app: Application, name: string, address: string): string[] | undefined {
	const limits = { [`name ${name} ${address}`]: TRIES.name, [`place ${address}`]: TRIES.place };
	return takeTries(app, limits) ? Object.keys(limits) : undefined;
}

/** One more try of something that is limited as signing in is. */
export const takeTry = (app: Application, who: string): boolean =>
	takeTries(app, { [who]: TRIES.name });

/** It was right: what was tried before counts no more. */
export const forgetTry = ({ db }: Pick<Application, 'db'>, who: string): void => {
	run(db, 'DELETE FROM sign_in_attempt WHERE who = @who', { who });
};

function takeTries(app: Application, limits: Readonly<Record<string, number>>): boolean {
	const at = app.clock.now();
	const isOver = ([who, most]: [string, number]) =>
		scalar<number>(app.db, 'SELECT count(*) FROM sign_in_attempt WHERE who = @who', { who }) >=
		most;
	return app.db
		.transaction(() => {
			run(app.db, 'DELETE FROM sign_in_attempt WHERE at < @since', { since: triesSince(app) });
			if (Object.entries(limits).some(isOver)) return false;
			for (const who of Object.keys(limits))
				insert<SignInAttemptRow>(app.db, 'sign_in_attempt', { who, at });
			return true;
		})
		.immediate();
}

/** Who got in has tried this name from here in earnest; the place keeps its other tries. */
function forgetTries(app: Application, [name, place]: readonly string[]): void {
	if (name !== undefined) forgetTry(app, name);
	run(
		app.db,
		`DELETE FROM sign_in_attempt
		WHERE id = (SELECT max(id) FROM sign_in_attempt WHERE who = @place)`,
		{ place }
	);
}

/** One click for a demo person; only for accounts the demo made. */
export function signInDemo(
	app: Application,
	login: string,
	from?: From
): { token: string } | { error: string } {
	const row = findByLogin(app, login);
	return row?.demo
		? { token: startSession(app, row, from) }
		: { error: 'There is no such demo person.' };
}

export type DemoPerson = { login: string; name: string; role: Role; initials: string };
/** The people of the demo: only where there are some is the choice of people shown. */
export const listDemoPeople = ({ db }: Application): DemoPerson[] =>
	all(
		db,
		`SELECT login, name, role, initials
		FROM staff
		WHERE demo = 1 AND active = 1
		ORDER BY rowid`
	);
