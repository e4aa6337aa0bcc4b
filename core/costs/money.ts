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
	const total = sumOf(weights);
	if (total === 0) throw new RangeError('there is nothing to share among');
	if (cents < 0) return shareCents(-cents, weights).map((cent) => (cent === 0 ? 0 : -cent));
	const shares = weights.map((weight) => divideProduct(cents, weight, total));
	const out = shares.map(([whole]) => whole);
	let left = cents - sumOf(out);
	const rest = shares.map(([, remainder], place) => ({ place, remainder }));
	rest.sort((one, other) => other.remainder - one.remainder || one.place - other.place);
	for (const { place } of rest) {
		if (left === 0) break;
		out[place]!++;
		left--;
	}
	return out;
}

const sumOf = (parts: readonly number[]): number => parts.reduce((sum, part) => sum + part, 0);

/** Whole part and remainder of a product over a divisor, exact also beyond 2^53. */
function divideProduct(
	one: number,
	other: number,
	divisor: number
): [whole: number, remainder: number] {
	const product = one * other;
	if (Number.isSafeInteger(product)) return [Math.floor(product / divisor), product % divisor];
	const exact = BigInt(one) * BigInt(other);
	return [Number(exact / BigInt(divisor)), Number(exact % BigInt(divisor))];
}

/** Cents for minutes at cents per hour, half a cent up. */
export const priceMinutes = (minutes: number, centsPerHour: number): number =>
	Math.floor((minutes * centsPerHour * 2 + 60) / 120);
