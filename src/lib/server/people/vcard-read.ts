/** Reads files of one or many vCards (RFC 6350 and 2426), by ical.js. Runs in a worker. */
import ICAL from 'ical.js';
import { foldName } from '#core/people/names.ts';
import { Refused } from '#server/app/errors.ts';
import { categoriesOf, contactFault, NAME_LIMIT, type CardContact } from './card.ts';
import { VCARD_TYPES } from './vcard-write.ts';

export type ReadCard = {
	name: string;
	kind: 'person' | 'organization';
	/** The organization a person belongs to; empty where none is named. */
	organization: string;
	aliases: string[];
	former: string[];
	contacts: CardContact[];
	categories: string[];
	note: string;
};

export const CARD_LIMIT = 5000;
const VALUE_LIMIT = 500;
const NOTE_LIMIT = 4000;
type Card = InstanceType<typeof ICAL.Component>;
type Property = InstanceType<typeof ICAL.Property>;

const refuse = (message: string) => new Refused(`${message} Nothing was taken in.`, 'file');

/**
 * All cards of a file. @throws Refused where one of them cannot be taken in, with its place in the
 * file
 */
export function parseVcards(text: string): ReadCard[] {
	const blocks = text
		.replace(/\r?\n/g, '\r\n')
		.split(/(?=BEGIN:VCARD)/i)
		.filter((block) => /^BEGIN:VCARD/i.test(block));
	if (blocks.length === 0) throw refuse('This is not a vCard file: it has no BEGIN:VCARD.');
	if (blocks.length > CARD_LIMIT)
		throw refuse(`The file has ${blocks.length} cards; at most 5,000 at once.`);
	return blocks.map((block, index) => readCard(block, index + 1));
}

function readCard(block: string, place: number): ReadCard {
	const card = parseBlock(block, place);
	const organization = organizationOf(card);
	const name = nameOf(card) || organization;
	if (foldName(name) === '') throw refuse(`Card ${place} has no name.`);
	const kind = isOrganization(card, name, organization) ? 'organization' : 'person';
	const nicknames = valuesOf(card, 'nickname');
	const isFormer = (nickname: string) => /^formerly /i.test(nickname);
	const contacts = contactsOf(card);
	for (const contact of contacts) {
		const fault = contactFault(contact.kind, contact.value);
		if (fault) throw refuse(`Card ${place}, ${name}: ${fault}`);
	}
	return {
		name: name.slice(0, NAME_LIMIT),
		kind,
		organization: kind === 'person' ? organization.slice(0, NAME_LIMIT) : '',
		aliases: shortened(nicknames.filter((nickname) => !isFormer(nickname))),
		former: shortened(nicknames.filter(isFormer).map((nickname) => nickname.slice(9))),
		contacts,
		categories: categoriesOf(valuesOf(card, 'categories').join(',')),
		note: valuesOf(card, 'note').join('\n').slice(0, NOTE_LIMIT)
	};
}

const shortened = (names: readonly string[]): string[] =>
	names.map((name) => name.slice(0, NAME_LIMIT)).filter((name) => foldName(name) !== '');

function parseBlock(block: string, place: number): Card {
	try {
		return new ICAL.Component(ICAL.parse(block.trim()) as never);
	} catch {
		throw refuse(`Card ${place} cannot be read as a vCard.`);
	}
}

/** A value as text, whatever its reader made of it. */
const asText = (value: unknown): string =>
	(Array.isArray(value) ? value.flat().filter(Boolean).join(' ') : String(value ?? '')).trim();
const firstOf = (card: Card, name: string): unknown => card.getFirstPropertyValue(name);
const valuesOf = (card: Card, name: string): string[] =>
	card
		.getAllProperties(name)
		.flatMap((property: Property) => property.getValues().map(asText))
		.filter(Boolean);

function organizationOf(card: Card): string {
	const value = firstOf(card, 'org');
	return String((Array.isArray(value) ? value[0] : value) ?? '');
}

function nameOf(card: Card): string {
	const full = asText(firstOf(card, 'fn'));
	if (full) return full;
	const parts = firstOf(card, 'n');
	if (!Array.isArray(parts)) return asText(parts).split(';').reverse().join(' ');
	const [family, given] = parts as unknown[];
	return [given, family].filter(Boolean).map(String).join(' ');
}

const isOrganization = (card: Card, name: string, organization: string): boolean =>
	/^org/i.test(asText(firstOf(card, 'kind'))) ||
	(!card.getFirstProperty('n') && organization !== '' && foldName(organization) === foldName(name));

const PROPERTIES = [
	['email', 'mail'],
	['tel', 'phone'],
	['url', 'web'],
	['adr', 'address']
] as const;

const contactsOf = (card: Card): CardContact[] =>
	PROPERTIES.flatMap(([property, kind]) =>
		card
			.getAllProperties(property)
			.map((found: Property) => ({ kind, label: labelOf(found), value: valueOf(found, kind) }))
			.filter(({ value }) => value !== '')
	);

function labelOf(property: Property): string {
	const types = [property.getParameter('type')].flat().map((type) => String(type).toLowerCase());
	return types.find((type) => VCARD_TYPES.has(type)) ?? '';
}

function valueOf(property: Property, kind: CardContact['kind']): string {
	const value = property.getFirstValue() as unknown;
	const text = kind === 'address' ? addressText(value) : asText(value);
	const plain = text.replace(/^(mailto|tel):/i, '');
	const web = kind === 'web' && plain && !/^https?:/i.test(plain) ? `https://${plain}` : plain;
	return web.slice(0, VALUE_LIMIT);
}

const addressText = (value: unknown): string =>
	(Array.isArray(value) ? (value.flat() as unknown[]) : String(value ?? '').split(';'))
		.filter(Boolean)
		.map(String)
		.join('\n');
