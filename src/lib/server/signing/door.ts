/**
 * Who signs, and through which door: a secret link from outside, or signed in. Both see the same.
 */
import { z } from 'zod';
import type { RoundState } from '#core/signing/round.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { NotFound } from '#server/app/errors.ts';
import { sha256 } from '#server/app/ids.ts';
import { all, maybeOne, one } from '#server/db/sql.ts';
import { findRound, listInTurn, stateOf } from './rounds.ts';
import type { SignerRow, SigningFieldRow, SigningRoundRow } from './rows.ts';

export const doorSchema = z.union([
	z.object({ token: z.string().max(100) }),
	z.object({ signerId: z.string().max(60) })
]);
export type Door = z.output<typeof doorSchema>;

/** The signer behind a door. @throws NotFound where it leads nowhere, or to somebody else */
export function requireSigner(
	ctx: Context,
	door: Door
): { signer: SignerRow; round: SigningRoundRow } {
	const signer = 'token' in door ? findByToken(ctx, door.token) : findMine(ctx, door.signerId);
	const round = signer && findRound(ctx, signer.round_id);
	if (!signer || !round) throw new NotFound('signing link');
	return { signer, round };
}

const findByToken = ({ db }: Context, token: string): SignerRow | undefined =>
	maybeOne(db, 'SELECT * FROM signer WHERE token_hash = @hash', { hash: sha256(token) });

const findMine = (ctx: Context, signerId: string): SignerRow | undefined =>
	maybeOne(ctx.db, 'SELECT * FROM signer WHERE id = @signerId AND staff_id = @me', {
		signerId,
		me: actingStaff(ctx).id
	});

type FieldView = Pick<SigningFieldRow, 'id' | 'kind' | 'page' | 'x' | 'y' | 'w' | 'h' | 'label'>;
export type SigningView = {
	signerId: string;
	name: string;
	email: string;
	state: SignerRow['state'];
	round: RoundState;
	title: string;
	message: string;
	sentBy: string;
	endedAt: string | null;
	myTurn: boolean;
	wantedBy: PlainDate | null;
	documentId: string;
	documentName: string;
	sha256: string;
	fields: FieldView[];
	/** For colleagues. */
	matterNumber: string | null;
};

/** What a signer sees; undefined for a link that was never made. */
export function findSigning(ctx: Context, door: Door): SigningView | undefined {
	try {
		const { signer, round } = requireSigner(ctx, door);
		return viewSigning(ctx, door, signer, round);
	} catch (error) {
		if (error instanceof NotFound) return undefined;
		throw error;
	}
}

type Names = Pick<SigningView, 'sentBy' | 'documentName' | 'sha256'> & { matterNumber: string };

function viewSigning(
	ctx: Context,
	door: Door,
	signer: SignerRow,
	round: SigningRoundRow
): SigningView {
	const today = ctx.clock.today();
	const { matterNumber, ...names } = one<Names>(
		ctx.db,
		`SELECT
			s.name AS sentBy, d.name AS documentName, v.sha256, m.number AS matterNumber
		FROM signing_round r
		JOIN staff s ON s.id = r.created_by
		JOIN document d ON d.id = r.document_id
		JOIN document_version v ON v.document_id = r.document_id AND v.n = r.version_n
		JOIN matter m ON m.id = r.matter_id
		WHERE r.id = @id`,
		{ id: round.id }
	);
	return {
		signerId: signer.id,
		name: signer.name,
		email: signer.email,
		state: signer.state,
		round: stateOf(ctx, round, today),
		title: round.title,
		message: round.message,
		endedAt: signer.ended_at,
		myTurn: listInTurn(ctx, round, today).some(({ id }) => id === signer.id),
		wantedBy: round.wanted_by,
		documentId: round.document_id,
		...names,
		fields: all<FieldView>(
			ctx.db,
			`SELECT id, kind, page, x, y, w, h, label
			FROM signing_field
			WHERE signer_id = @id
			ORDER BY page, y, x`,
			{ id: signer.id }
		),
		matterNumber: 'signerId' in door ? matterNumber : null
	};
}
