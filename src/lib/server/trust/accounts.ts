/** Local accounts: argon2id passwords, throttled sign-in, sessions of which only a hash is kept. */
import { hash, verify } from '@node-rs/argon2';
import { z } from 'zod';
import type { Role } from '#core/access/table.ts';
import { command, type Staff, type World } from '../command.ts';
import { newToken, sha256 } from '../ids.ts';
import { appendAudit } from './audit.ts';

/** OWASP's smaller argon2id setting: 19 MiB, 2 passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashPassword = (password: string): Promise<string> => hash(password, COST);

const HOURS = 12;
/** Failed tries for one login, and from one address, within a quarter of an hour. */
const TRIES = { login: 6, address: 40 };

type StaffRow = {
	id: string;
	login: string;
	name: string;
	initials: string;
	email: string;
	role: Role;
	level: string;
	password_hash: string;
	demo: number;
};
const COLUMNS = 'id, login, name, initials, email, role, level, password_hash, demo';

const asStaff = ({ id, login, name, initials, email, role, level }: StaffRow): Staff => ({
	id,
	login,
	name,
	initials,
	email,
	role,
	level
});

/** Someone to compare with where there is no such login, so that both take the same time. */
let nobody: Promise<string> | undefined;

/** Signs in; the token goes into the cookie. The same words for an unknown login and a wrong password. */
export async function signIn(
	world: World,
	login: string,
	password: string,
	address: string
): Promise<{ token: string; staff: Staff } | { error: string }> {
	const name = login.trim().toLowerCase().slice(0, 80);
	const since = new Date(Date.parse(world.clock.now()) - 15 * 60_000).toISOString();
	const tries = (who: string) =>
		world.db
			.prepare<[string, string], { n: number }>(
				'SELECT count(*) AS n FROM sign_in_attempt WHERE who = ? AND at > ?'
			)
			.get(who, since)!.n;
	if (tries(`login ${name}`) >= TRIES.login || tries(`address ${address}`) >= TRIES.address)
		return { error: 'Too many tries. Wait a quarter of an hour, or ask an administrator.' };
	const row = world.db
		.prepare<[string], StaffRow>(`SELECT ${COLUMNS} FROM staff WHERE login = ? AND active = 1`)
		.get(name);
	nobody ??= hashPassword(newToken());
	const good = await verify(row?.password_hash ?? (await nobody), password.slice(0, 200)).catch(
		() => false
	);
	if (!row || !good) {
		const add = world.db.prepare('INSERT INTO sign_in_attempt (who, at) VALUES (?, ?)');
		world.db.transaction(() => {
			add.run(`login ${name}`, world.clock.now());
			add.run(`address ${address}`, world.clock.now());
			world.db.prepare('DELETE FROM sign_in_attempt WHERE at < ?').run(since);
		})();
		return { error: 'The name or the password is not right.' };
	}
	return { token: startSession(world, row.id, row.login), staff: asStaff(row) };
}

function startSession(world: World, staffId: string, login: string): string {
	const token = newToken();
	const now = world.clock.now();
	world.db.transaction(() => {
		world.db.prepare('DELETE FROM session WHERE expires_at < ?').run(now);
		world.db
			.prepare(
				'INSERT INTO session (token_hash, staff_id, created_at, expires_at) VALUES (?, ?, ?, ?)'
			)
			.run(
				sha256(token),
				staffId,
				now,
				new Date(Date.parse(now) + HOURS * 3_600_000).toISOString()
			);
		appendAudit(world.db, { at: now, actor: login, action: 'sign in', matterId: null, detail: {} });
	})();
	return token;
}

/** One click for a demo person; only for accounts the demo made. */
export function signInDemo(world: World, login: string): { token: string } | { error: string } {
	const row = world.db
		.prepare<[string], StaffRow>(
			`SELECT ${COLUMNS} FROM staff WHERE login = ? AND active = 1 AND demo = 1`
		)
		.get(login);
	return row
		? { token: startSession(world, row.id, row.login) }
		: { error: 'There is no such demo person.' };
}

/** Whose session it is; undefined where it has ended. */
export function sessionStaff(world: World, token: string): Staff | undefined {
	const row = world.db
		.prepare<[string, string], StaffRow>(
			`SELECT ${COLUMNS.split(', ')
				.map((c) => `s.${c}`)
				.join(
					', '
				)} FROM session JOIN staff s ON s.id = staff_id WHERE token_hash = ? AND expires_at > ? AND s.active = 1`
		)
		.get(sha256(token), world.clock.now());
	return row && asStaff(row);
}

export const signOut = (world: World, token: string): void =>
	void world.db.prepare('DELETE FROM session WHERE token_hash = ?').run(sha256(token));

/** Whether demo data is loaded: only then is the choice of people shown. */
export const demoPeople = (
	world: World
): { login: string; name: string; role: Role; initials: string }[] =>
	world.db
		.prepare<[], { login: string; name: string; role: Role; initials: string }>(
			'SELECT login, name, role, initials FROM staff WHERE demo = 1 AND active = 1 ORDER BY rowid'
		)
		.all();

/** The first administrator of an empty house, from the command line only. */
export const addStaff = command({
	name: 'add staff',
	action: null,
	input: z.object({
		id: z.string(),
		login: z.string(),
		name: z.string(),
		initials: z.string(),
		email: z.string(),
		role: z.string(),
		level: z.string(),
		passwordHash: z.string(),
		demo: z.boolean()
	}),
	run(ctx, s, scribe) {
		if (!('guest' in ctx.actor) || ctx.actor.guest !== 'setup') throw new Error('only at setup');
		ctx.db
			.prepare(
				'INSERT INTO staff (id, login, name, initials, email, role, level, password_hash, demo) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				s.id,
				s.login,
				s.name,
				s.initials,
				s.email,
				s.role,
				s.level,
				s.passwordHash,
				s.demo ? 1 : 0
			);
		scribe.note({ login: s.login, role: s.role });
	}
});
