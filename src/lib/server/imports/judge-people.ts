/** Judges rows of people and organizations. */
import { soundOf } from '#core/people/alike.ts';
import { compareNames } from '#core/people/compare.ts';
import { nameForm, tellingWords, type NameForm } from '#core/people/name-form.ts';
import { foldName } from '#core/people/names.ts';
import { cardVisible } from '#server/access/visibility.ts';
import type { Db } from '#server/db/open.ts';
import { all } from '#server/db/sql.ts';
import { isMailAddress, NAME_LIMIT } from '#server/people/card.ts';
import type { Values } from './fields.ts';
import { isFault, isKnown, isNew, type Asker, type Judge } from './verdict.ts';
import { personKind } from './person-kind.ts';

/** Names this strongly alike are pointed out. */
const NEAR = 88;

export function judgePeople(db: Db, { me }: Asker): Judge {
	const cards = listNames(db, me);
	const exact = new Map(cards.map(({ folded, name }) => [folded, name]));
	const index = new NearIndex();
	for (const { name, folded } of cards) index.add(name, folded);
	return (values) => {
		const { name = '' } = values;
		const fault = findFault(values);
		if (fault) return isFault(fault);
		const folded = foldName(name);
		const same = exact.get(folded);
		if (same !== undefined)
			return isKnown(`There is a card for ${same} already: it stays as it is.`);
		const near = index.find(name);
		exact.set(folded, name);
		index.add(name, name);
		return isNew(near ? `new card; near to ${near}, look at both afterwards` : 'new card');
	};
}

const listNames = (db: Db, me: string): { name: string; folded: string }[] =>
	all(
		db,
		`SELECT p.name, p.folded
		FROM person p
		WHERE ${cardVisible('p')}
		UNION ALL
		SELECT p.name, n.folded
		FROM person_name n
		JOIN person p ON p.id = n.person_id
		WHERE ${cardVisible('p')}`,
		{ me }
	);

function findFault({ name = '', kind = '', mail, parent }: Values): string | null {
	const folded = foldName(name);
	if (folded === '') return 'A name needs letters or digits.';
	if (name.length > NAME_LIMIT) return 'The name is longer than 200 characters.';
	if (personKind(kind, name) === null) return `“${kind}” is neither person nor organization.`;
	if (mail && !isMailAddress(mail)) return `${mail} is not a mail address.`;
	if (parent && foldName(parent) === folded) return 'Nobody is their own parent organization.';
	return null;
}

type Entry = { name: string; form: NameForm };
/**
 * Names compared with one: those that share its rarest words or sounds come first. It keeps the
 * judging linear.
 */
const COMPARED = 120;

/** Names by what near ones share: a whole word, or the sound of one. */
class NearIndex {
	readonly #byKey = new Map<string, Entry[]>();

	add(name: string, other: string): void {
		const entry = { name, form: nameForm(other) };
		for (const key of keysOf(entry.form)) {
			const entries = this.#byKey.get(key);
			if (entries) entries.push(entry);
			else this.#byKey.set(key, [entry]);
		}
	}

	/** The name that is nearest to this one, if it is near. */
	find(name: string): string | undefined {
		const form = nameForm(name);
		let nearest: { name: string; strength: number } | undefined;
		for (const entry of this.#listCandidates(form)) {
			const { strength } = compareNames(form, entry.form);
			if (strength >= NEAR && strength > (nearest?.strength ?? 0))
				nearest = { name: entry.name, strength };
		}
		return nearest?.name;
	}

	#listCandidates(form: NameForm): Set<Entry> {
		const lists = [...keysOf(form)].flatMap((key) => {
			const entries = this.#byKey.get(key);
			return entries ? [entries] : [];
		});
		const candidates = new Set<Entry>();
		for (const entries of lists.sort((a, b) => a.length - b.length))
			for (const entry of entries) {
				if (candidates.size >= COMPARED) return candidates;
				candidates.add(entry);
			}
		return candidates;
	}
}

function keysOf(form: NameForm): Set<string> {
	const keys = new Set([`word ${form.joined}`]);
	for (const word of tellingWords(form)) {
		keys.add(`word ${word}`);
		for (const sound of soundOf(word)) if (sound) keys.add(`sound ${sound}`);
	}
	return keys;
}
