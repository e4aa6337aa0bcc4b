/** The cards of a list as one vCard file, or as CSV that the import reads. */
import { harmlessCell } from '#core/format/words.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { makeCsv } from '#server/files/workbook.ts';
import { findCardFields, type CardContact } from './card.ts';
import { listPeople, type PeopleFilter, type PersonListing } from './list.ts';
import { formatVcard } from './vcard-write.ts';

/** More cards than a department has. */
const EXPORT_LIMIT = 100_000;

/** What the columns of the CSV are called, as the import knows them. */
const HEAD = [
	'Name',
	'Person or organization',
	'Mail',
	'Phone',
	'Address',
	'Former names',
	'Also known as',
	'Parent organization',
	'Categories',
	'Note'
];

const listAll = (app: Application, me: Staff, filter: PeopleFilter): PersonListing[] =>
	listPeople(app, me, { ...filter, page: 1 }, EXPORT_LIMIT).rows;

export const makePeopleVcards = (app: Application, me: Staff, filter: PeopleFilter): string =>
	listAll(app, me, filter)
		.map(({ id }) => formatVcard(app, id) ?? '')
		.join('');

export const makePeopleCsv = (app: Application, me: Staff, filter: PeopleFilter): string =>
	makeCsv([HEAD, ...listAll(app, me, filter).map((row) => cellsOf(app, row).map(harmlessCell))]);

function cellsOf(app: Application, { id, parent }: PersonListing): string[] {
	const card = findCardFields(app, id);
	if (!card) return [];
	const contacts = JSON.parse(card.contacts) as CardContact[];
	const first = (kind: CardContact['kind']) =>
		contacts.find((contact) => contact.kind === kind)?.value ?? '';
	return [
		card.name,
		card.kind,
		first('mail'),
		first('phone'),
		first('address').replaceAll('\n', ', '),
		card.former.replaceAll('\n', '; '),
		card.aliases.replaceAll('\n', '; '),
		parent,
		card.categories,
		card.note
	];
}
