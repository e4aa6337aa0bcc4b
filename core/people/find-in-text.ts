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
/** A name found word by word. */
const FULL = 100;

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
	const meanings = words.map((word) => near.get(word));
	let best: Spot | undefined;
	for (const from of meanings.keys()) {
		if (!meanings[from]) continue;
		const spot = spotAt(meanings, from, form);
		if (spot && spot.strength > (best?.strength ?? 0)) best = spot;
		if (best?.strength === FULL) break;
	}
	return best && best.strength >= LEAST ? placeOf(best, form) : null;
}

/** A span of words that may be the name; its reasons are made only for the best one. */
type Spot = { strength: number; from: number; found: Found[] };

function spotAt(
	meanings: readonly (Meaning[] | undefined)[],
	from: number,
	form: NameForm
): Spot | undefined {
	const found = collect(meanings, from, from + form.tokens.length + SLACK);
	if (!tells(form, found)) return undefined;
	let score = 0;
	for (const meaning of found) score += meaning.score * (form.weights[meaning.token] ?? 0);
	const total = form.weights.reduce((sum, weight) => sum + weight, 0);
	return { strength: Math.round((FULL * score) / total), from, found };
}

function placeOf({ strength, from, found }: Spot, form: NameForm): Place {
	const reasons = new Set<Reason>(found.map(({ reason }) => reason));
	if (found.length < form.tokens.length) reasons.add('part of the name');
	if (found.some(({ at }, index) => at < (found[index - 1]?.at ?? -1))) reasons.add('word order');
	return {
		strength,
		reasons: listReasons(reasons),
		from,
		to: from + Math.max(0, ...found.map(({ at }) => at))
	};
}

/**
 * For each word of the name the best word of the span, none used for two; in the order of the name.
 */
function collect(meanings: readonly (Meaning[] | undefined)[], from: number, end: number): Found[] {
	const found: Found[] = [];
	const last = Math.min(end, meanings.length);
	for (let place = from; place < last; place++)
		for (const meaning of meanings[place] ?? []) take(found, meaning, place - from);
	return found.sort((a, b) => a.token - b.token);
}

/** Asked for every near word of hundreds of texts: the list is as short as the name. */
function take(found: Found[], { token, score, reason }: Meaning, at: number): void {
	const had = found.findIndex((other) => other.token === token);
	if (had >= 0 && found[had]!.score >= score) return;
	if (found.some((other) => other.token !== token && other.at === at && other.score >= score))
		return;
	if (had >= 0) found[had] = { token, score, reason, at };
	else found.push({ token, score, reason, at });
}

/** Generic words and initials alone tell nothing, unless the name has no others. */
function tells(form: NameForm, found: readonly Found[]): boolean {
	if (form.weights.every((weight) => weight < 1)) return true;
	return found.some(({ token, reason }) => reason !== 'initial' && (form.weights[token] ?? 0) >= 1);
}
