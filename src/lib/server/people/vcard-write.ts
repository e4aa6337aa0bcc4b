/** Cards as vCard 4.0 (RFC 6350), by ical.js. */
import ICAL from 'ical.js';
import type { Application } from '#server/app/application.ts';
import { findCardFields, linesOf, type CardContact, type CardFields } from './card.ts';

/** The labels that vCard knows as types of an address. */
export const VCARD_TYPES: ReadonlySet<string> = new Set(['work', 'home', 'cell', 'fax']);

/** One card; undefined where there is none. The caller has asked whether it may be seen. */
export function formatVcard(app: Pick<Application, 'db'>, personId: string): string | undefined {
	const fields = findCardFields(app, personId);
	if (!fields) return undefined;
	const parent = fields.parent ? findCardFields(app, fields.parent)?.name : undefined;
	const card = new ICAL.Component('vcard');
	card.addPropertyWithValue('version', '4.0');
	card.addPropertyWithValue('kind', fields.kind === 'organization' ? 'org' : 'individual');
	addProperty(card, 'uid', `urn:kite-pen:${personId}`);
	addProperty(card, 'fn', fields.name);
	addNames(card, fields, parent);
	for (const alias of linesOf(fields.aliases)) addProperty(card, 'nickname', alias);
	for (const former of linesOf(fields.former)) addProperty(card, 'nickname', `formerly ${former}`);
	for (const contact of JSON.parse(fields.contacts) as CardContact[]) addContact(card, contact);
	if (fields.categories) {
		const property = new ICAL.Property('categories');
		property.setValues(fields.categories.split(', '));
		card.addProperty(property);
	}
	if (fields.note) addProperty(card, 'note', fields.note);
	return `${card.toString()}\r\n`;
}

function addProperty(
	card: InstanceType<typeof ICAL.Component>,
	name: string,
	value: string | string[],
	type?: string
): void {
	const property = new ICAL.Property(name);
	property.setValue(value);
	if (type) property.setParameter('type', type);
	card.addProperty(property);
}

/** N and ORG: the last word of a person's name is taken for the family name. */
function addNames(
	card: InstanceType<typeof ICAL.Component>,
	{ kind, name }: CardFields,
	parent: string | undefined
): void {
	if (kind === 'organization') {
		addProperty(card, 'org', parent ? [parent, name] : [name]);
		return;
	}
	const words = name.split(/\s+/);
	const family = words.at(-1) ?? name;
	addProperty(card, 'n', [family, words.slice(0, -1).join(' '), '', '', '']);
	if (parent) addProperty(card, 'org', [parent]);
}

const PROPERTIES = { mail: 'email', phone: 'tel', web: 'url' } as const;

function addContact(
	card: InstanceType<typeof ICAL.Component>,
	{ kind, label, value }: CardContact
): void {
	const lower = label.toLowerCase();
	const type = VCARD_TYPES.has(lower) ? lower : undefined;
	if (kind !== 'address') {
		addProperty(card, PROPERTIES[kind], value, type);
		return;
	}
	const [street = '', ...rest] = value.split('\n');
	addProperty(card, 'adr', ['', '', street, rest.join(', '), '', '', ''], type);
}
