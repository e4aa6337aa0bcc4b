/** Setting a password: one's own with the old one, or by a link that is used once. */
import { z } from 'zod';
import { findPasswordFault } from '#core/access/password.ts';
import { hashPassword, passwordFits, takeTry } from '#server/access/accounts.ts';
import type { PasswordLinkRow } from '#server/access/rows.ts';
import { endSessions } from '#server/access/sessions.ts';
import type { Application, Context } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { departmentName } from '#server/app/department.ts';
import { Refused } from '#server/app/errors.ts';
import { newToken, sha256 } from '#server/app/ids.ts';
import { insert, maybeOne, run, update } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';

const password = z.string({ error: 'The new password is missing.' }).max(1000);

function refuseWeak(app: Application, typed: string, { login, name }: StaffRow): void {
	const fault = findPasswordFault(typed, [login, name, departmentName(app)]);
	if (fault) throw new Refused(fault, 'password');
}

const findActive = ({ db }: Context, id: string): StaffRow | undefined =>
	maybeOne(db, 'SELECT * FROM staff WHERE id = @id AND active = 1', { id });

/** One's own password, with the old one. Every other session of one's own ends. */
export const changePassword = preparedCommand({
	name: 'change password',
	action: 'account.own',
	input: z.object({
		old: z.string({ error: 'The password you have now is missing.' }).max(1000),
		password,
		again: z.string().max(1000),
		/** The session that goes on; from the server, never from the form. */
		token: z.string().default('')
	}),
	async prepare({ ctx, me, input }) {
		const row = findActive(ctx, me.id);
		if (!row) throw new Refused('This account is not in use.');
		if (!takeTry(ctx, `own ${me.id}`))
			throw new Refused('Too many tries. Wait a quarter of an hour.', 'old');
		if (!(await passwordFits(row.password_hash, input.old)))
			throw new Refused('That is not the password you have now.', 'old');
		if (input.password !== input.again) throw new Refused('The two are not the same.', 'again');
		refuseWeak(ctx, input.password, row);
		return hashPassword(input.password);
	},
	run({ ctx, me, input, record, prepared: password_hash }) {
		update<StaffRow>(ctx.db, 'staff', { id: me.id }, { password_hash });
		const ended = endSessions(ctx, me.id, { but: input.token });
		record.audit({ sessionsEnded: ended });
		return { ended };
	}
});

const HOUR_MS = 3_600_000;
const LINK_HOURS = 48;

/** Makes a link that sets a password, once; what was made for this person before ends. */
export function makeLink(ctx: Context, staffId: string, madeBy: string): string {
	const token = newToken();
	const now = ctx.clock.now();
	run(
		ctx.db,
		'UPDATE password_link SET used_at = @now WHERE staff_id = @staffId AND used_at IS NULL',
		{ now, staffId }
	);
	insert<PasswordLinkRow>(ctx.db, 'password_link', {
		token_hash: sha256(token),
		staff_id: staffId,
		made_by: madeBy,
		made_at: now,
		expires_at: new Date(Date.parse(now) + LINK_HOURS * HOUR_MS).toISOString()
	});
	return `${ctx.origin}/password/${token}`;
}

/** Whose password a link sets; undefined where it was used, is too old, or never was. */
export const findLinkStaff = (
	{ db, clock }: Pick<Application, 'db' | 'clock'>,
	token: string
): StaffRow | undefined =>
	maybeOne(
		db,
		`SELECT s.*
		FROM password_link l
		JOIN staff s ON s.id = l.staff_id
		WHERE l.token_hash = @hash
			AND l.used_at IS NULL
			AND l.expires_at > @now
			AND s.active = 1`,
		{ hash: sha256(token), now: clock.now() }
	);

const GONE = 'This link was used or is too old. Ask an administrator for another.';

/** Sets the password of whom the link is for; the link ends, and so does every session. */
export const setPasswordByLink = preparedCommand({
	name: 'set password by link',
	action: null,
	input: z.object({ token: z.string().max(200), password, again: z.string().max(1000) }),
	async prepare({ ctx, input }) {
		const row = findLinkStaff(ctx, input.token);
		if (!row) throw new Refused(GONE);
		if (input.password !== input.again) throw new Refused('The two are not the same.', 'again');
		refuseWeak(ctx, input.password, row);
		return hashPassword(input.password);
	},
	run({ ctx, input, record, prepared: password_hash }) {
		const row = findLinkStaff(ctx, input.token);
		if (!row) throw new Refused(GONE);
		update<StaffRow>(ctx.db, 'staff', { id: row.id }, { password_hash });
		update<PasswordLinkRow>(
			ctx.db,
			'password_link',
			{ token_hash: sha256(input.token) },
			{ used_at: ctx.clock.now() }
		);
		record.audit({ staff: row.id, sessionsEnded: endSessions(ctx, row.id) });
		return { login: row.login };
	}
});
