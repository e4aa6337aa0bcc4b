/** Typed words as a query of the full-text index: all of them, each a beginning of a word. */
import { foldName } from '#core/people/names.ts';

/** More words than anybody looks for at once. */
const WORD_LIMIT = 8;

/** Words as the index holds them. */
export const searchWords = (typed: string): string[] =>
	foldName(typed).split(' ').filter(Boolean).slice(0, WORD_LIMIT);

/** For `search MATCH @match`; empty where there is no word. */
export const matchWords = (typed: string): string =>
	searchWords(typed)
		.map((word) => `"${word}"*`)
		.join(' ');
