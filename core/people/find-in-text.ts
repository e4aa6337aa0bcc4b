/** Where a name stands in a text. */
import type { Reason } from './alike.ts';
import { listReasons, type Match } from './compare.ts';
import type { NameForm } from './name-form.ts';

/** Which words of a name a word of a text may mean. */
type Meaning = { token: number; score: number; reason: Reason };
/** For the words of a vocabulary, which words of the name they may mean. */
export type Expansion = Map<string, Meaning[]>;
/** A match with the span of words it stands in. */
export type Place = Match & { from: number; to: number };

/** Weaker places are not told. */
const LEAST = 60;
/** Words that may stand between those of a name. */
const SLACK = 3;

type Found = Meaning & { at: number };

/**
 * The best place of a name in the words of a text: all its words near each other, in any order;
 * null where it is not there.
 */
export function findInText(
	words: readonly string[],
	form: NameForm,
	near: Expansion
): Place | null {
	let best: Place | null = null;
	for (const [from, word] of words.entries()) {
		if (!near.has(word)) continue;
		const place = placeAt(words, from, form, near);
		if (place && place.strength > (best?.strength ?? 0)) best = place;
	}
	return best && best.strength >= LEAST ? best : null;
}

function placeAt(
	words: readonly string[],
	from: number,
	form: NameForm,
	near: Expansion
): Place | null {
	const count = form.tokens.length;
	const found = collect(words.slice(from, from + count + SLACK), near);
	if (!tells(form, found)) return null;
	const reasons = new Set<Reason>(found.map(({ reason }) => reason));
	if (found.length < count) reasons.add('part of the name');
	if (found.some(({ at }, index) => at < (found[index - 1]?.at ?? -1))) reasons.add('word order');
	const score = found.reduce(
		(sum, meaning) => sum + meaning.score * (form.weights[meaning.token] ?? 0),
		0
	);
	const total = form.weights.reduce((sum, weight) => sum + weight, 0);
	return {
		strength: Math.round((100 * score) / total),
		reasons: listReasons(reasons),
		from,
		to: from + Math.max(0, ...found.map(({ at }) => at))
	};
}

/**
 * For each word of the name the best word of the span, none used for two; in the order of the name.
 */
function collect(span: readonly string[], near: Expansion): Found[] {
	const byToken = new Map<number, Found>();
	for (const [at, word] of span.entries())
		for (const meaning of near.get(word) ?? []) {
			const had = byToken.get(meaning.token);
			if (had && had.score >= meaning.score) continue;
			const taken = [...byToken.values()].some(
				(other) => other.token !== meaning.token && other.at === at && other.score >= meaning.score
			);
			if (!taken) byToken.set(meaning.token, { ...meaning, at });
		}
	return [...byToken.values()].sort((a, b) => a.token - b.token);
}

/** Generic words and initials alone tell nothing, unless the name has no others. */
function tells(form: NameForm, found: readonly Found[]): boolean {
	if (form.weights.every((weight) => weight < 1)) return true;
	return found.some(({ token, reason }) => reason !== 'initial' && (form.weights[token] ?? 0) >= 1);
}
