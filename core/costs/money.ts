/** Money is integer cents. Shares are in ten-thousandths of a percent: 1,000,000 is the whole. */
export const WHOLE_SHARE = 1_000_000;

/**
 * Shares an amount among weights to the cent: the parts add up to the amount, always.
 * Largest remainder; on equal remainders the earlier part gets the cent. A negative amount shares
 * as its positive, negated.
 * @param cents integer, any sign  @param weights integers of at least 0, at least one above 0
 */
export function shareCents(cents: number, weights: readonly number[]): number[] {
	if (!Number.isSafeInteger(cents)) throw new RangeError('an amount is a whole number of cents');
	if (weights.some((weight) => !Number.isSafeInteger(weight) || weight < 0))
		throw new RangeError('a weight is a whole number of at least 0');
	const total = weights.reduce((a, b) => a + b, 0);
	if (total === 0) throw new RangeError('there is nothing to share among');
	if (cents < 0) return shareCents(-cents, weights).map((cent) => (cent === 0 ? 0 : -cent));
	// Products may exceed 2^53: BigInt keeps them exact.
	const parts = weights.map((weight) => (BigInt(cents) * BigInt(weight)) / BigInt(total));
	const rest = weights.map((weight, i) => ({
		i,
		r: (BigInt(cents) * BigInt(weight)) % BigInt(total)
	}));
	let left = cents - Number(parts.reduce((a, b) => a + b, 0n));
	rest.sort((a, b) => (a.r === b.r ? a.i - b.i : a.r > b.r ? -1 : 1));
	const out = parts.map(Number);
	for (const { i } of rest) {
		if (left === 0) break;
		out[i]!++;
		left--;
	}
	return out;
}

/** Cents for minutes at cents per hour, half a cent up. */
export const priceMinutes = (minutes: number, centsPerHour: number): number =>
	Math.floor((minutes * centsPerHour * 2 + 60) / 120);
