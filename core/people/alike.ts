/**
 * Whether two words of names may be the same: initials, short forms of given names, edit distance
 * (Damerau, optimal string alignment), sounds (double metaphone, L. Philips 2000, by the package of
 * that name).
 */
import { doubleMetaphone } from 'double-metaphone';
import { SHORT_FORMS } from './name-words.ts';

/** Why a word or a name may be another. */
export type Reason =
	| 'same'
	| 'misspelled'
	| 'sounds alike'
	| 'initial'
	| 'short form'
	| 'word order'
	| 'written together'
	| 'initials'
	| 'part of the name';
/** 1 is the same. */
export type Likeness = { score: number; reason: Reason };

/** The groups of short forms that a given name is in. */
const groupsOf = new Map<string, Set<number>>();
SHORT_FORMS.forEach((names, group) => {
	for (const name of names) groupsOf.set(name, (groupsOf.get(name) ?? new Set()).add(group));
});

/** The short and long forms of a given name, without itself: Bill, Will, William. */
export function formsOf(name: string): string[] {
	const forms = [...(groupsOf.get(name) ?? [])].flatMap((group) => SHORT_FORMS[group] ?? []);
	return [...new Set(forms)].filter((form) => form !== name);
}

function shareForm(a: string, b: string): boolean {
	const groups = groupsOf.get(b);
	return groups !== undefined && [...(groupsOf.get(a) ?? [])].some((group) => groups.has(group));
}

/** Edit distance with transpositions; more than `limit` is limit + 1. */
export function editDistance(a: string, b: string, limit = 3): number {
	if (Math.abs(a.length - b.length) > limit) return limit + 1;
	let before: number[] = [];
	let above = Array.from({ length: b.length + 1 }, (_, column) => column);
	// Asked millions of times by one interest check: the places it reads are all there, so none is
	// looked at twice.
	for (let i = 1; i <= a.length; i++) {
		const row = [i];
		let least = i;
		for (let j = 1; j <= b.length; j++) {
			const cost = a[i - 1] === b[j - 1] ? 0 : 1;
			let value = Math.min(row[j - 1]! + 1, above[j]! + 1, above[j - 1]! + cost);
			if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
				value = Math.min(value, before[j - 2]! + 1);
			row.push(value);
			if (value < least) least = value;
		}
		if (least > limit) return limit + 1;
		before = above;
		above = row;
	}
	return above[b.length]!;
}

/** Words whose sound is kept; beyond them all are worked out anew. */
const SOUNDS_KEPT = 400_000;
const sounds = new Map<string, [string, string]>();
/** How a word sounds: its primary and secondary double metaphone. */
export function soundOf(word: string): [string, string] {
	let sound = sounds.get(word);
	if (!sound) {
		if (sounds.size > SOUNDS_KEPT) sounds.clear();
		sounds.set(word, (sound = doubleMetaphone(word) as [string, string]));
	}
	return sound;
}

/** How alike two words of names are; null where they are not. */
export function alike(a: string, b: string): Likeness | null {
	if (a === b) return { score: 1, reason: 'same' };
	if (a.length === 1 || b.length === 1)
		return a[0] === b[0] ? { score: 0.8, reason: 'initial' } : null;
	if (shareForm(a, b)) return { score: 0.9, reason: 'short form' };
	const short = Math.min(a.length, b.length);
	if (/\d/.test(a.length <= b.length ? a : b)) return null;
	const distance = editDistance(a, b, 3);
	if (isSlip(a, b, distance)) return { score: distance === 1 ? 0.92 : 0.84, reason: 'misspelled' };
	const near = distance <= Math.max(1, Math.floor(Math.max(a.length, b.length) / 2));
	if (short >= 3 && near && soundAlike(a, b))
		return { score: distance === 1 ? 0.9 : 0.82, reason: 'sounds alike' };
	return null;
}

/** How many slips a word of so many letters may have. */
function slipsIn(length: number): number {
	if (length <= 3) return 0;
	return length <= 6 ? 1 : 2;
}

/**
 * A changed first letter is seldom a slip, unless two letters changed places or the word is long.
 */
function isSlip(a: string, b: string, distance: number): boolean {
	const short = Math.min(a.length, b.length);
	if (distance > slipsIn(short)) return false;
	const sameHead = a[0] === b[0] || (a[0] === b[1] && a[1] === b[0]);
	return sameHead || (distance === 1 && short >= 6);
}

function soundAlike(a: string, b: string): boolean {
	const [first, second] = soundOf(a);
	const [other, another] = soundOf(b);
	return (
		first.length >= 2 &&
		(first === other || first === another || second === other) &&
		Math.abs(a.length - b.length) <= 3
	);
}
