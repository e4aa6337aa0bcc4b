/** Cards of people and organizations. */
import { z } from 'zod';
import { foldName } from '#core/people/names.ts';
import { lastChangeBy } from '#server/access/audit.ts';
import type { Context } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { Conflict, Refused, type Difference } from '#server/app/errors.ts';
import { flag, id, maybeId, maybeText, text, version } from '#server/app/fields.ts';
import { remove, update } from '#server/db/sql.ts';
import {
	categoriesOf,
	CONTACT_KINDS,
	findCardFields,
	isAbove,
	isMailAddress,
	linesOf,
	NAME_LIMIT,
	requirePerson,
	STANDINGS,
	type CardContact,
	type CardFields
} from './card.ts';
import type { PersonCategoryRow, PersonContactRow, PersonNameRow, PersonRow } from './rows.ts';
import { nearNamesTask } from './tasks.ts';
import { insertCategories, insertContacts, insertName, insertPerson } from './write-card.ts';

/** From this strength on, a near name is shown before a card is made. */
const SHOWN_BEFORE = 78;

/** Makes a card. Near names are shown once before: they may be the same. */
export const addPerson = preparedCommand({
	name: 'add person',
	action: 'person.edit',
	input: z.object({
		kind: z.enum(['person', 'organization']),
		name: text('The name', NAME_LIMIT),
		email: maybeText('The mail address', 200).refine(
			(value) => value === '' || isMailAddress(value),
			'This is not a mail address.'
		),
		phone: maybeText('The phone', 60),
		note: maybeText('The note', 2000),
		former: maybeText('Former names', 500),
		sure: flag
	}),
	async prepare({ ctx, input, me }) {
		if (input.sure) return;
		const near = await ctx.work.run(nearNamesTask, {
			me: me.id,
			name: input.name,
			least: SHOWN_BEFORE
		});
		if (near.length) throw new Refused('There are cards near to this name.', 'near', {}, { near });
	},
	run({ ctx, input, record }) {
		const { sure, former, ...card } = input;
		const personId = insertPerson(ctx, { ...card, formerNames: former, twin: sure });
		record.audit({ person: personId, name: input.name });
		return { personId };
	}
});

const contactSchema = z.object({
	kind: z.enum(CONTACT_KINDS, { error: 'An address is of no known kind.' }),
	label: maybeText('The label of an address', 40),
	value: maybeText('An address', 500)
});

const cardInput = z.object({
	personId: id('a person'),
	version,
	/** The card as the form showed it. */
	base: z.record(z.string(), z.string()).default({}),
	name: text('The name', NAME_LIMIT),
	kind: z.enum(['person', 'organization']),
	status: z.enum(STANDINGS, { error: 'Choose how they stand.' }),
	parent: maybeId,
	aliases: maybeText('Other names', 4000),
	former: maybeText('Former names', 4000),
	contacts: z.array(contactSchema).max(60, 'At most 60 addresses.'),
	categories: maybeText('Categories', 1000),
	note: maybeText('The note', 4000)
});

/**
 * Changes a card. Where someone else changed the same field since the form showed it, nothing is
 * saved.
 */
export const editPerson = command({
	name: 'edit person',
	action: 'person.edit',
	input: cardInput,
	run({ ctx, input, record }) {
		const person = requirePerson(ctx, input.personId);
		const before = findCardFields(ctx, person.id);
		if (!before) throw new Error('a card without fields');
		const card =
			person.version === input.version ? fieldsOf(input) : mergeFields(ctx, person, before, input);
		refuseBadParent(ctx, person, card);
		writeCard(ctx, person, card);
		record.audit({ person: person.id, before, after: findCardFields(ctx, person.id) });
	}
});

const fieldsOf = (input: z.output<typeof cardInput>): CardFields => ({
	name: input.name,
	kind: input.kind,
	status: input.status,
	parent: input.parent ?? '',
	aliases: linesOf(input.aliases).join('\n'),
	former: linesOf(input.former).join('\n'),
	contacts: JSON.stringify(input.contacts.filter(({ value }) => value !== '')),
	categories: categoriesOf(input.categories).sort().join(', '),
	note: input.note
});

const FIELD_NAMES: Record<keyof CardFields, string> = {
	name: 'Name',
	kind: 'Kind',
	status: 'Standing',
	parent: 'Parent organization',
	aliases: 'Also known as',
	former: 'Former names',
	contacts: 'Addresses',
	categories: 'Categories',
	note: 'Note'
};

/** Puts two people's changes together. @throws Conflict where both changed the same field */
function mergeFields(
	ctx: Context,
	person: PersonRow,
	now: CardFields,
	input: z.output<typeof cardInput>
): CardFields {
	const yours = fieldsOf(input);
	const differences: Difference[] = [];
	const merged: Record<string, string> = { ...yours };
	for (const field of Object.keys(FIELD_NAMES) as (keyof CardFields)[]) {
		const base = input.base[field];
		if (now[field] === base || now[field] === yours[field]) continue;
		if (yours[field] === base) merged[field] = now[field];
		else
			differences.push({
				field,
				name: FIELD_NAMES[field],
				theirs: now[field],
				yours: yours[field]
			});
	}
	if (differences.length)
		throw new Conflict(lastChangeBy(ctx.db, null, person.id), person.version, differences);
	return { ...yours, ...merged };
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

function writeCard(ctx: Context, person: PersonRow, card: CardFields): void {
	const { id } = person;
	const folded = foldName(card.name);
	if (folded === '') throw new Refused('A name needs letters or digits.', 'name');
	update<PersonRow>(
		ctx.db,
		'person',
		{ id },
		{
			name: card.name,
			folded,
			kind: card.kind,
			status: card.status,
			parent_id: card.parent || null,
			note: card.note,
			version: person.version + 1
		}
	);
	remove<PersonNameRow>(ctx.db, 'person_name', { person_id: id });
	for (const [kind, names] of [
		['former', formerNames(person, card)],
		['alias', linesOf(card.aliases)]
	] as const)
		for (const name of names) if (foldName(name) !== folded) insertName(ctx, id, kind, name);
	remove<PersonContactRow>(ctx.db, 'person_contact', { person_id: id });
	insertContacts(ctx, id, JSON.parse(card.contacts) as CardContact[]);
	remove<PersonCategoryRow>(ctx.db, 'person_category', { person_id: id });
	insertCategories(ctx, id, categoriesOf(card.categories));
}

/** The name someone had until now is kept as a former name by itself. */
function formerNames(person: PersonRow, card: CardFields): string[] {
	const former = linesOf(card.former);
	const known = [card.name, ...former, ...linesOf(card.aliases)].map(foldName);
	return known.includes(person.folded) ? former : [...former, person.name];
}
