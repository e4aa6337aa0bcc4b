/** Names folded for finding: case, accents and punctuation do not matter. */
export const foldName = (name: string): string =>
	name
		.normalize('NFKD')
		.replace(/\p{M}/gu, '')
		.toLowerCase()
		.replace(/ß/g, 'ss')
		.replace(/ł/g, 'l')
		.replace(/ø/g, 'o')
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim();

/** "IO" of "Ines Okafor"; at most two letters. */
export function formatInitials(name: string): string {
	const words = name.split(/\s+/).filter((word) => /^\p{L}/u.test(word));
	return ((words[0]?.[0] ?? '?') + (words.length > 1 ? words.at(-1)![0]! : '')).toUpperCase();
}
