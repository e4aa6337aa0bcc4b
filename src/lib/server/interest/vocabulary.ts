/**
 * All words that the full-text index holds, in memory: what a misspelled name may have meant. Read
 * once for a connection, then kept up with what is added.
 */
import { alike, formsOf, soundOf, type Reason } from '#core/people/alike.ts';
import { wordsOf } from '#core/people/name-form.ts';
import type { Db } from '#server/db/open.ts';
import { iterate, scalar } from '#server/db/sql.ts';

export type NearWord = { word: string; score: number; reason: Reason };

/** Longer words are no names. */
const WORD_LIMIT = 40;
/** Answers kept until a word is added. */
const ANSWERS_KEPT = 5000;
/** By how many letters near words differ in length. */
const LENGTH_SLACK = 3;
/** From this length on, a slip in the first letter is looked for. */
const LONG = 6;

export class Vocabulary {
	#upTo = 0;
	readonly #words = new Set<string>();
	/** By first letter and length; and by sound, for those that begin with another letter. */
	readonly #byHead = new Map<string, string[]>();
	readonly #bySound = new Map<string, string[]>();
	readonly #near = new Map<string, NearWord[]>();

	/** Takes in what was written since it was last asked. */
	sync(db: Db): void {
		const newest = scalar<number | null>(db, 'SELECT max(id) FROM search_text') ?? 0;
		if (newest <= this.#upTo) return;
		if (this.#upTo === 0) this.#readIndex(db);
		else this.#readSince(db, this.#upTo);
		this.#upTo = newest;
	}

	#readIndex(db: Db): void {
		db.exec(
			`CREATE VIRTUAL TABLE IF NOT EXISTS temp.search_words
			USING fts5vocab('main', 'search', 'row')`
		);
		for (const { term } of iterate<{ term: string }>(db, 'SELECT term FROM temp.search_words'))
			this.#add(term);
	}

	#readSince(db: Db, id: number): void {
		const rows = iterate<{ title: string; body: string }>(
			db,
			'SELECT title, body FROM search_text WHERE id > @id',
			{ id }
		);
		for (const { title, body } of rows)
			for (const word of wordsOf(`${title} ${body}`)) this.#add(word);
	}

	#add(word: string): void {
		if (this.#words.has(word) || word.length > WORD_LIMIT) return;
		this.#words.add(word);
		this.#near.clear();
		put(this.#byHead, headOf(word), word);
		if (word.length < 3 || /\d/.test(word)) return;
		for (const sound of new Set(soundOf(word))) if (sound) put(this.#bySound, sound, word);
	}

	has(word: string): boolean {
		return this.#words.has(word);
	}

	/** The words alike to this one, itself too. */
	near(word: string): NearWord[] {
		let near = this.#near.get(word);
		if (!near) {
			if (this.#near.size > ANSWERS_KEPT) this.#near.clear();
			this.#near.set(word, (near = this.#findNear(word)));
		}
		return near;
	}

	#findNear(word: string): NearWord[] {
		const found = new Map<string, NearWord>();
		const seen = new Set<string>();
		for (const other of this.#listCandidates(word)) {
			if (seen.has(other)) continue;
			seen.add(other);
			const likeness = alike(word, other);
			if (likeness && likeness.reason !== 'initial') found.set(other, { word: other, ...likeness });
		}
		return [...found.values()];
	}

	*#listCandidates(word: string): Generator<string> {
		for (const letter of new Set([word.charAt(0), word.charAt(1)]))
			for (
				let length = Math.max(1, word.length - LENGTH_SLACK);
				length <= word.length + LENGTH_SLACK;
				length++
			)
				yield* this.#byHead.get(`${letter}${length}`) ?? [];
		for (const sound of new Set(soundOf(word))) yield* this.#bySound.get(sound) ?? [];
		if (word.length >= LONG) yield* this.#listOtherHeads(word);
		yield* formsOf(word).filter((form) => this.#words.has(form));
	}

	/** A slip in the first letter, where the word is long enough to be sure. */
	*#listOtherHeads(word: string): Generator<string> {
		for (const [head, words] of this.#byHead)
			if (Math.abs(Number(head.slice(1)) - word.length) <= 1)
				yield* words.filter(
					(other) =>
						other.slice(2) === word.slice(2) ||
						other.slice(1) === word ||
						other === word.slice(1) ||
						other.slice(1) === word.slice(1)
				);
	}
}

const headOf = (word: string) => `${word.charAt(0)}${word.length}`;
function put(index: Map<string, string[]>, key: string, word: string): void {
	const words = index.get(key);
	if (words) words.push(word);
	else index.set(key, [word]);
}

const vocabularies = new WeakMap<Db, Vocabulary>();
/** The words of a database, as they stand now. */
export function loadVocabulary(db: Db): Vocabulary {
	let vocabulary = vocabularies.get(db);
	if (!vocabulary) vocabularies.set(db, (vocabulary = new Vocabulary()));
	vocabulary.sync(db);
	return vocabulary;
}
