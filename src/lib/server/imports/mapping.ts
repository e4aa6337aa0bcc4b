/** Which column of a file goes to which field, and the values of a row by field. */
import { listKinds } from '#server/kinds/queries.ts';
import type { Db } from '#server/db/open.ts';
import { FIELDS, type Field, type What } from './fields.ts';

/** The fields of what is imported; of matters also every fact that a kind asks for, by its name. */
export function listFields(db: Db, what: What): readonly Field[] {
	if (what !== 'matters') return FIELDS[what];
	const known = new Map(FIELDS.matters.map((field) => [field.key, field]));
	for (const kind of listKinds({ db }))
		for (const { name, retired } of kind.active ? kind.facts : []) {
			const key = factKey(name);
			if (!retired && !known.has(key)) known.set(key, { key, name, also: [], sample: [] });
		}
	return [...known.values()];
}

/** A fact is known by its name: kinds may keep it under keys of their own. */
export const factKey = (name: string): string => `fact:${name.toLowerCase()}`;

/** By field, the column that goes to it. */
export type Mapping = Record<string, string>;

/** Which column goes to which field: as remembered, else by the names of the columns. */
export function guessMapping(
	fields: readonly Field[],
	head: readonly string[],
	remembered: Mapping | null
): Mapping {
	const mapping: Mapping = {};
	for (const field of fields) {
		const kept = remembered?.[field.key];
		const column = kept === undefined ? findColumn(field, head) : kept;
		const taken = kept === undefined && Object.values(mapping).includes(column);
		if (column && head.includes(column) && !taken) mapping[field.key] = column;
	}
	return mapping;
}

function findColumn({ key, name, also }: Field, head: readonly string[]): string {
	const names = [name, key, ...also].map((other) => other.toLowerCase());
	return head.find((column) => names.includes(column.toLowerCase())) ?? '';
}

/** A mapping as a form sends it: only fields and columns that there are. */
export const cleanMapping = (
	fields: readonly Field[],
	head: readonly string[],
	mapping: Mapping
): Mapping =>
	Object.fromEntries(
		Object.entries(mapping).filter(
			([key, column]) => fields.some((field) => field.key === key) && head.includes(column)
		)
	);

/** A row by field. */
export type Values = Record<string, string>;

/** The values of a row of cells; a field without a column is empty. */
export const readValues = (
	fields: readonly Field[],
	head: readonly string[],
	mapping: Mapping,
	cells: readonly string[]
): Values =>
	Object.fromEntries(
		fields.map(({ key }) => {
			const column = mapping[key];
			const at = column === undefined ? -1 : head.indexOf(column);
			return [key, cells[at] ?? ''];
		})
	);
