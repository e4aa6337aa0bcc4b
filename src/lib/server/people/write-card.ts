/** The parts of which a card is written, within the transaction of a command. */
import { foldName } from '#core/people/names.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { insert, insertOrIgnore } from '#server/db/sql.ts';
import { contactFault, findSameName, linesOf, NAME_LIMIT, type CardContact } from './card.ts';
import type { PersonCategoryRow, PersonContactRow, PersonNameRow, PersonRow } from './rows.ts';

export type NewCard = {
	kind: PersonRow['kind'];
	name: string;
	email?: string;
	phone?: string;
	note?: string;
	formerNames?: string;
	/** The restricted matter it is made in place for. */
	madeFor?: string | null;
	/** The form's field that has the name. */
	field?: string;
	/** There is another of the same name, and that is known. */
	twin?: boolean;
};

/**
 * Makes a card; its id. @throws Refused where the actor sees a card of that very name, so that it
 * is used instead
 */
export function insertPerson(ctx: Context, card: NewCard): string {
	const folded = foldName(card.name);
	if (folded === '') throw new Refused('A name needs letters or digits.', card.field ?? 'name');
	const same = card.twin ? undefined : findSameName(ctx, card.name);
	if (same)
		throw new Refused(
			`There is a card for ${same.name} already. Choose it, or tell the two apart in the name.`,
			card.field ?? 'name'
		);
	const id = newId('per');
	insert<PersonRow>(ctx.db, 'person', {
		id,
		kind: card.kind,
		name: card.name,
		folded,
		note: card.note ?? '',
		made_for: card.madeFor ?? null,
		created_at: ctx.clock.now()
	});
	for (const name of linesOf(card.formerNames ?? '')) insertName(ctx, id, 'former', name);
	insertContacts(ctx, id, [
		{ kind: 'mail', label: '', value: card.email ?? '' },
		{ kind: 'phone', label: '', value: card.phone ?? '' }
	]);
	return id;
}

export function insertName(
	ctx: Context,
	personId: string,
	kind: PersonNameRow['kind'],
	name: string
): void {
	if (name.length > NAME_LIMIT) throw new Refused('A name is longer than 200 characters.', 'names');
	if (foldName(name) === '') throw new Refused('A name needs letters or digits.', 'names');
	insertOrIgnore<PersonNameRow>(ctx.db, 'person_name', {
		id: newId('nam'),
		person_id: personId,
		kind,
		name,
		folded: foldName(name)
	});
}

/** Adds ways to reach someone, in their order; empty ones are passed over. */
export function insertContacts(
	ctx: Context,
	personId: string,
	contacts: readonly CardContact[],
	from = 0
): void {
	for (const [index, contact] of contacts.entries()) {
		const value = contact.value.trim();
		if (value === '') continue;
		const fault = contactFault(contact.kind, value);
		if (fault) throw new Refused(fault, 'contacts');
		insert<PersonContactRow>(ctx.db, 'person_contact', {
			id: newId('con'),
			person_id: personId,
			kind: contact.kind,
			label: contact.label.trim(),
			value,
			position: from + index
		});
	}
}

export function insertCategories(
	ctx: Context,
	personId: string,
	categories: readonly string[]
): void {
	for (const category of categories)
		insertOrIgnore<PersonCategoryRow>(ctx.db, 'person_category', {
			person_id: personId,
			category
		});
}
