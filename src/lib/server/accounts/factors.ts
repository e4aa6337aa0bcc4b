/**
 * Second factors of one's own account: begun, confirmed, removed. By the same commands one is set
 * up at a sign-in where the role needs one.
 */
import { toString as toPicture } from 'qrcode';
import { z } from 'zod';
import { ROLES, ROLE_LABELS } from '#core/access/table.ts';
import { passwordFits, takeTry } from '#server/access/accounts.ts';
import { listFactors, listStrictRoles, ROLES_SETTING } from '#server/access/factors.ts';
import type { SecondFactorRow } from '#server/access/rows.ts';
import { endSessions } from '#server/access/sessions.ts';
import { makeSecret, secretAddress, stepOfCode } from '#server/access/totp.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { departmentName } from '#server/app/department.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { openText, sealText } from '#server/app/vault.ts';
import { insert, maybeOne, remove, run } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { requireAccount } from './commands.ts';
import { endOffer, findOffer, keepOffer } from './offers.ts';
import { offerPasskey, readNewPasskey } from './passkeys.ts';

const MOST = 8;
const label = text('A name for it', 60);
const offerOwner = (staffId: string) => `offer ${staffId}`;

/** Begins an authenticator app: its secret, as a picture and as text. It holds from a code on. */
export const beginCode = preparedCommand({
	name: 'begin authenticator app',
	action: 'account.own',
	input: z.object({}),
	async prepare({ ctx, me }) {
		const secret = makeSecret();
		const address = secretAddress(secret, `Kite Pen, ${departmentName(ctx)}`, me.login);
		return { secret, picture: await toPicture(address, { type: 'svg', margin: 1 }) };
	},
	run({ ctx, me, record, prepared: { secret, picture } }) {
		const sealed = sealText(ctx.vaultKey(), offerOwner(me.id), secret);
		keepOffer(ctx, { staff_id: me.id, sort: 'code', secret: sealed });
		record.audit({ staff: me.id });
		return { secret, picture };
	}
});

/** The first code of the app: from now on it is asked at each sign-in. */
export const addCode = command({
	name: 'add authenticator app',
	action: 'account.own',
	input: z.object({ code: text('The code', 20), label }),
	run({ ctx, me, input, record }) {
		const offer = findOffer(ctx, me.id, 'code');
		if (!offer?.secret) throw new Refused('That took too long. Begin again.', 'code');
		const secret = openText(ctx.vaultKey(), offerOwner(me.id), offer.secret);
		const step = stepOfCode(secret, input.code, 0);
		if (step === undefined)
			throw new Refused(
				'That is not the code of now. Wait for the next one; the clock of the telephone must be right.',
				'code'
			);
		refuseMany(listFactors(ctx, me.id));
		const factorId = newId('fac');
		insert<SecondFactorRow>(ctx.db, 'second_factor', {
			...{ id: factorId, staff_id: me.id, sort: 'code', label: input.label },
			added_at: ctx.clock.now(),
			secret: sealText(ctx.vaultKey(), factorId, secret),
			last_step: step
		});
		endOffer(ctx, me.id, 'code');
		record.audit({ staff: me.id, factor: factorId, sort: 'code' });
		return { factorId };
	}
});

/** What the browser is to ask of a new passkey. */
export const beginPasskey = preparedCommand({
	name: 'begin passkey',
	action: 'account.own',
	input: z.object({}),
	prepare: ({ ctx, me }) => offerPasskey(ctx, me),
	run({ me, record, prepared: options }) {
		record.audit({ staff: me.id });
		return { options };
	}
});

/** A new passkey, as the browser made it. */
export const addPasskey = preparedCommand({
	name: 'add passkey',
	action: 'account.own',
	input: z.object({ response: z.record(z.string(), z.unknown()), label }),
	prepare: ({ ctx, me, input }) => readNewPasskey(ctx, me.id, input.response),
	run({ ctx, me, input, record, prepared }) {
		refuseMany(listFactors(ctx, me.id));
		const factorId = newId('fac');
		insert<SecondFactorRow>(ctx.db, 'second_factor', {
			...{ id: factorId, staff_id: me.id, sort: 'passkey', label: input.label },
			added_at: ctx.clock.now(),
			...prepared
		});
		endOffer(ctx, me.id, 'passkey');
		record.audit({ staff: me.id, factor: factorId, sort: 'passkey' });
		return { factorId };
	}
});

function refuseMany(factors: readonly unknown[]): void {
	if (factors.length >= MOST) throw new Refused('At most eight: remove one first.', 'label');
}

/** Removes one of one's own, with the password. The last one stays where the role needs one. */
export const removeFactor = preparedCommand({
	name: 'remove second factor',
	action: 'account.own',
	input: z.object({
		factorId: id('a second factor'),
		password: z
			.string({ error: 'Your password is missing.' })
			.min(1, 'Your password is missing.')
			.max(1000)
	}),
	async prepare({ ctx, me, input }) {
		const row = maybeOne<StaffRow>(ctx.db, 'SELECT * FROM staff WHERE id = @id', me);
		if (!takeTry(ctx, `own ${me.id}`))
			throw new Refused('Too many tries. Wait a quarter of an hour.', 'password');
		if (!(await passwordFits(row?.password_hash, input.password)))
			throw new Refused('That is not your password.', 'password');
	},
	run({ ctx, me, input, record }) {
		const factors = listFactors(ctx, me.id);
		const factor = factors.find((one) => one.id === input.factorId);
		if (!factor) throw new NotFound('second factor');
		if (factors.length === 1 && listStrictRoles(ctx).includes(me.role))
			throw new Refused('Your role needs a second factor: add another one first.');
		remove<SecondFactorRow>(ctx.db, 'second_factor', { id: factor.id });
		record.audit({ staff: me.id, factor: factor.id, sort: factor.sort });
	}
});

/** Somebody lost what they showed: an administrator takes it off; sessions end. */
export const removeFactorsOf = command({
	name: 'remove second factors of account',
	action: 'account.edit',
	input: z.object({ staffId: id('an account') }),
	run({ ctx, me, input, record }) {
		const { id: staffId } = requireAccount(ctx, input.staffId);
		if (staffId === me.id) throw new Refused('Remove your own on your account page.');
		const removed = remove<SecondFactorRow>(ctx.db, 'second_factor', { staff_id: staffId });
		if (removed === 0) throw new Refused('They have none.');
		record.audit({ staff: staffId, removed, sessionsEnded: endSessions(ctx, staffId) });
		return { removed };
	}
});

/** Which roles may not sign in without one. Sessions that are open go on. */
export const setStrictRoles = command({
	name: 'set roles that need a second factor',
	action: 'account.edit',
	input: z.object({ roles: z.array(z.enum(ROLES)).max(ROLES.length).default([]) }),
	run({ ctx, me, input, record }) {
		if (input.roles.includes(me.role) && listFactors(ctx, me.id).length === 0)
			throw new Refused(
				`Add a second factor of your own before ${ROLE_LABELS[me.role].toLowerCase()} needs one.`,
				'roles'
			);
		const before = listStrictRoles(ctx);
		run(
			ctx.db,
			`INSERT INTO setting (name, value)
			VALUES (@name, @value)
			ON CONFLICT (name) DO UPDATE SET value = excluded.value`,
			{ name: ROLES_SETTING, value: input.roles.join(',') }
		);
		record.audit({ before, after: input.roles });
	}
});
