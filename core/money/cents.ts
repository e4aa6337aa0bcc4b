/** Money is integer cents. Shares are in ten-thousandths of a percent: 1,000,000 is the whole. */
export const WHOLE = 1_000_000;

/**
 * Shares an amount among weights to the cent: the parts add up to the amount, always.
 * Largest remainder; on equal remainders the earlier part gets the cent. A negative amount shares as its positive, negated.
 * @param cents integer, any sign  @param weights integers of at least 0, at least one above 0
 */
export function share(cents: number, weights: readonly number[]): number[] {
	if (!Number.isSafeInteger(cents)) throw new RangeError('an amount is a whole number of cents');
	if (weights.some((w) => !Number.isSafeInteger(w) || w < 0))
		throw new RangeError('a weight is a whole number of at least 0');
	const total = weights.reduce((a, b) => a + b, 0);
	if (total === 0) throw new RangeError('there is nothing to share among');
	if (cents < 0) return share(-cents, weights).map((p) => (p === 0 ? 0 : -p));
	// Products may exceed 2^53: BigInt keeps them exact.
	const parts = weights.map((w) => (BigInt(cents) * BigInt(w)) / BigInt(total));
	const rest = weights.map((w, i) => ({ i, r: (BigInt(cents) * BigInt(w)) % BigInt(total) }));
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
export const priceOf = (minutes: number, centsPerHour: number): number =>
	Math.floor((minutes * centsPerHour * 2 + 60) / 120);

/** "1,234.50"; negative with a true minus sign. */
export function sayCents(cents: number): string {
	const abs = Math.abs(cents);
	return `${cents < 0 ? '−' : ''}${Math.floor(abs / 100).toLocaleString('en-US')}.${String(abs % 100).padStart(2, '0')}`;
}

/** "70 %", "33.3333 %". */
export const sayShare = (share: number): string => `${Number((share / 10_000).toFixed(4))} %`;

/** Reads a percentage ("70", "33.3333") as a share; undefined where it is not one from 0 to 100 with at most four decimals. */
export function parseShare(text: string): number | undefined {
	if (!/^\d{1,3}(\.\d{1,4})?$/.test(text.trim())) return undefined;
	const share = Math.round(Number(text) * 10_000);
	return share <= WHOLE ? share : undefined;
}

/** Reads an amount as people type it ("1,250.00", "1250", "$1,250.5", "-3.20") into cents; undefined where it is none, or beyond what cents can hold. */
export function parseCents(text: string): number | undefined {
	const m = /^([-−])?[$€£]?\s?((?:\d{1,3}(?:,\d{3})+|\d{1,13}))(?:\.(\d{1,2}))?$/.exec(text.trim());
	if (!m) return undefined;
	const cents = Number(m[2]!.replaceAll(',', '')) * 100 + Number((m[3] ?? '').padEnd(2, '0'));
	return Number.isSafeInteger(cents) ? (m[1] && cents !== 0 ? -cents : cents) : undefined;
}
