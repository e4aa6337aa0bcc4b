/** Accounts, as an administrator keeps them; and one's own sessions. */
import { z } from 'zod';
import { isLawyer, ROLES } from '#core/access/table.ts';
import { formatInitials } from '#core/people/names.ts';
import { hashPassword } from '#server/access/accounts.ts';
import { endSessions } from '#server/access/sessions.ts';
import type { Context } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { base, id, maybeId, text, maybeText } from '#server/app/fields.ts';
import { newId, newToken } from '#server/app/ids.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { exists, insert, maybeOne, scalar, update } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { makeLink } from './password.ts';

const LEVELS = ['lead', 'senior', 'junior', 'paralegal', 'operations', 'partner'] as const;
const person = {
	name: text('The name', 80),
	email: text('The mail address', 200).refine(
		(address) => /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(address),
		'This is not a mail address.'
	),
	role: z.enum(ROLES, { error: 'Choose a role.' }),
	level: z.enum(LEVELS, { error: 'Choose a level.' }),
	office: maybeText('The office', 60)
};

export { LEVELS };

/**
 * Adds somebody. They set their password by a link, which is shown this once to who adds them: it
 * is in no mail that others read.
 */
export const addAccount = preparedCommand({
	name: 'add account',
	action: 'account.edit',
	input: z.object({
		login: text('The name for signing in', 40)
			.transform((login) => login.toLowerCase())
			.refine(
				(login) => /^[a-z][a-z0-9.-]{1,39}$/.test(login),
				'It is of small letters, digits, dots and hyphens.'
			),
		...person
	}),
	// Nobody knows this password: the link sets one.
	prepare: () => hashPassword(newToken()),
	run({ ctx, me, input, record, prepared: password_hash }) {
		if (exists(ctx.db, 'SELECT 1 FROM staff WHERE login = @login', { login: input.login }))
			throw new Refused(`${input.login} is taken.`, 'login');
		const staffId = newId('stf');
		insert<StaffRow>(ctx.db, 'staff', {
			...input,
			id: staffId,
			initials: formatInitials(input.name),
			password_hash,
			demo: 0
		});
		record.audit({ staff: staffId, login: input.login, role: input.role });
		return { staffId, link: makeLink(ctx, staffId, me.id) };
	}
});

export function requireAccount(ctx: Context, staffId: string): StaffRow {
	const row = maybeOne<StaffRow>(ctx.db, 'SELECT * FROM staff WHERE id = @staffId', { staffId });
	if (!row) throw new NotFound('account');
	return row;
}

/** There is always somebody who keeps the accounts. */
export function refuseLastAdministrator(ctx: Context, row: StaffRow): void {
	if (row.role !== 'administrator') return;
	const others = scalar<number>(
		ctx.db,
		"SELECT count(*) FROM staff WHERE role = 'administrator' AND active = 1 AND id <> @id",
		{ id: row.id }
	);
	if (others === 0) throw new Refused('There must be an administrator left.', 'role');
}

/** Changes who somebody is and what they may do. Another role ends their sessions. */
export const changeAccount = command({
	name: 'change account',
	action: 'account.edit',
	input: z.object({ staffId: id('an account'), ...person, base }),
	run({ ctx, me, input: { staffId, base, ...yours }, record }) {
		const before = requireAccount(ctx, staffId);
		const labels = {
			name: 'Name',
			email: 'Mail address',
			role: 'Role',
			level: 'Level',
			office: 'Office'
		};
		const { name, email, role, level, office } = before;
		const sides = { labels, now: { name, email, role, level, office }, base, yours };
		const set = z
			.object(person)
			.parse(requireTogether(ctx, { matterId: null, id: staffId }, sides));
		const isOther = before.role !== set.role;
		if (isOther && staffId === me.id)
			throw new Refused('Another administrator changes your role.', 'role');
		if (isOther) refuseLastAdministrator(ctx, before);
		if (isLawyer(before.role) && !isLawyer(set.role)) refuseResponsible(ctx, staffId);
		const initials = formatInitials(set.name);
		update<StaffRow>(ctx.db, 'staff', { id: staffId }, { ...set, initials });
		record.audit({ staff: staffId, before: { name, email, role, level, office }, after: set });
		return { ended: isOther ? endSessions(ctx, staffId) : 0 };
	}
});

function refuseResponsible(ctx: Context, staffId: string): void {
	const matters = scalar<number>(
		ctx.db,
		"SELECT count(*) FROM matter WHERE responsible_id = @staffId AND status <> 'closed'",
		{ staffId }
	);
	if (matters > 0)
		throw new Refused('They are responsible for open matters: hand those over first.', 'role');
}

/** A link by which somebody sets a new password, once; the old one holds until then. */
export const makePasswordLink = command({
	name: 'make password link',
	action: 'account.edit',
	input: z.object({ staffId: id('an account') }),
	run({ ctx, me, input, record }) {
		const { id: staffId, active } = requireAccount(ctx, input.staffId);
		if (!active) throw new Refused('This account is not in use.');
		record.audit({ staff: staffId });
		return { link: makeLink(ctx, staffId, me.id) };
	}
});

/** Ends every session of somebody. */
export const endAccountSessions = command({
	name: 'end sessions of account',
	action: 'account.edit',
	input: z.object({ staffId: id('an account') }),
	run({ ctx, input, record }) {
		const { id: staffId } = requireAccount(ctx, input.staffId);
		const ended = endSessions(ctx, staffId);
		record.audit({ staff: staffId, ended });
		return { ended };
	}
});

/** Ends one of one's own sessions, or all others. */
export const endOwnSessions = command({
	name: 'end own sessions',
	action: 'account.own',
	input: z.object({
		sessionId: maybeId,
		/** The session that asks; from the server, never from the form. */
		token: z.string().default('')
	}),
	run({ ctx, me, input: { sessionId, token }, record }) {
		const ended = endSessions(ctx, me.id, { sessionId, but: sessionId ? '' : token });
		if (sessionId && ended === 0) throw new NotFound('session');
		record.audit({ ended });
		return { ended };
	}
});
