/** Writes the facts of a matter from fields of text, within the transaction of a command. */
import { z } from 'zod';
import { formatFact, parseFact, type Fact, type FactValue } from '#core/kinds/fact.ts';
import type { Kind } from '#core/kinds/kind.ts';
import { plural } from '#core/format/words.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { insert, remove } from '#server/db/sql.ts';
import { findPersonName, requirePerson } from '#server/people/card.ts';
import { insertPerson } from '#server/people/write-card.ts';
import { listFacts, type Fields, type StoredFact } from './facts.ts';
import type { MatterFactRow } from './rows.ts';

export type Change = { name: string; from: string; to: string };
type Group = Kind['groups'][number];

const ROWS_LIMIT = 200;

/**
 * Writes the facts that the fields give; fields that are not given stay. Returns what changed, in
 * words.
 */
export function writeFacts(ctx: Context, matterId: string, kind: Kind, fields: Fields): Change[] {
	const stored = listFacts(ctx, matterId);
	return Object.entries(fields).flatMap(([field, typed]) => {
		const [what, key = ''] = splitField(field);
		const target = { ctx, matterId, field, stored };
		if (what === 'fact')
			return writeFact(target, requireFact(kind, key, field), typed, fields[`more:${key}`] ?? '');
		if (what === 'group') return writeGroup(target, requireGroup(kind, key, field), typed);
		return [];
	});
}

const splitField = (field: string): [what: string, key?: string] => {
	const colon = field.indexOf(':');
	return [field.slice(0, colon), field.slice(colon + 1)];
};

type Target = {
	ctx: Context;
	matterId: string;
	/** The form's field, for what is refused. */
	field: string;
	stored: readonly StoredFact[];
};

function requireFact(kind: Kind, key: string, field: string): Fact {
	const fact = kind.facts.find((other) => other.key === key && !other.retired);
	if (!fact) throw new Refused(`This kind of matter has no fact ${key}.`, field);
	return fact;
}

function requireGroup(kind: Kind, key: string, field: string): Group {
	const group = kind.groups.find((other) => other.key === key);
	if (!group) throw new Refused(`This kind of matter has no group ${key}.`, field);
	return group;
}

function writeFact(target: Target, fact: Fact, typed: string, free: string): Change[] {
	const { ctx, matterId, stored } = target;
	const value = readValue(target, fact, typed, free);
	const old = stored.find((other) => other.fact === fact.key && other.row === 0);
	if ((old?.value ?? '') === (value?.value ?? '') && (old?.more ?? '') === (value?.more ?? ''))
		return [];
	const key = { matter_id: matterId, fact: fact.key, row: 0 };
	remove<MatterFactRow>(ctx.db, 'matter_fact', key);
	if (value) insert<MatterFactRow>(ctx.db, 'matter_fact', { ...key, ...value });
	const format = (kept: FactValue | null | undefined) =>
		kept ? formatFact(fact, kept, (id) => findPersonName(ctx, id)) : '';
	return [{ name: fact.name, from: format(old), to: format(value) }];
}

/** A group is written whole; facts of it that are no longer asked for stay as they are. */
function writeGroup(target: Target, group: Group, typed: string): Change[] {
	const { ctx, matterId, field } = target;
	const rows = parseRows(typed, field).filter((row) =>
		Object.values(row).some((text) => text.trim() !== '')
	);
	if (rows.length > ROWS_LIMIT) throw new Refused(`${group.name} has more than 200 rows.`, field);
	const asked = group.facts.filter((fact) => !fact.retired);
	const next = rows.flatMap((row, index) =>
		asked.flatMap((fact): StoredFact[] => {
			const value = readValue(target, fact, row[fact.key] ?? '', row[`${fact.key}+`] ?? '');
			return value ? [{ fact: `${group.key}.${fact.key}`, row: index, ...value }] : [];
		})
	);
	const keys = asked.map((fact) => `${group.key}.${fact.key}`);
	const old = target.stored.filter(({ fact }) => keys.includes(fact));
	if (sameFacts(old, next)) return [];
	for (const { fact, row } of old)
		remove<MatterFactRow>(ctx.db, 'matter_fact', { matter_id: matterId, fact, row });
	for (const fact of next)
		insert<MatterFactRow>(ctx.db, 'matter_fact', { matter_id: matterId, ...fact });
	const had = new Set(old.map(({ row }) => row)).size;
	return [{ name: group.name, from: String(had), to: plural(rows.length, 'row') }];
}

function sameFacts(a: readonly StoredFact[], b: readonly StoredFact[]): boolean {
	const lines = (facts: readonly StoredFact[]) =>
		facts
			.map(({ fact, row, value, more }) => JSON.stringify([fact, row, value, more]))
			.sort()
			.join('\n');
	return lines(a) === lines(b);
}

/** "new:Name" makes a card in place. */
function readValue(
	{ ctx, matterId, field }: Target,
	fact: Fact,
	typed: string,
	free: string
): FactValue | null {
	const isNew = fact.type === 'person' && typed.startsWith('new:');
	const text = isNew
		? insertPerson(ctx, {
				kind: 'organization',
				name: typed.slice(4).trim(),
				madeFor: matterId,
				field
			})
		: typed;
	const reading = parseFact(fact, text, free, ctx.clock.today());
	if ('error' in reading) throw new Refused(reading.error, field);
	if (reading.value && fact.type === 'person') refuseHidden(ctx, fact, reading.value, field);
	return reading.value;
}

function refuseHidden(ctx: Context, fact: Fact, { value }: FactValue, field: string): void {
	try {
		requirePerson(ctx, value);
	} catch (error) {
		if (error instanceof NotFound)
			throw new Refused(`${fact.name}: choose a person or organization.`, field);
		throw error;
	}
}

const rowsSchema = z.array(z.record(z.string(), z.string()));
/** The rows of a group as a form sends them. @throws Refused */
function parseRows(json: string, field = ''): Fields[] {
	try {
		return rowsSchema.parse(JSON.parse(json || '[]'));
	} catch {
		throw new Refused('The rows could not be read.', field);
	}
}
