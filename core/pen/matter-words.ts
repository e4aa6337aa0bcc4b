/**
 * A matter that a pen line names by words of its title: "0.4 bremner call with the mediator". What
 * is left is what the line says of it.
 */
import { findByWords, SMALL, tokens, type Named } from './words.ts';

/** More words of a title nobody writes. */
const WORDS_OF_TITLE = 4;
const SHORTEST = 3;

export type TitledLine = {
	/** Ids of the matters that fit, the one with the fewest other words first. */
	fits: string[];
	rest: string;
};

const isTelling = (word: string | undefined): boolean =>
	word !== undefined && word.length >= SHORTEST && !SMALL.has(word);

/** The first word that may be one of a title, by which matters are looked for. */
export const firstTitleWord = (words: string): string | undefined => {
	const [first] = tokens(words);
	return isTelling(first) ? first : undefined;
};

/**
 * Takes words of a title from the beginning of a line: as many of them as fit some matter.
 * @returns null where its first word is in no title
 */
export function takeTitle(line: string, matters: readonly Named[]): TitledLine | null {
	const words = line.split(' ').filter(Boolean);
	for (let count = Math.min(WORDS_OF_TITLE, words.length); count > 0; count--) {
		const asked = words.slice(0, count).flatMap(tokens);
		const last = asked.at(-1) ?? '';
		if (!isTelling(asked[0]) || !(isTelling(last) || /^\d+$/.test(last))) continue;
		const fits = findByWords(matters, asked);
		if (fits.length) return { fits: fits.map(({ id }) => id), rest: words.slice(count).join(' ') };
	}
	return null;
}
