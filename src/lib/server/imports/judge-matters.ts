/** Judges rows of matters: everything that is wrong with one, each beside its field. */
import { parseTypedDate } from '#core/dates/typed.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { parseFact, type Fact } from '#core/kinds/fact.ts';
import { foldName } from '#core/people/names.ts';
import type { Db } from '#server/db/open.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { listKinds, type StoredKind } from '#server/kinds/queries.ts';
import { PRIORITIES } from '#server/matters/edit.ts';
import { factKey, type Values } from './mapping.ts';
import { faultOf, isFault, isKnown, isNew, type Asker, type Fault, type Judge } from './verdict.ts';
import { personKind } from './person-kind.ts';

export const STATUSES = ['open', 'on hold', 'closed'] as const;
/** A number of one's own: it stands in addresses. */
const NUMBER = /^[A-Z0-9][A-Z0-9-]{1,39}$/;

export const readNumber = (typed: string): string => typed.trim().toUpperCase();
export const readStatus = (typed: string): (typeof STATUSES)[number] | undefined =>
	typed === '' ? 'open' : STATUSES.find((status) => status === typed.toLowerCase());
/** Yes, no, or null where it is neither. */
export function readYes(typed: string): boolean | null {
	if (/^(?:y|yes|true|1|x)$/i.test(typed)) return true;
	return /^(?:n|no|false|0|)$/i.test(typed) ? false : null;
}
const readDay = (typed: string, today: PlainDate): PlainDate | string => {
	const read = parseTypedDate(typed, today);
	if ('error' in read) return read.error;
	return read.date;
};
const isDay = (read: PlainDate | string): read is PlainDate => /^\d{4}-\d\d-\d\d$/.test(read);

export function judgeMatters(db: Db, { today }: Asker): Judge {
	const kinds = listKinds({ db }).filter((kind) => kind.active);
	const units = new Set(
		all<{ name: string }>(db, 'SELECT lower(name) AS name FROM business_unit').map(
			({ name }) => name
		)
	);
	const seen = { titles: new Set<string>(), numbers: new Set<string>() };
	return (values) => {
		const { title = '' } = values;
		const kind = findKindNamed(kinds, values.kind ?? '');
		const faults = [
			...listKindFaults(kinds, kind, values),
			...listNameFaults(db, units, values),
			...listDayFaults(kind, values, today),
			...listFactFaults(kind, values, today),
			...listPartyFaults(values),
			...listNumberFaults(db, seen.numbers, values),
			...faultOf('title', seen.titles.has(title) && 'Another row has this title.')
		];
		if (faults.length || !kind) return isFault(faults);
		const same = findTitled(db, title);
		if (same) return isKnown(`${same} has this title already: it stays as it is.`);
		seen.titles.add(title);
		seen.numbers.add(readNumber(values.number ?? ''));
		const status = readStatus(values.status ?? '');
		return isNew(`new ${kind.name.toLowerCase()}${status === 'open' ? '' : `, ${status}`}`);
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

/** A fact of a kind by the name its column has. */
export const findFactNamed = (kind: StoredKind, key: string): Fact | undefined =>
	kind.facts.find(({ name, retired }) => !retired && factKey(name) === key);

const NAMED = `(login = lower(@words) OR lower(name) = lower(@words) OR lower(email) = lower(@words))`;
/** A lawyer by login, name or mail address. */
export const findLawyer = (db: Db, words: string): string | undefined =>
	maybeOne<{ id: string }>(
		db,
		`SELECT id
		FROM staff
		WHERE active = 1 AND role = 'counsel' AND ${NAMED}`,
		{ words }
	)?.id;

/** A colleague of the department by login, name or mail address. */
export const findMember = (db: Db, words: string): string | undefined =>
	maybeOne<{ id: string }>(
		db,
		`SELECT id
		FROM staff
		WHERE active = 1 AND role <> 'business-partner' AND ${NAMED}`,
		{ words }
	)?.id;

export const splitMembers = (typed: string): string[] =>
	typed
		.split(/[,;\n]/)
		.map((name) => name.trim())
		.filter(Boolean);

function listKindFaults(
	kinds: readonly StoredKind[],
	kind: StoredKind | undefined,
	{ kind: typed = '' }: Values
): Fault[] {
	if (kind || typed === '') return [];
	const names = kinds.map(({ name }) => name).join(', ');
	return faultOf('kind', `There is no kind “${typed}”. Kinds are: ${names}.`);
}

const listNameFaults = (
	db: Db,
	units: ReadonlySet<string>,
	{ unit = '', lawyer = '', priority = '', members = '', restricted = '' }: Values
): Fault[] => [
	...faultOf(
		'unit',
		unit &&
			!units.has(unit.toLowerCase()) &&
			`There is no business unit “${unit}”. Import the business units first.`
	),
	...faultOf(
		'lawyer',
		lawyer &&
			!findLawyer(db, lawyer) &&
			`There is no lawyer “${lawyer}”: write the login, the name or the mail address.`
	),
	...faultOf(
		'priority',
		priority &&
			!PRIORITIES.some((other) => other === priority.toLowerCase()) &&
			`“${priority}” is no priority: high, normal or low.`
	),
	...faultOf('restricted', readYes(restricted) === null && `Restricted: write yes or no.`),
	...splitMembers(members)
		.filter((name) => !findMember(db, name))
		.flatMap((name) => faultOf('members', `There is no colleague “${name}”.`))
];

/** The days it was opened and closed, and how it stands. */
function listDayFaults(kind: StoredKind | undefined, values: Values, today: PlainDate): Fault[] {
	const { opened = '', status: typed = '' } = values;
	const from = opened ? readDay(opened, today) : today;
	const status = readStatus(typed);
	const end = status === 'closed' ? listEndFaults(kind, values, today) : listNoEndFaults(values);
	return [
		...faultOf('opened', isDay(from) ? from > today && NOT_YET('Opened') : `Opened on: ${from}`),
		...faultOf('status', !status && `“${typed}” is no status: ${STATUSES.join(', ')}.`),
		...end
	];
}

/** What is closed was opened and closed on days, and ended in a way its kind has. */
function listEndFaults(
	kind: StoredKind | undefined,
	{ opened = '', closed = '', ending = '' }: Values,
	today: PlainDate
): Fault[] {
	const endings = kind?.endings ?? [];
	const known = endings.some((one) => one.toLowerCase() === ending.toLowerCase());
	return [
		...faultOf('opened', !opened && 'Opened on is missing: it is closed.'),
		...faultOf('closed', closed ? closedFault(opened, closed, today) : 'Closed on is missing.'),
		...faultOf(
			'ending',
			endings.length > 0 && !known && `How it ended is one of: ${endings.join(', ')}.`
		)
	];
}

function closedFault(opened: string, closed: string, today: PlainDate): string | false {
	const until = readDay(closed, today);
	if (!isDay(until)) return `Closed on: ${until}`;
	if (until > today) return NOT_YET('Closed');
	const from = opened ? readDay(opened, today) : until;
	return isDay(from) && until < from && 'It was closed before it was opened.';
}

const listNoEndFaults = ({ closed = '', ending = '' }: Values): Fault[] => [
	...faultOf('closed', closed && 'Closed on is given, and the status is another.'),
	...faultOf('ending', ending && 'How it ended is given, and it is not closed.')
];

const NOT_YET = (what: string): string => `${what} on: that day has not come yet.`;

function listFactFaults(kind: StoredKind | undefined, values: Values, today: PlainDate): Fault[] {
	if (!kind) return [];
	return Object.entries(values).flatMap(([key, typed]): Fault[] => {
		if (!key.startsWith('fact:') || !typed) return [];
		const fact = findFactNamed(kind, key);
		if (!fact) return faultOf(key, `${kind.name} has no fact “${key.slice('fact:'.length)}”.`);
		if (fact.type === 'person')
			return faultOf(key, foldName(typed) === '' && `${fact.name}: a name needs letters.`);
		const read = parseFact(fact, typed, '', today);
		return faultOf(key, 'error' in read && read.error);
	});
}

const listPartyFaults = ({ party, partyKind = '' }: Values): Fault[] => [
	...faultOf(
		'partyKind',
		partyKind &&
			personKind(partyKind, '') === null &&
			`“${partyKind}” is neither person nor organization.`
	),
	...faultOf(
		'party',
		party && foldName(party) === '' && 'The other side’s name needs letters or digits.'
	)
];

function listNumberFaults(
	db: Db,
	numbers: ReadonlySet<string>,
	{ number: typed = '' }: Values
): Fault[] {
	if (typed === '') return [];
	const number = readNumber(typed);
	const taken = maybeOne(db, 'SELECT 1 FROM matter WHERE number = @number', { number });
	return [
		...faultOf(
			'number',
			!NUMBER.test(number) && `“${typed}” is no number: letters, digits and hyphens, up to forty.`
		),
		...faultOf('number', taken !== undefined && `The number ${number} is taken.`),
		...faultOf('number', numbers.has(number) && 'Another row has this number.')
	];
}

/** A restricted matter of the same title is not told. */
const findTitled = (db: Db, title: string): string | undefined =>
	maybeOne<{ number: string }>(
		db,
		'SELECT number FROM matter WHERE title = @title AND restricted = 0',
		{ title }
	)?.number;
