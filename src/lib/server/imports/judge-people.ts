/** Judges rows of people and organizations. */
import { soundOf } from '#core/people/alike.ts';
import { compareNames } from '#core/people/compare.ts';
import { nameForm, tellingWords, type NameForm } from '#core/people/name-form.ts';
import { foldName } from '#core/people/names.ts';
import { cardVisible } from '#server/access/visibility.ts';
import type { Db } from '#server/db/open.ts';
import { all } from '#server/db/sql.ts';
import { isMailAddress, NAME_LIMIT } from '#server/people/card.ts';
import type { Values } from './mapping.ts';
import {
	faultOf,
	isFault,
	isKnown,
	isNew,
	type Asker,
	type Decision,
	type Fault,
	type Judge
} from './verdict.ts';
import { personKind } from './person-kind.ts';

/** Names this strongly alike are pointed out. */
const NEAR = 88;

type Known = { name: string; mails: Set<string> };

export function judgePeople(db: Db, { me }: Asker): Judge {
	const cards = listNames(db, me);
	const exact = new Map<string, Known>();
	const index = new NearIndex();
	const know = (folded: string, name: string, mail: string) => {
		const known = exact.get(folded) ?? { name, mails: new Set<string>() };
		if (mail) known.mails.add(mail);
		exact.set(folded, known);
	};
	for (const { name, folded, mail } of cards) {
		know(folded, name, mail);
		index.add(name, folded);
	}
	return (values, decision) => {
		const { name = '', mail = '' } = values;
		const faults = listFaults(values);
		if (faults.length || name === '') return isFault(faults);
		const folded = foldName(name);
		const same = exact.get(folded);
		if (same && isTheSame(same, mail.toLowerCase(), decision))
			return {
				...isKnown(`There is a card for ${same.name} already: it stays as it is.`),
				namesake: true
			};
		const near = same ? undefined : index.find(name);
		know(folded, name, mail.toLowerCase());
		index.add(name, name);
		if (same) return { ...isNew(`another ${same.name}: the mail is not the same`), namesake: true };
		return isNew(near ? `new card; near to ${near}, look at both afterwards` : 'new card');
	};
}

/** Two of one name with different mail are two people, unless somebody says otherwise. */
function isTheSame({ mails }: Known, mail: string, decision: Decision | undefined): boolean {
	if (decision) return decision === 'same';
	return mail === '' || mails.size === 0 || mails.has(mail);
}

const listNames = (db: Db, me: string): { name: string; folded: string; mail: string }[] =>
	all(
		db,
		`WITH named (id, name, folded) AS (
			SELECT p.id, p.name, p.folded
			FROM person p
			WHERE ${cardVisible('p')}
			UNION ALL
			SELECT p.id, p.name, n.folded
			FROM person_name n
			JOIN person p ON p.id = n.person_id
			WHERE ${cardVisible('p')}
		)
		SELECT d.name, d.folded, coalesce(lower(c.value), '') AS mail
		FROM named d
		LEFT JOIN person_contact c ON c.person_id = d.id AND c.kind = 'mail'`,
		{ me }
	);

function listFaults({ name = '', kind = '', mail, parent }: Values): Fault[] {
	const folded = foldName(name);
	return [
		...faultOf('name', name !== '' && folded === '' && 'A name needs letters or digits.'),
		...faultOf('name', name.length > NAME_LIMIT && 'The name is longer than 200 characters.'),
		...faultOf(
			'kind',
			personKind(kind, name) === null && `“${kind}” is neither person nor organization.`
		),
		...faultOf('mail', mail && !isMailAddress(mail) && `${mail} is not a mail address.`),
		...faultOf(
			'parent',
			parent && foldName(parent) === folded && 'Nobody is their own parent organization.'
		)
	];
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
