/** Signing rounds and their signers as they are stored. */
import {
	roundState,
	signersInTurn,
	type RoundFacts,
	type RoundState
} from '#core/signing/round.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { SignerRow, SigningRoundRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

export const findRound = ({ db }: Has, id: string): SigningRoundRow | undefined =>
	maybeOne(db, 'SELECT * FROM signing_round WHERE id = @id', { id });

/** The signers of a round, in their order. */
export const listSigners = ({ db }: Has, roundId: string): SignerRow[] =>
	all(db, 'SELECT * FROM signer WHERE round_id = @roundId ORDER BY position, id', { roundId });

const factsOf = (app: Has, round: SigningRoundRow): RoundFacts & { signers: SignerRow[] } => ({
	withdrawn: round.withdrawn_at !== null,
	expires: round.expires,
	inOrder: round.in_order === 1,
	signers: listSigners(app, round.id)
});

export const stateOf = (app: Has, round: SigningRoundRow, today: PlainDate): RoundState =>
	roundState(factsOf(app, round), today);

/** The signers whose turn it is. */
export const listInTurn = (app: Has, round: SigningRoundRow, today: PlainDate): SignerRow[] =>
	signersInTurn(factsOf(app, round), today);
