/** Finds the numbers that are known of cases in short texts, however their parts are divided. */

/** A shorter number stands in many texts that are about something else. */
const NUMBER_LENGTH = 5;
const PARTS = /[a-z0-9]+/gi;

const partsOf = (text: string) => [...text.matchAll(PARTS)];
const bare = (parts: readonly RegExpMatchArray[]): string =>
	parts
		.map(([part]) => part)
		.join('')
		.toLowerCase();

/**
 * Reads the known numbers once, for texts of which there are many: "HM-26-40918" is found in
 * "HM 26-40918, mediation", and in "HM 26 40918-JD".
 * @returns for a text, all that bear the longest number in it, and that number as it is written
 */
export function knownNumberFinder<Known extends { number: string }>(
	known: readonly Known[]
): (text: string) => { found: Known[]; written: string } | undefined {
	const byNumber = new Map<string, Known[]>();
	let most = 1;
	for (const one of known) {
		const parts = partsOf(one.number);
		const number = bare(parts);
		if (number.length < NUMBER_LENGTH) continue;
		byNumber.set(number, [...(byNumber.get(number) ?? []), one]);
		most = Math.max(most, parts.length);
	}
	return (text) => {
		const parts = partsOf(text);
		let best: { number: string; found: Known[]; written: string } | undefined;
		for (let from = 0; from < parts.length; from++) {
			// The number may be divided where the known one is not, and the other way round.
			for (let to = from + 1; to <= Math.min(parts.length, from + most + 2); to++) {
				const number = bare(parts.slice(from, to));
				const found = byNumber.get(number);
				if (!found || (best && best.number.length >= number.length)) continue;
				const last = parts[to - 1]!;
				const written = text.slice(parts[from]!.index, last.index! + last[0].length);
				best = { number, found, written };
			}
		}
		return best && { found: best.found, written: best.written };
	};
}
