/**
 * Whether two names may mean the same person or organization, how strongly, and why: for the
 * interest check and near names.
 */
import { alike, editDistance, type Reason } from './alike.ts';
import type { NameForm } from './name-form.ts';

export type Match = {
	/** 0 to 100. */
	strength: number;
	reasons: Reason[];
};

type Pair = { i: number; j: number; score: number; reason: Reason };

/** From 70 on two names should be taken as the same until someone has looked. */
export function compareNames(a: NameForm, b: NameForm): Match {
	if (a.tokens.length === 0 || b.tokens.length === 0) return { strength: 0, reasons: [] };
	const pairs = choosePairs(a, b);
	const byWords = compareWords(a, b, pairs);
	if (differInNumber(a, b, pairs)) return { ...byWords, strength: Math.min(40, byWords.strength) };
	const strength = tellsAnything(a, b, pairs) ? byWords.strength : 0;
	let best: Match = { strength, reasons: byWords.reasons };
	for (const other of [compareJoined(a, b), ...compareInitials(a, b), ...compareInitials(b, a)])
		if (other && other.strength > best.strength) best = other;
	return best;
}

/**
 * Each word of one with the word of the other it is most like, each used once; in the order of a.
 */
function choosePairs(a: NameForm, b: NameForm): Pair[] {
	const pairs: Pair[] = [];
	for (const [i, word] of a.tokens.entries())
		for (const [j, other] of b.tokens.entries()) {
			const likeness = alike(word, other);
			if (likeness) pairs.push({ i, j, ...likeness });
		}
	// The order must not depend on which name comes first.
	const key = ({ i, j }: Pair) => [a.tokens[i], b.tokens[j]].sort().join(' ');
	pairs.sort(
		(x, y) =>
			y.score - x.score ||
			Math.abs(x.i - x.j) - Math.abs(y.i - y.j) ||
			compareText(key(x), key(y)) ||
			x.i + x.j - y.i - y.j
	);
	const usedA = new Set<number>();
	const usedB = new Set<number>();
	const chosen = pairs.filter(({ i, j }) => {
		if (usedA.has(i) || usedB.has(j)) return false;
		usedA.add(i);
		usedB.add(j);
		return true;
	});
	return chosen.sort((x, y) => x.i - y.i);
}

function compareText(a: string, b: string): number {
	if (a === b) return 0;
	return a < b ? -1 : 1;
}

const weight = (form: NameForm, index: number): number => form.weights[index] ?? 0;
const lesserWeight = (a: NameForm, b: NameForm, { i, j }: Pair): number =>
	Math.min(weight(a, i), weight(b, j));
const restOf = (form: NameForm, used: ReadonlySet<number>): number =>
	form.weights.reduce((sum, each, index) => (used.has(index) ? sum : sum + each), 0);

/** Twice the weight of what is alike, against all there is. */
function compareWords(a: NameForm, b: NameForm, pairs: readonly Pair[]): Match {
	let alikeWeight = 0;
	let allWeight = 0;
	const reasons = new Set<Reason>();
	for (const pair of pairs) {
		const both = 2 * lesserWeight(a, b, pair);
		alikeWeight += both * pair.score;
		allWeight += both;
		reasons.add(pair.reason);
	}
	const restA = restOf(a, new Set(pairs.map((pair) => pair.i)));
	const restB = restOf(b, new Set(pairs.map((pair) => pair.j)));
	// Missing on one side is left out; different on both sides speaks against it.
	allWeight += restA + restB + 1.2 * Math.min(restA, restB);
	if (alikeWeight > 0 && restA > 0 !== restB > 0) reasons.add('part of the name');
	if (pairs.length > 1 && !inOrder(pairs)) reasons.add('word order');
	const strength = allWeight > 0 ? Math.round((100 * alikeWeight) / allWeight) : 0;
	return { strength, reasons: listReasons(reasons) };
}

const inOrder = (pairs: readonly Pair[]): boolean =>
	pairs.every((pair, index) => index === 0 || pair.j > (pairs[index - 1]?.j ?? -1));

/** "The same" is a reason only where there is no other. */
export function listReasons(reasons: ReadonlySet<Reason>): Reason[] {
	const others = [...reasons].filter((reason) => reason !== 'same');
	return others.length ? others : ['same'];
}

/** Pier 9 is not Pier 7. */
function differInNumber(a: NameForm, b: NameForm, pairs: readonly Pair[]): boolean {
	const leaves = (form: NameForm, used: readonly number[]) =>
		form.tokens.some((token, index) => /^\d+$/.test(token) && !used.includes(index));
	return (
		leaves(
			a,
			pairs.map((pair) => pair.i)
		) &&
		leaves(
			b,
			pairs.map((pair) => pair.j)
		)
	);
}

/** Only initials and generic words in common tell nothing, unless the names have no others. */
function tellsAnything(a: NameForm, b: NameForm, pairs: readonly Pair[]): boolean {
	if (pairs.some((pair) => pair.reason !== 'initial' && lesserWeight(a, b, pair) >= 1)) return true;
	return pairs.length > 0 && [...a.weights, ...b.weights].every((each) => each < 1);
}

/** North Quay and Northquay. */
function compareJoined(a: NameForm, b: NameForm): Match | null {
	const sameCount = a.tokens.length === b.tokens.length;
	if (a.joined === b.joined)
		return sameCount ? null : { strength: 96, reasons: ['written together'] };
	const long = Math.min(a.joined.length, b.joined.length) >= 7;
	if (sameCount || !long || a.joined[0] !== b.joined[0]) return null;
	if (editDistance(a.joined, b.joined, 1) > 1) return null;
	return { strength: 86, reasons: ['written together'] };
}

/** TDP and Tidewrack Dredging Partners; TD Partners and Tidewrack Dredging Partners. */
function compareInitials(short: NameForm, long: NameForm): Match[] {
	const found: Match[] = [];
	if (
		short.tokens.length === 1 &&
		short.joined.length >= 3 &&
		short.joined.length <= 6 &&
		long.tokens.length === short.joined.length &&
		long.initials === short.joined
	)
		found.push({ strength: 78, reasons: ['initials'] });
	if (beginsWithInitials(short, long)) found.push({ strength: 84, reasons: ['initials'] });
	return found;
}

/** A first word that stands for initials, with the rest spelled out. */
function beginsWithInitials(short: NameForm, long: NameForm): boolean {
	const [head = '', ...rest] = short.tokens;
	const count = head.length;
	return (
		rest.length > 0 &&
		count >= 2 &&
		count <= 4 &&
		long.tokens.length === rest.length + count &&
		long.initials.slice(0, count) === head &&
		rest.join(' ') === long.tokens.slice(count).join(' ')
	);
}

export type Band = 'strong' | 'likely' | 'possible';
/** How a strength is spoken of. */
export function bandOf(strength: number): Band {
	if (strength >= 90) return 'strong';
	return strength >= 70 ? 'likely' : 'possible';
}
