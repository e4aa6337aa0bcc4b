/**
 * Between the password and the second factor: a step that is known by a token of its own, for a few
 * minutes. It opens nothing but the second factor.
 */
import type { Application } from '#server/app/application.ts';
import { newToken, sha256 } from '#server/app/ids.ts';
import { insert, maybeOne, remove, run } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import type { SignInStepRow } from './rows.ts';

type Has = Pick<Application, 'db' | 'clock'>;
const MINUTES = 10;
export const STEP_SECONDS = MINUTES * 60;

/** Begins a step; its token, of which only the hash is kept. */
export function startStep({ db, clock }: Has, staffId: string): string {
	const token = newToken();
	const at = clock.now();
	run(db, 'DELETE FROM sign_in_step WHERE expires_at < @at', { at });
	insert<SignInStepRow>(db, 'sign_in_step', {
		token_hash: sha256(token),
		staff_id: staffId,
		at,
		expires_at: new Date(Date.parse(at) + STEP_SECONDS * 1000).toISOString()
	});
	return token;
}

/** Whose step it is; undefined where it is over or never was. */
export const findStepStaff = ({ db, clock }: Has, token: string): StaffRow | undefined =>
	maybeOne(
		db,
		`SELECT s.*
		FROM sign_in_step t
		JOIN staff s ON s.id = t.staff_id
		WHERE t.token_hash = @hash AND t.expires_at > @now AND s.active = 1`,
		{ hash: sha256(token), now: clock.now() }
	);

export const endStep = ({ db }: Has, token: string): void =>
	void remove<SignInStepRow>(db, 'sign_in_step', { token_hash: sha256(token) });
