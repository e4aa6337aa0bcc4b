/** A signing round: whose turn it is, and what state it is in, derived from the signers. */
export type SignerState = 'waiting' | 'signed' | 'declined';
export type RoundSigner = { id: string; position: number; state: SignerState };
export type RoundFacts = {
	withdrawn: boolean;
	expires: string | null;
	inOrder: boolean;
	signers: readonly RoundSigner[];
};
export type RoundState = 'with signers' | 'finished' | 'declined' | 'withdrawn' | 'expired';

/** `today` is YYYY-MM-DD. */
export function roundState(r: RoundFacts, today: string): RoundState {
	if (r.signers.some((s) => s.state === 'declined')) return 'declined';
	if (r.signers.length > 0 && r.signers.every((s) => s.state === 'signed')) return 'finished';
	if (r.withdrawn) return 'withdrawn';
	if (r.expires !== null && r.expires < today) return 'expired';
	return 'with signers';
}

/** The signers who may sign now: all who wait, or, in an order, those at the lowest waiting position. */
export function turn(r: RoundFacts, today: string): RoundSigner[] {
	if (roundState(r, today) !== 'with signers') return [];
	const waiting = r.signers.filter((s) => s.state === 'waiting');
	if (!r.inOrder) return waiting;
	const first = Math.min(...waiting.map((s) => s.position));
	return waiting.filter((s) => s.position === first);
}
