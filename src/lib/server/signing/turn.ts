/**
 * Mails whoever's turn it is and has not been told; an outside signer's link is made here and only
 * its hash is kept.
 */
import type { Context } from '#server/app/application.ts';
import { newToken, sha256 } from '#server/app/ids.ts';
import { update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import { findPersonOfStaff } from '#server/staff/queries.ts';
import { pleaseSign } from './messages.ts';
import { listInTurn } from './rounds.ts';
import type { SignerRow, SigningRoundRow } from './rows.ts';

export function tellTurn(ctx: Context, round: SigningRoundRow): void {
	const from = findPersonOfStaff(ctx, round.created_by)?.name ?? '';
	for (const signer of listInTurn(ctx, round, ctx.clock.today())) {
		if (signer.told_at) continue;
		const guest = signer.staff_id === null;
		const token = guest ? newToken() : null;
		const path = token ? `/sign/${token}` : `/signing/${signer.id}`;
		update<SignerRow>(
			ctx.db,
			'signer',
			{ id: signer.id },
			{ token_hash: token && sha256(token), told_at: ctx.clock.now() }
		);
		queueMail(ctx, {
			matterId: round.matter_id,
			to: signer,
			message: pleaseSign(round, { name: signer.name, path, guest }, from)
		});
	}
}
