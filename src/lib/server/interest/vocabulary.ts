/** All words that the full-text index holds, in memory: what a misspelled name may have meant. Read once, then kept up with what is added. */
import { alike, formsOf, soundOf, wordsOf } from '#core/people/match.ts';
import type { Db } from '../db/open.ts';
import { statement } from '../db/statement.ts';

class Vocabulary {
	#upTo = 0;
	/** By first letter and length; and by sound, for those that begin with another letter. */
	#words = new Set<string>();
	#byHead = new Map<string, string[]>();
	#bySound = new Map<string, string[]>();
	#near = new Map<string, { word: string; score: number; why: string }[]>();

	sync(db: Db): void {
		const top =
			statement<{ n: number | null }>(db, 'SELECT max(id) AS n FROM search_text').get()!.n ?? 0;
		if (top <= this.#upTo) return;
		if (this.#upTo === 0) {
			db.exec(
				"CREATE VIRTUAL TABLE IF NOT EXISTS temp.search_words USING fts5vocab('main', 'search', 'row')"
			);
			for (const r of db
				.prepare<[], { term: string }>('SELECT term FROM temp.search_words')
				.iterate())
				this.#add(r.term);
		} else
			for (const r of db
				.prepare<[number], { title: string; body: string }>(
					'SELECT title, body FROM search_text WHERE id > ?'
				)
				.iterate(this.#upTo))
				for (const t of wordsOf(`${r.title} ${r.body}`)) this.#add(t);
		this.#upTo = top;
	}
	#add(word: string): void {
		if (this.#words.has(word) || word.length > 40) return;
		this.#words.add(word);
		this.#near.clear();
		const put = (m: Map<string, string[]>, k: string) => {
			const l = m.get(k);
			if (l) l.push(word);
			else m.set(k, [word]);
		};
		put(this.#byHead, `${word[0]}${word.length}`);
		if (word.length >= 3 && !/\d/.test(word))
			for (const s of new Set(soundOf(word))) if (s) put(this.#bySound, s);
	}
	/** The words alike to this one, itself too. */
	near(word: string): { word: string; score: number; why: string }[] {
		const had = this.#near.get(word);
		if (had) return had;
		const seen = new Set<string>(),
			out: { word: string; score: number; why: string }[] = [];
		const look = (list: readonly string[] | undefined) => {
			for (const w of list ?? [])
				if (!seen.has(w)) {
					seen.add(w);
					const m = alike(word, w);
					if (m && m.why !== 'initial') out.push({ word: w, ...m });
				}
		};
		const heads = new Set([word[0]!, ...(word[1] ? [word[1]] : [])]);
		for (const h of heads)
			for (let n = Math.max(1, word.length - 3); n <= word.length + 3; n++)
				look(this.#byHead.get(`${h}${n}`));
		for (const s of new Set(soundOf(word))) look(this.#bySound.get(s));
		// A slip in the first letter, where the word is long enough to be sure.
		if (word.length >= 6)
			for (const [k, list] of this.#byHead)
				if (Math.abs(Number(k.slice(1)) - word.length) <= 1)
					look(
						list.filter(
							(w) =>
								w.slice(2) === word.slice(2) ||
								w.slice(1) === word ||
								w === word.slice(1) ||
								w.slice(1) === word.slice(1)
						)
					);
		look(formsOf(word).filter((w) => this.#words.has(w)));
		if (this.#near.size > 5000) this.#near.clear();
		this.#near.set(word, out);
		return out;
	}
	has = (word: string): boolean => this.#words.has(word);
}

const all = new WeakMap<Db, Vocabulary>();
export function vocabulary(db: Db): Vocabulary {
	let v = all.get(db);
	if (!v) all.set(db, (v = new Vocabulary()));
	v.sync(db);
	return v;
}
