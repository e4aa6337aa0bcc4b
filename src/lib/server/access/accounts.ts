/** Local accounts: argon2id passwords, throttled sign-in, sessions of which only a hash is kept. */
import { hash, verify } from '@node-rs/argon2';
import type { Role } from '#core/access/table.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { newToken, sha256 } from '#server/app/ids.ts';
import { all, insert, maybeOne, remove, run, scalar } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { appendAudit } from './audit.ts';
import type { SessionRow, SignInAttemptRow } from './rows.ts';

/** OWASP's smaller argon2id setting: 19 MiB, 2 passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashPassword = (password: string): Promise<string> => hash(password, COST);

const SESSION_MS = 12 * 3_600_000;
/** Failed tries for one login, and from one address, within this time. */
const TRIES = { login: 6, address: 40 };
const TRIES_MS = 15 * 60_000;
const LOGIN_LIMIT = 80;
const PASSWORD_LIMIT = 200;

const asStaff = ({ id, login, name, initials, email, role, level }: StaffRow): Staff => ({
	id,
	login,
	name,
	initials,
	email,
	role,
	level
});

const findByLogin = ({ db }: Application, login: string): StaffRow | undefined =>
	maybeOne(db, 'SELECT * FROM staff WHERE login = @login AND active = 1', { login });

/** Someone to compare with where there is no such login, so that both take the same time. */
let nobody: Promise<string> | undefined;

async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
	nobody ??= hashPassword(newToken());
	const compared = stored ?? (await nobody);
	return verify(compared, password.slice(0, PASSWORD_LIMIT)).catch(() => false);
}

/**
 * Signs in; the token goes into the cookie. The same words for an unknown login and a wrong
 * password.
 */
export async function signIn(
	app: Application,
	login: string,
	password: string,
	address: string
): Promise<{ token: string; staff: Staff } | { error: string }> {
	const name = login.trim().toLowerCase().slice(0, LOGIN_LIMIT);
	if (
		countTries(app, `login ${name}`) >= TRIES.login ||
		countTries(app, `address ${address}`) >= TRIES.address
	)
		return { error: 'Too many tries. Wait a quarter of an hour, or ask an administrator.' };
	const row = findByLogin(app, name);
	if (!(await passwordFits(row?.password_hash, password)) || !row) {
		noteTry(app, [`login ${name}`, `address ${address}`]);
		return { error: 'The name or the password is not right.' };
	}
	return { token: startSession(app, row), staff: asStaff(row) };
}

const triesSince = ({ clock }: Application): string =>
	new Date(Date.parse(clock.now()) - TRIES_MS).toISOString();

const countTries = (app: Application, who: string): number =>
	scalar(app.db, 'SELECT count(*) FROM sign_in_attempt WHERE who = @who AND at > @since', {
		who,
		since: triesSince(app)
	});

function noteTry(app: Application, names: readonly string[]): void {
	const at = app.clock.now();
	app.db.transaction(() => {
		for (const who of names) insert<SignInAttemptRow>(app.db, 'sign_in_attempt', { who, at });
		run(app.db, 'DELETE FROM sign_in_attempt WHERE at < @since', { since: triesSince(app) });
	})();
}

/** Starts a session; its token, of which only the hash is kept. */
export function startSession(
	app: Pick<Application, 'db' | 'clock'>,
	{ id, login }: Pick<Staff, 'id' | 'login'>
): string {
	const token = newToken();
	const now = app.clock.now();
	app.db.transaction(() => {
		run(app.db, 'DELETE FROM session WHERE expires_at < @now', { now });
		insert<SessionRow>(app.db, 'session', {
			token_hash: sha256(token),
			staff_id: id,
			created_at: now,
			expires_at: new Date(Date.parse(now) + SESSION_MS).toISOString()
		});
		appendAudit(app.db, { at: now, actor: login, action: 'sign in', matterId: null, detail: {} });
	})();
	return token;
}

/** One click for a demo person; only for accounts the demo made. */
export function signInDemo(app: Application, login: string): { token: string } | { error: string } {
	const row = findByLogin(app, login);
	return row?.demo ? { token: startSession(app, row) } : { error: 'There is no such demo person.' };
}

/** Whose session it is; undefined where it has ended. */
export function findSessionStaff(app: Application, token: string): Staff | undefined {
	const row = maybeOne<StaffRow>(
		app.db,
		`SELECT s.*
		FROM session x
		JOIN staff s ON s.id = x.staff_id
		WHERE x.token_hash = @hash AND x.expires_at > @now AND s.active = 1`,
		{ hash: sha256(token), now: app.clock.now() }
	);
	return row && asStaff(row);
}

export const signOut = (app: Application, token: string): void =>
	void remove<SessionRow>(app.db, 'session', { token_hash: sha256(token) });

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
