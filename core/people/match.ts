/**
 * Whether two names may mean the same person or organization, how strongly, and why: for the interest check.
 * Folding of case, accents, punctuation and company suffixes; word order; initials; short forms; edit distance
 * (Damerau, optimal string alignment); sounds (double metaphone, L. Philips 2000, by the package of that name).
 */
import { doubleMetaphone } from 'double-metaphone';
import { fold } from './names.ts';

const set = (s: string) => new Set(s.split(' '));
/** Legal forms: said, not part of the name. */
const SUFFIXES = set(
	'inc incorporated corp corporation co company llc llp lp lllp pllc pc ltd limited plc gmbh mbh ag kg ohg sa sas sarl bv nv oy oyj ab asa aps spa srl pty pte sdn bhd cv ug se lc'
);
const NOISE = set('the and of mr mrs ms miss dr prof hon jr sr ii iii iv esq phd md et und y');
const PARTICLES = set(
	'van von der den de del della di da dos du la le los el al bin ibn ter ten zu st saint'
);
/** Words that many companies share: they tell little. */
const GENERIC = set(
	'group holding holdings international global services service solutions systems partners partner associates associated bros brothers sons industries enterprises marine maritime logistics insurance catering engineering staffing fuel properties property dredging ticketing provisions surveying advocates chandlery towage coatings shipping lines line transport trading management consulting capital technologies technology foods food supply supplies agency law legal bank trust fund foundation university college hospital city county state department north south east west new united american national pacific atlantic bay harbor harbour port'
);
const SHORT_FORMS = [
	'william bill will billy willy',
	'robert bob rob robbie bobby',
	'richard dick rick rich',
	'elizabeth liz beth betty eliza lisa',
	'margaret maggie meg peggy',
	'katherine kate kathy katie kat',
	'james jim jimmy jamie',
	'john jack johnny',
	'michael mike mick',
	'thomas tom tommy',
	'edward ed eddie ted ned',
	'charles charlie chuck',
	'alexander alex sandy sasha',
	'alexandra alex sandra sasha',
	'joseph joe joey',
	'anthony tony',
	'andrew andy drew',
	'daniel dan danny',
	'david dave',
	'samuel sam',
	'samantha sam',
	'susan sue susie',
	'patricia pat patty tricia',
	'patrick pat paddy',
	'stephen steve steven',
	'christopher chris kit',
	'christine chris tina christina',
	'nicholas nick',
	'matthew matt',
	'benjamin ben',
	'gregory greg',
	'jennifer jen jenny',
	'rebecca becky',
	'victoria vicky',
	'theodore ted theo',
	'leonard leo len',
	'leopold leo',
	'francis frank',
	'frederick fred',
	'henry harry hank',
	'lawrence larry',
	'philip phil',
	'raymond ray',
	'ronald ron',
	'timothy tim',
	'walter walt',
	'deborah debbie deb',
	'dorothy dot dorit',
	'sean shawn shaun',
	'geoffrey jeffrey jeff geoff'
].map((l) => l.split(' '));
const shortForms = new Map<string, Set<number>>();
SHORT_FORMS.forEach((names, i) =>
	names.forEach((n) => shortForms.set(n, (shortForms.get(n) ?? new Set()).add(i)))
);

/** The short and long forms of a given name: Bill, Will, William. */
export const formsOf = (t: string): string[] =>
	[...new Set([...(shortForms.get(t) ?? [])].flatMap((i) => SHORT_FORMS[i]!))].filter(
		(n) => n !== t
	);

export type NameForm = {
	/** What is compared: tokens without legal forms and titles. */
	tokens: string[];
	weights: number[];
	/** The tokens written together. */
	joined: string;
	/** Their first letters. */
	initials: string;
};

/** A name prepared for comparing. Names of nothing but legal forms keep them. */
export function nameForm(name: string): NameForm {
	// Apostrophes join: O'Brien is obrien. "A.B.C." is abc, "L.L.C." a legal form.
	const plain = name
		.replace(/['’`]/g, '')
		.replace(/(?<![\p{L}\p{N}])\p{L}(?:\.\p{L})+\b\.?/gu, (m) => `${m.replaceAll('.', '')} `)
		.replace(/&/g, ' and ');
	const all = fold(plain).split(' ').filter(Boolean);
	// Letters that stand apart and spell a legal form: "l l c".
	for (let i = 0; i < all.length; i++)
		for (let n = 4; n >= 2; n--)
			if (
				all.slice(i, i + n).length === n &&
				all.slice(i, i + n).every((t) => t.length === 1) &&
				SUFFIXES.has(all.slice(i, i + n).join(''))
			)
				all.splice(i, n, all.slice(i, i + n).join(''));
	let tokens = all.filter((t, i) => !(NOISE.has(t) || (i > 0 && SUFFIXES.has(t))));
	if (tokens.length === 0) tokens = all;
	return {
		tokens,
		weights: tokens.map(weightOf),
		joined: tokens.join(''),
		initials: tokens.map((t) => t[0]).join('')
	};
}
const weightOf = (t: string): number =>
	t.length === 1 ? 0.4 : PARTICLES.has(t) ? 0.3 : GENERIC.has(t) ? 0.6 : 1;
/** The words that tell names apart: without generic words and particles, unless there are no others. */
export function telling(f: NameForm): string[] {
	const out = f.tokens.filter((_, i) => f.weights[i]! >= 1);
	return out.length ? out : f.tokens;
}

/** Edit distance with transpositions (optimal string alignment); more than `most` is most + 1. */
export function editDistance(a: string, b: string, most = 3): number {
	if (Math.abs(a.length - b.length) > most) return most + 1;
	let two: number[] = [],
		one = Array.from({ length: b.length + 1 }, (_, j) => j);
	for (let i = 1; i <= a.length; i++) {
		const row = [i];
		let least = i;
		for (let j = 1; j <= b.length; j++) {
			const same = a[i - 1] === b[j - 1];
			let v = Math.min(row[j - 1]! + 1, one[j]! + 1, one[j - 1]! + (same ? 0 : 1));
			if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
				v = Math.min(v, two[j - 2]! + 1);
			row.push(v);
			if (v < least) least = v;
		}
		if (least > most) return most + 1;
		two = one;
		one = row;
	}
	return one[b.length]!;
}

const sounds = new Map<string, [string, string]>();
/** How a word sounds: its primary and secondary double metaphone. */
export function soundOf(t: string): [string, string] {
	let s = sounds.get(t);
	if (!s) {
		if (sounds.size > 400_000) sounds.clear();
		sounds.set(t, (s = doubleMetaphone(t) as [string, string]));
	}
	return s;
}

export type Why =
	| 'same'
	| 'misspelled'
	| 'sounds alike'
	| 'initial'
	| 'short form'
	| 'word order'
	| 'written together'
	| 'initials'
	| 'part of the name';
/** How alike two words of names are: 1 is the same, nothing is not alike. */
export function alike(a: string, b: string): { score: number; why: Why } | null {
	if (a === b) return { score: 1, why: 'same' };
	if (a.length === 1 || b.length === 1)
		return a[0] === b[0] ? { score: 0.8, why: 'initial' } : null;
	const fa = shortForms.get(a),
		fb = shortForms.get(b);
	if (fa && fb && [...fa].some((x) => fb.has(x))) return { score: 0.9, why: 'short form' };
	const [short, long] = a.length < b.length ? [a, b] : [b, a];
	if (/\d/.test(short)) return null;
	const most = short.length <= 3 ? 0 : short.length <= 6 ? 1 : 2;
	const d = editDistance(a, b, 3);
	// A changed first letter is seldom a slip, unless two letters changed places.
	const head = a[0] === b[0] || (a[0] === b[1] && a[1] === b[0]);
	if (d <= most && (head || (d === 1 && short.length >= 6)))
		return { score: d === 1 ? 0.92 : 0.84, why: 'misspelled' };
	if (short.length >= 3 && d <= Math.max(1, Math.floor(long.length / 2))) {
		const [p, s] = soundOf(a),
			[q, r] = soundOf(b);
		if (p.length >= 2 && (p === q || p === r || s === q) && Math.abs(a.length - b.length) <= 3)
			return { score: d === 1 ? 0.9 : 0.82, why: 'sounds alike' };
	}
	return null;
}

export type Match = { /** 0 to 100. */ strength: number; why: Why[] };
const whyList = (s: Set<Why>): Why[] => {
	const out = [...s].filter((w) => w !== 'same');
	return out.length ? out : ['same'];
};

/** How strongly two names may mean the same one. From 70 on they should be taken as the same until someone has looked. */
export function compareNames(a: NameForm, b: NameForm): Match {
	if (a.tokens.length === 0 || b.tokens.length === 0) return { strength: 0, why: [] };
	const pairs: { i: number; j: number; score: number; why: Why }[] = [];
	for (let i = 0; i < a.tokens.length; i++)
		for (let j = 0; j < b.tokens.length; j++) {
			const m = alike(a.tokens[i]!, b.tokens[j]!);
			if (m) pairs.push({ i, j, ...m });
		}
	const both = (p: { i: number; j: number }) => [a.tokens[p.i]!, b.tokens[p.j]!].sort().join(' ');
	pairs.sort(
		(x, y) =>
			y.score - x.score ||
			Math.abs(x.i - x.j) - Math.abs(y.i - y.j) ||
			(both(x) < both(y) ? -1 : both(x) > both(y) ? 1 : x.i + x.j - y.i - y.j)
	);
	const usedA = new Set<number>(),
		usedB = new Set<number>(),
		why = new Set<Why>();
	let num = 0,
		den = 0,
		last = -1,
		order = true;
	const taken: typeof pairs = [];
	for (const p of pairs)
		if (!usedA.has(p.i) && !usedB.has(p.j)) {
			usedA.add(p.i);
			usedB.add(p.j);
			taken.push(p);
		}
	for (const p of taken.sort((x, y) => x.i - y.i)) {
		const w = Math.min(a.weights[p.i]!, b.weights[p.j]!);
		num += 2 * w * p.score;
		den += 2 * w;
		why.add(p.why);
		if (p.j < last) order = false;
		last = p.j;
	}
	const rest = (f: NameForm, used: Set<number>) =>
		f.weights.reduce((s, w, i) => (used.has(i) ? s : s + w), 0);
	const ua = rest(a, usedA),
		ub = rest(b, usedB);
	// Missing on one side is left out; different on both sides speaks against it.
	den += ua + ub + 1.2 * Math.min(ua, ub);
	if (num > 0 && ua > 0 !== ub > 0) why.add('part of the name');
	if (!order && taken.length > 1) why.add('word order');
	// Pier 9 is not Pier 7.
	const numbers = (f: NameForm, used: Set<number>) =>
		f.tokens.some((t, i) => /^\d+$/.test(t) && !used.has(i));
	if (numbers(a, usedA) && numbers(b, usedB))
		return { strength: Math.min(40, Math.round((100 * num) / den)), why: whyList(why) };
	// Only initials and generic words in common tell nothing.
	const told =
		taken.some((p) => p.why !== 'initial' && Math.min(a.weights[p.i]!, b.weights[p.j]!) >= 1) ||
		(taken.length > 0 && [...a.weights, ...b.weights].every((w) => w < 1));
	let best: Match = {
		strength: told && den > 0 ? Math.round((100 * num) / den) : 0,
		why: whyList(why)
	};
	const better = (strength: number, w: Why) => {
		if (strength > best.strength) best = { strength, why: [w] };
	};
	if (a.tokens.length !== b.tokens.length || a.joined !== b.joined) {
		if (a.joined === b.joined) better(96, 'written together');
		else if (
			a.tokens.length !== b.tokens.length &&
			Math.min(a.joined.length, b.joined.length) >= 7 &&
			a.joined[0] === b.joined[0] &&
			editDistance(a.joined, b.joined, 1) <= 1
		)
			better(86, 'written together');
	}
	for (const [x, y] of [
		[a, b],
		[b, a]
	] as const) {
		if (
			x.tokens.length === 1 &&
			x.joined.length >= 3 &&
			x.joined.length <= 6 &&
			y.tokens.length === x.joined.length &&
			y.initials === x.joined
		)
			better(78, 'initials');
		// A first word that stands for initials, with the rest spelled out.
		const n = x.tokens[0]!.length;
		if (
			n >= 2 &&
			n <= 4 &&
			y.tokens.length === x.tokens.length + n - 1 &&
			y.initials.slice(0, n) === x.tokens[0] &&
			x.tokens.slice(1).join(' ') === y.tokens.slice(n).join(' ') &&
			x.tokens.length > 1
		)
			better(84, 'initials');
	}
	return best;
}

/** The words of a text, as names are compared. */
export function wordsOf(text: string): string[] {
	const plain = text.replace(/['’`]/g, '');
	// Most texts are plain ASCII, where folding is only a matter of case: an interest check reads hundreds of them.
	return (
		/^[\x00-\x7f]*$/.test(plain) ? plain.toLowerCase().split(/[^a-z0-9]+/) : fold(plain).split(' ')
	).filter(Boolean);
}

/** For each word of a name, the words of a vocabulary that may be meant by it. */
export type Expansion = Map<string, { token: number; score: number; why: Why }[]>;
/**
 * The best place of a name in the words of a text: all telling words of the name near each other, in any order.
 * @returns strength 0 to 100, why, and the span of words; null where the name is not there.
 */
export function findIn(
	words: readonly string[],
	form: NameForm,
	near: Expansion
): (Match & { from: number; to: number }) | null {
	const k = form.tokens.length;
	const total = form.weights.reduce((a, b) => a + b, 0);
	let best: (Match & { from: number; to: number }) | null = null;
	for (let i = 0; i < words.length; i++) {
		if (!near.has(words[i]!)) continue;
		const got = new Map<number, { score: number; why: Why; at: number }>();
		for (let j = i; j < Math.min(words.length, i + k + 3); j++)
			for (const m of near.get(words[j]!) ?? []) {
				const had = got.get(m.token);
				if (
					(!had || had.score < m.score) &&
					![...got].some(([t, g]) => t !== m.token && g.at === j && g.score >= m.score)
				)
					got.set(m.token, { score: m.score, why: m.why, at: j });
			}
		let num = 0,
			telling = 0,
			last = -1,
			order = true;
		const why = new Set<Why>();
		let to = i;
		for (const [t, g] of [...got].sort((a, b) => a[0] - b[0])) {
			num += g.score * form.weights[t]!;
			if (form.weights[t]! >= 1 && g.why !== 'initial') telling++;
			why.add(g.why);
			if (g.at < last) order = false;
			last = g.at;
			if (g.at > to) to = g.at;
		}
		if (telling === 0 && form.weights.some((w) => w >= 1)) continue;
		if (got.size < k) why.add('part of the name');
		if (!order) why.add('word order');
		const strength = Math.round((100 * num) / total);
		if (!best || strength > best.strength) best = { strength, why: whyList(why), from: i, to };
	}
	return best && best.strength >= 60 ? best : null;
}

export const bandOf = (strength: number): 'strong' | 'likely' | 'possible' =>
	strength >= 90 ? 'strong' : strength >= 70 ? 'likely' : 'possible';
