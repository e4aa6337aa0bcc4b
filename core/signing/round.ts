/** A signing round: whose turn it is, and what state it is in, derived from the signers. */
type SignerState = 'waiting' | 'signed' | 'declined';
export type RoundSigner = { id: string; position: number; state: SignerState };
export type RoundFacts = {
	withdrawn: boolean;
	expires: string | null;
	inOrder: boolean;
	signers: readonly RoundSigner[];
};
export type RoundState = 'with signers' | 'finished' | 'declined' | 'withdrawn' | 'expired';

/** `today` is YYYY-MM-DD. */
export function roundState(facts: RoundFacts, today: string): RoundState {
	if (facts.signers.some((signer) => signer.state === 'declined')) return 'declined';
	if (facts.signers.length > 0 && facts.signers.every((signer) => signer.state === 'signed'))
		return 'finished';
	if (facts.withdrawn) return 'withdrawn';
	if (facts.expires !== null && facts.expires < today) return 'expired';
	return 'with signers';
}

/**
 * The signers who may sign now: all who wait, or, in an order, those at the lowest waiting
 * position.
 */
export function signersInTurn<Signer extends RoundSigner>(
	facts: Omit<RoundFacts, 'signers'> & { signers: readonly Signer[] },
	today: string
): Signer[] {
	if (roundState(facts, today) !== 'with signers') return [];
	const waiting = facts.signers.filter((signer) => signer.state === 'waiting');
	if (!facts.inOrder) return waiting;
	const first = Math.min(...waiting.map((signer) => signer.position));
	return waiting.filter((signer) => signer.position === first);
}
