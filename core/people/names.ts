/** Whether a text is plain ASCII, as most are: folding it is only a matter of case. */
const isAscii = (text: string): boolean => /^[\x00-\x7f]*$/.test(text);

/** Names folded for finding: case, accents and punctuation do not matter. */
export function foldName(name: string): string {
	if (isAscii(name))
		return name
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, ' ')
			.trim();
	return name
		.normalize('NFKD')
		.replace(/\p{M}/gu, '')
		.toLowerCase()
		.replace(/ß/g, 'ss')
		.replace(/ł/g, 'l')
		.replace(/ø/g, 'o')
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim();
}

/** "IO" of "Ines Okafor"; at most two letters. */
export function formatInitials(name: string): string {
	const words = name.split(/\s+/).filter((word) => /^\p{L}/u.test(word));
	return ((words[0]?.[0] ?? '?') + (words.length > 1 ? words.at(-1)![0]! : '')).toUpperCase();
}
