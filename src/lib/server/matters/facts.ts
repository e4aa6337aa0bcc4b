/** The facts of a matter: as they are stored, as people read them, and as fields of text. */
import { formatFact, typedFact, type Fact, type FactType } from '#core/kinds/fact.ts';
import { findFact, type Kind } from '#core/kinds/kind.ts';
import { uncapitalize } from '#core/format/words.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { findPersonName } from '#server/people/card.ts';
import type { MatterFactRow } from './rows.ts';

type Has = Pick<Application, 'db'>;
export type Fields = Record<string, string>;
export type StoredFact = Omit<MatterFactRow, 'matter_id'>;

export const listFacts = ({ db }: Has, matterId: string): StoredFact[] =>
	all(
		db,
		`SELECT fact, row, value, more
		FROM matter_fact
		WHERE matter_id = @matterId
		ORDER BY fact, row`,
		{ matterId }
	);

export type FactView = {
	key: string;
	name: string;
	/** As people write it; empty where there is none. */
	text: string;
	type: FactType;
	/** As it is kept. */
	value: string;
	wanted: boolean;
	retired: boolean;
};
export type GroupView = {
	key: string;
	name: string;
	heads: { key: string; name: string; type: FactType }[];
	rows: string[][];
};

/**
 * The facts of a matter in the order of its kind; those no longer asked for come last where they
 * have a value, and so do those of a kind the matter had before.
 */
export function viewFacts(
	app: Has,
	kind: Kind,
	stored: readonly StoredFact[]
): { facts: FactView[]; groups: GroupView[] } {
	const format = (fact: Fact, value: StoredFact | undefined) =>
		value ? formatFact(fact, value, (id) => findPersonName(app, id)) : '';
	const own = kind.facts.map((fact): FactView => {
		const value = stored.find((other) => other.fact === fact.key);
		return {
			key: fact.key,
			name: fact.name,
			text: format(fact, value),
			type: fact.type,
			value: value?.value ?? '',
			wanted: fact.wanted === true && !fact.retired,
			retired: fact.retired === true
		};
	});
	const facts = [
		...own.filter(({ retired, text }) => !retired || text !== ''),
		...viewStrays(kind, stored)
	];
	const groups = kind.groups
		.map((group) => viewGroup(group, stored, format))
		.filter(({ heads }) => heads.length);
	return {
		facts: [...facts.filter((fact) => !fact.retired), ...facts.filter((fact) => fact.retired)],
		groups
	};
}

/** Facts of a kind the matter had before. */
const viewStrays = (kind: Kind, stored: readonly StoredFact[]): FactView[] =>
	stored
		.filter(({ fact }) => !findFact(kind, fact) && !fact.includes('.'))
		.map(({ fact, value, more }) => ({
			key: fact,
			name: fact.replaceAll('-', ' '),
			text: [value, more].filter(Boolean).join(', '),
			type: 'text',
			value,
			wanted: false,
			retired: true
		}));

type Group = Kind['groups'][number];
const ofGroup = (group: Group, stored: readonly StoredFact[]): StoredFact[] =>
	stored.filter(({ fact }) => fact.startsWith(`${group.key}.`));
const countRows = (stored: readonly StoredFact[]): number =>
	Math.max(-1, ...stored.map(({ row }) => row)) + 1;
const findIn = (
	stored: readonly StoredFact[],
	row: number,
	group: Group,
	fact: Fact
): StoredFact | undefined =>
	stored.find((other) => other.row === row && other.fact === `${group.key}.${fact.key}`);

function viewGroup(
	group: Group,
	stored: readonly StoredFact[],
	format: (fact: Fact, value: StoredFact | undefined) => string
): GroupView {
	const values = ofGroup(group, stored);
	const heads = group.facts.filter(
		(fact) => !fact.retired || values.some((other) => other.fact === `${group.key}.${fact.key}`)
	);
	return {
		key: group.key,
		name: group.name,
		heads: heads.map(({ key, name, type }) => ({ key, name, type })),
		rows: Array.from({ length: countRows(values) }, (_, row) =>
			heads.map((fact) => format(fact, findIn(values, row, group, fact)))
		)
	};
}

/**
 * The names of the people that facts name, by the field they stand in: "fact:employee",
 * "group:injuries:0:injured".
 */
export function listPersonNames(app: Has, stored: readonly StoredFact[]): Record<string, string> {
	const names: Record<string, string> = {};
	for (const { fact, row, value } of stored) {
		if (!value.startsWith('per_')) continue;
		const [group, key] = fact.split('.');
		const field = key === undefined ? `fact:${fact}` : `group:${group}:${row}:${key}`;
		names[field] = findPersonName(app, value) ?? '';
	}
	return names;
}

/**
 * The facts as fields: "fact:court", "more:nature", and each group whole as JSON rows,
 * "group:policies".
 */
export function factFields(kind: Kind, stored: readonly StoredFact[]): Fields {
	const fields: Fields = {};
	for (const fact of kind.facts) {
		if (fact.retired) continue;
		const value = stored.find((other) => other.fact === fact.key && other.row === 0);
		fields[`fact:${fact.key}`] = value ? typedFact(fact, value) : '';
		if (fact.type === 'coded') fields[`more:${fact.key}`] = value?.more ?? '';
	}
	for (const group of kind.groups) {
		const values = ofGroup(group, stored);
		const rows = Array.from({ length: countRows(values) }, (_, row) =>
			rowFields(group, values, row)
		);
		fields[`group:${group.key}`] = JSON.stringify(rows);
	}
	return fields;
}

/** A row of a group as fields; "key+" is the free text beside a code. */
function rowFields(group: Group, values: readonly StoredFact[], row: number): Fields {
	const fields: Fields = {};
	for (const fact of group.facts) {
		const value = findIn(values, row, group, fact);
		if (!value) continue;
		fields[fact.key] = typedFact(fact, value);
		if (value.more) fields[`${fact.key}+`] = value.more;
	}
	return fields;
}

/** What a matter of this kind should still have. */
export const listMissingFacts = (
	kind: Kind,
	facts: readonly FactView[],
	roles: readonly string[]
): string[] => [
	...facts
		.filter(({ wanted, text }) => wanted && text === '')
		.map(({ name }) => uncapitalize(name)),
	...kind.roles
		.filter(({ wanted, role }) => wanted && !roles.includes(role))
		.map(({ role }) => role)
];
