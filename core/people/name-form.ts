/**
 * A name prepared for comparing: folded, without what is said beside it, each word with how much it
 * tells.
 */
import { GENERIC, NOISE, PARTICLES, SUFFIXES } from './name-words.ts';
import { foldName } from './names.ts';

export type NameForm = {
	/** What is compared: words without legal forms and titles. */
	tokens: string[];
	/** How much each word tells: 1 is a name of its own. */
	weights: number[];
	/** The words written together. */
	joined: string;
	/** Their first letters. */
	initials: string;
};

/**
 * More words than a name has: what comes after them is not compared, so that one comparison stays
 * quick.
 */
const TOKEN_LIMIT = 24;

/** The form of a name. Names of nothing but legal forms keep them. */
export function nameForm(name: string): NameForm {
	const words = joinSpelledForms(splitName(name)).slice(0, TOKEN_LIMIT);
	const telling = words.filter((word, i) => !NOISE.has(word) && !(i > 0 && SUFFIXES.has(word)));
	const tokens = telling.length === 0 ? words : telling;
	return {
		tokens,
		weights: tokens.map(weightOf),
		joined: tokens.join(''),
		initials: tokens.map((token) => token.charAt(0)).join('')
	};
}

/** Apostrophes join: O'Brien is obrien. "A.B.C." is abc, "L.L.C." a legal form. */
function splitName(name: string): string[] {
	const plain = name
		.replace(/['’`]/g, '')
		.replace(
			/(?<![\p{L}\p{N}])\p{L}(?:\.\p{L})+\b\.?/gu,
			(initials) => `${initials.replaceAll('.', '')} `
		)
		.replace(/&/g, ' and ');
	return foldName(plain).split(' ').filter(Boolean);
}

/** Letters that stand apart and spell a legal form become one word: "l l c" is llc. */
function joinSpelledForms(words: readonly string[]): string[] {
	const joined: string[] = [];
	for (let i = 0; i < words.length;) {
		const length = [4, 3, 2].find((count) => spellsForm(words, i, count)) ?? 1;
		joined.push(words.slice(i, i + length).join(''));
		i += length;
	}
	return joined;
}

function spellsForm(words: readonly string[], from: number, count: number): boolean {
	const letters = words.slice(from, from + count);
	return (
		letters.length === count &&
		letters.every((letter) => letter.length === 1) &&
		SUFFIXES.has(letters.join(''))
	);
}

function weightOf(word: string): number {
	if (word.length === 1) return 0.4;
	if (PARTICLES.has(word)) return 0.3;
	return GENERIC.has(word) ? 0.6 : 1;
}

/**
 * The words that tell names apart: without generic words and particles, unless there are no others.
 */
export function tellingWords({ tokens, weights }: NameForm): string[] {
	const telling = tokens.filter((_, i) => weights[i] === 1);
	return telling.length ? telling : tokens;
}

/** The words of a text, as names are compared. */
export const wordsOf = (text: string): string[] =>
	foldName(text.replace(/['’`]/g, '')).split(' ').filter(Boolean);
