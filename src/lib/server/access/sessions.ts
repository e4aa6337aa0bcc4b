/**
 * Sessions, of which only a hash is kept. They end twelve hours after they began, and earlier where
 * nobody used them.
 */
import type { Application, Staff } from '#server/app/application.ts';
import { newId, newToken, sha256 } from '#server/app/ids.ts';
import { all, insert, maybeOne, remove, run, update } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { appendAudit } from './audit.ts';
import type { SessionRow } from './rows.ts';
import { asStaff } from './staff-of.ts';

const HOUR_MS = 3_600_000;
const LONGEST_MS = 12 * HOUR_MS;
const IDLE_MS = 3 * HOUR_MS;
/** A use is noted so often at most: it is a write. */
const NOTE_MS = 60_000;
const AGENT_LIMIT = 200;

type Has = Pick<Application, 'db' | 'clock'>;
const ago = ({ clock }: Has, ms: number) => new Date(Date.parse(clock.now()) - ms).toISOString();

/** Starts a session; its token, of which only the hash is kept. */
export function startSession(
	app: Has,
	{ id, login }: Pick<Staff, 'id' | 'login'>,
	from: { address: string; agent: string } = { address: '', agent: '' }
): string {
	const token = newToken();
	const now = app.clock.now();
	app.db.transaction(() => {
		run(app.db, 'DELETE FROM session WHERE expires_at < @now', { now });
		insert<SessionRow>(app.db, 'session', {
			token_hash: sha256(token),
			staff_id: id,
			created_at: now,
			expires_at: new Date(Date.parse(now) + LONGEST_MS).toISOString(),
			id: newId('ses'),
			seen_at: now,
			address: from.address,
			agent: from.agent.slice(0, AGENT_LIMIT)
		});
		const detail = { address: from.address };
		appendAudit(app.db, { at: now, actor: login, action: 'sign in', matterId: null, detail });
	})();
	return token;
}

type SessionOfStaff = StaffRow & { sessionSeenAt: string | null };

/** Whose session it is; undefined where it has ended. */
export function findSessionStaff(app: Has, token: string): Staff | undefined {
	const hash = sha256(token);
	const row = maybeOne<SessionOfStaff>(
		app.db,
		`SELECT s.*, x.seen_at AS sessionSeenAt
		FROM session x
		JOIN staff s ON s.id = x.staff_id
		WHERE x.token_hash = @hash AND x.expires_at > @now AND x.seen_at > @idle AND s.active = 1`,
		{ hash, now: app.clock.now(), idle: ago(app, IDLE_MS) }
	);
	if (!row) return undefined;
	const { sessionSeenAt, ...staff } = row;
	if ((sessionSeenAt ?? '') < ago(app, NOTE_MS))
		update<SessionRow>(app.db, 'session', { token_hash: hash }, { seen_at: app.clock.now() });
	return asStaff(staff);
}

/** Ends the session of a token, by whose hand it is. */
export function signOut(app: Has, token: string): void {
	const row = maybeOne<{ login: string }>(
		app.db,
		`SELECT s.login
		FROM session x
		JOIN staff s ON s.id = x.staff_id
		WHERE x.token_hash = @hash`,
		{ hash: sha256(token) }
	);
	if (!row) return;
	app.db.transaction(() => {
		remove<SessionRow>(app.db, 'session', { token_hash: sha256(token) });
		appendAudit(app.db, {
			...{ at: app.clock.now(), actor: row.login, action: 'sign out', matterId: null, detail: {} }
		});
	})();
}

export type SessionView = {
	id: string;
	createdAt: string;
	seenAt: string;
	address: string;
	agent: string;
	/** The one that asks. */
	own: boolean;
};

/** The sessions of somebody that have not ended, the last used first. */
export const listSessions = (app: Has, staffId: string, token = ''): SessionView[] =>
	all<Omit<SessionView, 'own'> & { own: 0 | 1 }>(
		app.db,
		`SELECT
			id, created_at AS createdAt, seen_at AS seenAt, address, agent, token_hash = @own AS own
		FROM session
		WHERE staff_id = @staffId AND expires_at > @now AND seen_at > @idle
		ORDER BY seen_at DESC`,
		{ staffId, own: sha256(token), now: app.clock.now(), idle: ago(app, IDLE_MS) }
	).map((session) => ({ ...session, own: session.own === 1 }));

/**
 * Ends the sessions of somebody: the one with this id, or all but the one of a token.
 * @returns how many ended
 */
export const endSessions = (
	{ db }: Pick<Application, 'db'>,
	staffId: string,
	{ sessionId = null, but = '' }: { sessionId?: string | null; but?: string } = {}
): number =>
	run(
		db,
		`DELETE FROM session
		WHERE staff_id = @staffId
			AND (@sessionId IS NULL OR id = @sessionId)
			AND token_hash <> @but`,
		{ staffId, sessionId, but: sha256(but) }
	);
