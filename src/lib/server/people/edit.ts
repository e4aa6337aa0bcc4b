/**
 * Changes a card. Two people's changes are put together; where both changed the same field, nothing
 * is saved and the second is shown both.
 */
import { z } from 'zod';
import { foldName } from '#core/people/names.ts';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { base, id, maybeId, maybeText, text } from '#server/app/fields.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { remove, update } from '#server/db/sql.ts';
import { findUnit } from '#server/units/queries.ts';
import {
	categoriesOf,
	CONTACT_KINDS,
	findCardFields,
	findPersonName,
	isAbove,
	linesOf,
	NAME_LIMIT,
	requirePerson,
	STANDINGS,
	type CardContact,
	type CardFields
} from './card.ts';
import { listOwnFields, normalizeOwn, writeOwn } from './own-fields.ts';
import type { PersonCategoryRow, PersonContactRow, PersonNameRow, PersonRow } from './rows.ts';
import { listFunctionFields, writeTies, type FunctionField, type UnitField } from './ties.ts';
import { insertCategories, insertContacts, insertName } from './write-card.ts';

const contactSchema = z.object({
	kind: z.enum(CONTACT_KINDS, { error: 'An address is of no known kind.' }),
	label: maybeText('The label of an address', 40),
	value: maybeText('An address', 500)
});
const functionSchema = z.object({
	function: maybeText('What they do for it', 60),
	contact: maybeText('Who does it', 60)
});
const unitSchema = z.object({
	unit: maybeText('The business unit', 60),
	relation: maybeText('What it is for the unit', 60),
	reference: maybeText('The reference number', 80)
});
const own = z.record(z.string(), z.string()).default({});

const cardInput = z.object({
	personId: id('a person'),
	base,
	name: text('The name', NAME_LIMIT),
	kind: z.enum(['person', 'organization']),
	status: z.enum(STANDINGS, { error: 'Choose how they stand.' }),
	parent: maybeId,
	aliases: maybeText('Other names', 4000),
	former: maybeText('Former names', 4000),
	contacts: z.array(contactSchema).max(60, 'At most 60 addresses.'),
	categories: maybeText('Categories', 1000),
	note: maybeText('The note', 4000),
	printed: maybeText('The name as printed', 400),
	industry: maybeText('The industry', 80),
	functions: z.array(functionSchema).max(40, 'At most 40 functions.').default([]),
	units: z.array(unitSchema).max(40, 'At most 40 business units.').default([]),
	/** The department's own fields, by `fact:KEY` and `more:KEY`. */
	own
});
type CardInput = z.output<typeof cardInput>;

export const editPerson = command({
	name: 'edit person',
	action: 'person.edit',
	input: cardInput,
	run({ ctx, input, record }) {
		const person = requirePerson(ctx, input.personId);
		const before = findCardFields(ctx, person.id);
		if (!before) throw new Error('a card without fields');
		const card = cardTogether(ctx, person, before, input);
		refuseBadParent(ctx, person, card);
		writeCard(ctx, person, card);
		const after = findCardFields(ctx, person.id) ?? card;
		record.audit({ person: person.id, ...changesOf(before, after) });
	}
});

/** What changed, each as it was and is. */
function changesOf(before: CardFields, after: CardFields) {
	const fields = [...new Set([...Object.keys(before), ...Object.keys(after)])] as Field[];
	const changed = fields.filter((field) => before[field] !== after[field]);
	return { changed: Object.fromEntries(changed.map((key) => [key, [before[key], after[key]]])) };
}
type Field = keyof CardFields;

const FIELD_NAMES = {
	name: 'Name',
	kind: 'Kind',
	status: 'Standing',
	parent: 'Parent organization',
	aliases: 'Also known as',
	former: 'Former names',
	contacts: 'Addresses',
	categories: 'Categories',
	note: 'Note',
	printed: 'Name as printed',
	industry: 'Industry',
	functions: 'Who does what for it',
	units: 'For business units'
} as const;

const listOf = <Row>(rows: readonly Row[], isFilled: (row: Row) => unknown): string =>
	JSON.stringify(rows.filter(isFilled));

const typedCard = (ctx: Context, input: CardInput): CardFields => ({
	name: input.name,
	kind: input.kind,
	status: input.status,
	parent: input.parent ?? '',
	aliases: linesOf(input.aliases).join('\n'),
	former: linesOf(input.former).join('\n'),
	contacts: listOf(input.contacts, ({ value }) => value),
	categories: categoriesOf(input.categories).sort().join(', '),
	note: input.note,
	printed: input.printed,
	industry: input.industry,
	functions: listOf(readFunctions(input), ({ contact }) => contact),
	units: listOf(readUnits(input), ({ unit }) => unit),
	...normalizeOwn(ctx, input.own)
});

/** A row with one half typed is a slip, and not let pass in silence. */
function readFunctions({ functions }: CardInput): FunctionField[] {
	for (const { function: does, contact } of functions)
		if ((does === '') !== (contact === ''))
			throw new Refused('Say both: what is done, and by whom.', 'functions');
	return functions;
}
function readUnits({ units }: CardInput): UnitField[] {
	for (const { unit, relation, reference } of units) {
		if (unit === '' && relation === '' && reference === '') continue;
		if (unit === '' || relation === '')
			throw new Refused('Say both: the business unit, and what this is for it.', 'units');
	}
	return units;
}

/** @throws Conflict where both changed the same field */
function cardTogether(
	ctx: Context,
	person: PersonRow,
	now: CardFields,
	input: CardInput
): CardFields {
	const labels: Record<string, string> = { ...FIELD_NAMES };
	for (const { key, name, type, retired } of listOwnFields(ctx)) {
		if (retired || !(`fact:${key}` in input.own)) continue;
		labels[`fact:${key}`] = name;
		if (type === 'coded') labels[`more:${key}`] = `${name} in words`;
	}
	return requireTogether(
		ctx,
		{ matterId: null, id: person.id },
		{
			labels,
			now: now as Record<string, string>,
			base: input.base,
			yours: typedCard(ctx, input) as Record<string, string>,
			format: (field, value) => formatField(ctx, field, value)
		}
	) as CardFields;
}

/** What stands in a field, in words. */
function formatField(ctx: Context, field: string, value: string): string {
	if (value === '') return '';
	const nameOf = (personId: string) => findPersonName(ctx, personId) ?? '';
	if (field === 'parent' || value.startsWith('per_')) return nameOf(value);
	if (field === 'contacts')
		return (JSON.parse(value) as CardContact[])
			.map(({ label, value: address }) => [label, address].filter(Boolean).join(': '))
			.join('\n');
	if (field === 'functions')
		return (JSON.parse(value) as FunctionField[])
			.map(({ function: does, contact }) => `${does}: ${nameOf(contact)}`)
			.join('\n');
	if (field === 'units')
		return (JSON.parse(value) as UnitField[])
			.map((row) => `${findUnit(ctx, row.unit)?.name ?? ''}: ${row.relation} ${row.reference}`)
			.join('\n');
	return value;
}

function refuseBadParent(ctx: Context, person: PersonRow, { parent }: CardFields): void {
	if (parent === '') return;
	if (parent === person.id) throw new Refused('Nobody is their own parent organization.', 'parent');
	if (requirePerson(ctx, parent).kind !== 'organization')
		throw new Refused('A parent is an organization.', 'parent');
	if (isAbove(ctx, person.id, parent))
		throw new Refused(
			'That would close a circle: the parent already belongs, through its own parents, to this one.',
			'parent'
		);
}

/** The parts first: the card itself is what the index is told by. */
function writeCard(ctx: Context, person: PersonRow, card: CardFields): void {
	const { id: personId } = person;
	const folded = foldName(card.name);
	if (folded === '') throw new Refused('A name needs letters or digits.', 'name');
	writeNames(ctx, person, card);
	remove<PersonContactRow>(ctx.db, 'person_contact', { person_id: personId });
	insertContacts(ctx, personId, JSON.parse(card.contacts) as CardContact[]);
	remove<PersonCategoryRow>(ctx.db, 'person_category', { person_id: personId });
	insertCategories(ctx, personId, categoriesOf(card.categories));
	const functions = JSON.parse(card.functions) as FunctionField[];
	// Who stood there before may be on a card that one does not see.
	const known = new Set(listFunctionFields(ctx, personId).map(({ contact }) => contact));
	for (const { contact } of functions) if (!known.has(contact)) requirePerson(ctx, contact);
	writeTies(ctx, personId, { functions, units: JSON.parse(card.units) as UnitField[] });
	writeOwn(ctx, personId, card);
	const { name, kind, status, note, printed, industry } = card;
	update<PersonRow>(
		ctx.db,
		'person',
		{ id: personId },
		{
			...{ name, folded, kind, status, note, printed, industry },
			parent_id: card.parent || null,
			version: person.version + 1
		}
	);
}

function writeNames(ctx: Context, person: PersonRow, card: CardFields): void {
	remove<PersonNameRow>(ctx.db, 'person_name', { person_id: person.id });
	for (const [kind, names] of [
		['former', formerNames(person, card)],
		['alias', linesOf(card.aliases)]
	] as const)
		for (const name of names)
			if (foldName(name) !== foldName(card.name)) insertName(ctx, person.id, kind, name);
}

/** The name someone had until now is kept as a former name by itself. */
function formerNames(person: PersonRow, card: CardFields): string[] {
	const former = linesOf(card.former);
	const known = [card.name, ...former, ...linesOf(card.aliases)].map(foldName);
	return known.includes(person.folded) ? former : [...former, person.name];
}
