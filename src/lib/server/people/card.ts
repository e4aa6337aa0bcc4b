/** A person's card as fields of text: what its form shows and sends back. */
import { foldName } from '#core/people/names.ts';
import { cardVisible } from '#server/access/visibility.ts';
import { actingStaff, type Application, type Context } from '#server/app/application.ts';
import { NotFound } from '#server/app/errors.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { findOwn, type OwnFields } from './own-fields.ts';
import { listFunctionFields, listUnitFields } from './ties.ts';
import type { PersonCategoryRow, PersonContactRow, PersonNameRow, PersonRow } from './rows.ts';

export const CONTACT_KINDS = ['mail', 'phone', 'address', 'web'] as const;
export const STANDINGS = ['active', 'inactive', 'do not contact'] as const;
/** Of a name, and of the words in one category. */
export const NAME_LIMIT = 200;
const CATEGORY_LIMIT = 60;
const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/;
export const isMailAddress = (text: string): boolean => MAIL.test(text);

export type CardContact = Pick<PersonContactRow, 'kind' | 'label' | 'value'>;
export type CardFields = {
	name: string;
	kind: PersonRow['kind'];
	status: PersonRow['status'];
	/** An id, or empty. */
	parent: string;
	/** One a line. */
	aliases: string;
	former: string;
	/** JSON of a list of CardContact. */
	contacts: string;
	/** Divided by commas, in the order of the alphabet. */
	categories: string;
	note: string;
	/** As it stands on letters and envelopes; empty where the name does. */
	printed: string;
	industry: string;
	/** JSON of a list of FunctionField. */
	functions: string;
	/** JSON of a list of UnitField. */
	units: string;
} & OwnFields;

/** What is wrong with an address, in words; null where nothing is. */
export function contactFault(kind: CardContact['kind'], value: string): string | null {
	if (kind === 'mail' && !isMailAddress(value)) return `${value} is not a mail address.`;
	if (kind === 'web' && !(/^https?:\/\//i.test(value) && URL.canParse(value)))
		return `${value} is not the address of a web page: it begins with https://.`;
	return null;
}

type Has = Pick<Application, 'db'>;

/** The card. @throws NotFound where the actor may not see it */
export function requirePerson(ctx: Context, personId: string): PersonRow {
	const me = 'staff' in ctx.actor ? actingStaff(ctx).id : '';
	const person = maybeOne<PersonRow>(
		ctx.db,
		`SELECT p.* FROM person p WHERE p.id = @personId AND ${cardVisible('p')}`,
		{ personId, me }
	);
	if (!person) throw new NotFound('person');
	return person;
}

/** The name of someone, also after their card went into another. */
export const findPersonName = ({ db }: Has, personId: string): string | undefined =>
	maybeOne<{ name: string }>(
		db,
		`SELECT name
		FROM person
		WHERE id = coalesce((SELECT merged_into FROM person WHERE id = @personId), @personId)`,
		{ personId }
	)?.name;

/** A visible card of exactly this name, but for case and accents. */
export const findSameName = (
	ctx: Context,
	name: string
): Pick<PersonRow, 'id' | 'name'> | undefined =>
	maybeOne(
		ctx.db,
		`SELECT p.id, p.name
		FROM person p
		WHERE p.folded = @folded AND ${cardVisible('p')}`,
		{ folded: foldName(name), me: 'staff' in ctx.actor ? ctx.actor.staff.id : '' }
	);

export function findCardFields({ db }: Has, id: string): CardFields | undefined {
	const person = maybeOne<PersonRow>(db, 'SELECT * FROM person WHERE id = @id', { id });
	if (!person) return undefined;
	const names = all<Pick<PersonNameRow, 'kind' | 'name'>>(
		db,
		'SELECT kind, name FROM person_name WHERE person_id = @id ORDER BY id',
		{ id }
	);
	const contacts = all<CardContact>(
		db,
		`SELECT kind, label, value
		FROM person_contact
		WHERE person_id = @id
		ORDER BY position, id`,
		{ id }
	);
	const categories = all<Pick<PersonCategoryRow, 'category'>>(
		db,
		'SELECT category FROM person_category WHERE person_id = @id ORDER BY category',
		{ id }
	);
	const namesOf = (kind: PersonNameRow['kind']) =>
		names.filter((other) => other.kind === kind).map(({ name }) => name);
	return {
		name: person.name,
		kind: person.kind,
		status: person.status,
		parent: person.parent_id ?? '',
		note: person.note,
		aliases: namesOf('alias').join('\n'),
		former: namesOf('former').join('\n'),
		contacts: JSON.stringify(contacts),
		categories: categories.map(({ category }) => category).join(', '),
		printed: person.printed,
		industry: person.industry,
		functions: JSON.stringify(listFunctionFields({ db }, id)),
		units: JSON.stringify(listUnitFields({ db }, id)),
		...findOwn({ db }, id)
	};
}

/** What stands on each line of a field, white space put in order. */
export const linesOf = (text: string): string[] =>
	text
		.split(/[\n;]/)
		.map((line) => line.trim().replace(/\s+/g, ' '))
		.filter(Boolean);

/** The categories that a field names: in small letters, each once. */
export const categoriesOf = (text: string): string[] => [
	...new Set(
		text
			.split(/[,;\n]/)
			.map((category) => category.trim().toLowerCase().slice(0, CATEGORY_LIMIT))
			.filter(Boolean)
	)
];

/** Whether a card is above another, through any number of parents. */
export function isAbove({ db }: Has, above: string, below: string): boolean {
	const seen = new Set<string>();
	for (let at: string | null = below; at !== null && !seen.has(at);) {
		if (at === above) return true;
		seen.add(at);
		at =
			maybeOne<Pick<PersonRow, 'parent_id'>>(db, 'SELECT parent_id FROM person WHERE id = @at', {
				at
			})?.parent_id ?? null;
	}
	return false;
}
