/** The second step of a sign-in: a code or a passkey, after the password. */
import { forgetTry, takeTry, type From } from '#server/access/accounts.ts';
import { appendAudit } from '#server/access/audit.ts';
import { listFactorRows } from '#server/access/factors.ts';
import type { SecondFactorRow } from '#server/access/rows.ts';
import { startSession } from '#server/access/sessions.ts';
import { endStep } from '#server/access/steps.ts';
import { stepOfCode } from '#server/access/totp.ts';
import type { Application, Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { openText } from '#server/app/vault.ts';
import { update } from '#server/db/sql.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import { endOffer } from './offers.ts';
import { readPasskey } from './passkeys.ts';

type Step = { token: string; row: StaffRow; from: From };
type Answer = { token: string } | { error: string };

const TOO_MANY = 'Too many tries. Wait a quarter of an hour.';

const triedAs = ({ row, from }: Step): string => `second ${row.id} ${from.address}`;

/** Signs in by a code of an authenticator app. A try counts before the code is compared. */
export function passCode(app: Application, step: Step, typed: string): Answer {
	const { row } = step;
	if (!takeTry(app, triedAs(step))) return refuse(app, step, TOO_MANY);
	for (const factor of listFactorRows(app, row.id, 'code')) {
		const secret = openText(app.vaultKey(), factor.id, factor.secret ?? Buffer.alloc(0));
		const last_step = stepOfCode(secret, typed, factor.last_step);
		if (last_step !== undefined) return goOn(app, step, factor, { last_step });
	}
	return refuse(app, step, 'That is not the code of now. Wait for the next one.');
}

/** Signs in by a passkey. */
export async function passPasskey(ctx: Context, step: Step, response: unknown): Promise<Answer> {
	const { row } = step;
	if (!takeTry(ctx, triedAs(step))) return refuse(ctx, step, TOO_MANY);
	try {
		const { factor, counter } = await readPasskey(ctx, row.id, response);
		endOffer(ctx, row.id, 'sign-in');
		return goOn(ctx, step, factor, { counter });
	} catch (error) {
		if (error instanceof Refused) return refuse(ctx, step, error.message);
		throw error;
	}
}

/** What was shown is right: the step ends, and a session begins. */
function goOn(
	app: Application,
	{ token, row, from }: Step,
	factor: SecondFactorRow,
	set: Partial<SecondFactorRow>
): Answer {
	return app.db
		.transaction(() => {
			const used_at = app.clock.now();
			forgetTry(app, triedAs({ token, row, from }));
			update<SecondFactorRow>(app.db, 'second_factor', { id: factor.id }, { ...set, used_at });
			return beginSession(app, { token, row, from });
		})
		.immediate();
}

/** Whoever set up their first one at the sign-in is in. */
export function beginSession(app: Application, { token, row, from }: Step): { token: string } {
	endStep(app, token);
	return { token: startSession(app, row, from) };
}

function refuse(app: Application, { row, from }: Step, error: string): Answer {
	const detail = { address: from.address, why: 'second factor' };
	appendAudit(app.db, {
		...{ at: app.clock.now(), actor: row.login, action: 'sign-in refused', matterId: null, detail }
	});
	return { error };
}
