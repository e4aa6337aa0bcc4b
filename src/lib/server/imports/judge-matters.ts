/** Judges rows of matters. */
import { parseTypedDate } from '#core/dates/typed.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { parseFact } from '#core/kinds/fact.ts';
import { foldName } from '#core/people/names.ts';
import type { Db } from '#server/db/open.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { listKinds, type StoredKind } from '#server/kinds/queries.ts';
import { PRIORITIES } from '#server/matters/edit.ts';
import type { Values } from './fields.ts';
import { isFault, isKnown, isNew, type Asker, type Judge } from './verdict.ts';
import { personKind } from './person-kind.ts';

/** Facts that have a column of their own. */
export const FACT_COLUMNS = { court: 'Court', 'case-number': 'Case number' } as const;

export function judgeMatters(db: Db, { today }: Asker): Judge {
	const kinds = listKinds({ db }).filter((kind) => kind.active);
	const units = new Set(
		all<{ name: string }>(db, 'SELECT lower(name) AS name FROM business_unit').map(
			({ name }) => name
		)
	);
	const titles = new Set<string>();
	return (values) => {
		const { title = '', kind: kindName = '' } = values;
		const kind = findKindNamed(kinds, kindName);
		if (!kind)
			return isFault(
				`There is no kind “${kindName}”. Kinds are: ${kinds.map(({ name }) => name).join(', ')}.`
			);
		const fault =
			findNameFault(db, units, values) ??
			findOpenedFault(values.opened, today) ??
			findFactFault(kind, values, today) ??
			findPartyFault(values);
		if (fault) return isFault(fault);
		const same = findTitled(db, title);
		if (same) return isKnown(`${same} has this title already: it stays as it is.`);
		if (titles.has(title)) return isFault('Another row has this title.');
		titles.add(title);
		return isNew(`new ${kind.name.toLowerCase()}`);
	};
}

/** A kind by its name or its key. */
export const findKindNamed = (
	kinds: readonly StoredKind[],
	name: string
): StoredKind | undefined => {
	const lower = name.toLowerCase();
	return kinds.find(
		(kind) => kind.active && (kind.name.toLowerCase() === lower || kind.id === lower)
	);
};

/** A lawyer by login, name or mail address. */
export const findLawyer = (db: Db, words: string): string | undefined =>
	maybeOne<{ id: string }>(
		db,
		`SELECT id
		FROM staff
		WHERE active = 1
			AND role = 'counsel'
			AND (login = lower(@words) OR lower(name) = lower(@words) OR lower(email) = lower(@words))`,
		{ words }
	)?.id;

function findNameFault(
	db: Db,
	units: ReadonlySet<string>,
	{ unit = '', lawyer = '', priority = '' }: Values
): string | undefined {
	if (!units.has(unit.toLowerCase()))
		return `There is no business unit “${unit}”. Import the business units first.`;
	if (!findLawyer(db, lawyer))
		return `There is no lawyer “${lawyer}”: write the login, the name or the mail address.`;
	if (priority && !PRIORITIES.some((other) => other === priority.toLowerCase()))
		return `“${priority}” is no priority: high, normal or low.`;
	return undefined;
}

function findOpenedFault(opened: string | undefined, today: PlainDate): string | undefined {
	if (!opened) return undefined;
	const read = parseTypedDate(opened, today);
	if ('error' in read) return `Opened on: ${read.error}`;
	return read.date > today ? 'Opened on: that day has not come yet.' : undefined;
}

function findFactFault(kind: StoredKind, values: Values, today: PlainDate): string | undefined {
	for (const [key, label] of Object.entries(FACT_COLUMNS)) {
		const typed = values[key];
		if (!typed) continue;
		const fact = kind.facts.find((other) => other.key === key && !other.retired);
		if (!fact) return `${kind.name} has no fact for “${label}”.`;
		const read = parseFact(fact, typed, '', today);
		if ('error' in read) return read.error;
	}
	return undefined;
}

function findPartyFault({ party, partyKind = '' }: Values): string | undefined {
	if (partyKind && personKind(partyKind, '') === null)
		return `“${partyKind}” is neither person nor organization.`;
	if (party && foldName(party) === '') return 'The other side’s name needs letters or digits.';
	return undefined;
}

/** A restricted matter of the same title is not told. */
const findTitled = (db: Db, title: string): string | undefined =>
	maybeOne<{ number: string }>(
		db,
		'SELECT number FROM matter WHERE title = @title AND restricted = 0',
		{ title }
	)?.number;
