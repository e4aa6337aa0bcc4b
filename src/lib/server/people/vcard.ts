/** Cards out and in as vCard 4.0 (RFC 6350), by ical.js. */
import ICAL from 'ical.js';
import { fold } from '#core/people/names.ts';
import { cardFields } from './queries.ts';
import type { World } from '../command.ts';

export type Contact = { kind: string; label: string; value: string };
const TYPES = new Set(['work', 'home', 'cell', 'fax']);

/** One card as a vCard. */
export function toVcard(w: World, personId: string): string | undefined {
	const f = cardFields(w, personId);
	if (!f) return undefined;
	const parent = f.parent ? cardFields(w, f.parent)?.name : undefined;
	const card = new ICAL.Component('vcard');
	const text = (name: string, value: string, params: Record<string, string> = {}) => {
		const p = new ICAL.Property(name);
		p.setValue(value);
		for (const [k, v] of Object.entries(params)) p.setParameter(k, v);
		card.addProperty(p);
	};
	card.addPropertyWithValue('version', '4.0');
	card.addPropertyWithValue('kind', f.kind === 'organization' ? 'org' : 'individual');
	text('uid', `urn:kite-pen:${personId}`);
	text('fn', f.name);
	if (f.kind === 'person') {
		const words = f.name.split(/\s+/);
		const n = new ICAL.Property('n');
		n.setValue([
			words.length > 1 ? words.at(-1)! : f.name,
			words.length > 1 ? words.slice(0, -1).join(' ') : '',
			'',
			'',
			''
		]);
		card.addProperty(n);
		if (parent) {
			const o = new ICAL.Property('org');
			o.setValue([parent]);
			card.addProperty(o);
		}
	} else {
		const o = new ICAL.Property('org');
		o.setValue(parent ? [parent, f.name] : [f.name]);
		card.addProperty(o);
	}
	for (const a of [
		...f.aliases.split('\n'),
		...f.former
			.split('\n')
			.filter(Boolean)
			.map((x) => `formerly ${x}`)
	].filter(Boolean))
		text('nickname', a);
	for (const c of JSON.parse(f.contacts) as Contact[]) {
		const type: Record<string, string> = TYPES.has(c.label.toLowerCase())
			? { type: c.label.toLowerCase() }
			: {};
		if (c.kind === 'mail') text('email', c.value, type);
		else if (c.kind === 'phone') text('tel', c.value, type);
		else if (c.kind === 'web') text('url', c.value, type);
		else {
			const a = new ICAL.Property('adr');
			const l = c.value.split('\n');
			a.setValue(['', '', l[0] ?? '', l.slice(1).join(', '), '', '', '']);
			if (type.type) a.setParameter('type', type.type);
			card.addProperty(a);
		}
	}
	if (f.categories) {
		const c = new ICAL.Property('categories');
		c.setValues(f.categories.split(', '));
		card.addProperty(c);
	}
	if (f.note) text('note', f.note);
	return `${card.toString()}\r\n`;
}

export type ReadCard = {
	name: string;
	kind: 'person' | 'organization';
	org: string;
	aliases: string[];
	former: string[];
	contacts: Contact[];
	categories: string[];
	note: string;
};
/** Reads a file of one or many vCards (3.0 or 4.0). A fault says which card it is in. */
export function readVcards(text: string): { cards: ReadCard[] } | { error: string } {
	const blocks = text
		.replace(/\r?\n/g, '\r\n')
		.split(/(?=BEGIN:VCARD)/i)
		.filter((b) => /^BEGIN:VCARD/i.test(b));
	if (blocks.length === 0) return { error: 'This is not a vCard file: it has no BEGIN:VCARD.' };
	if (blocks.length > 5000)
		return { error: `The file has ${blocks.length} cards; at most 5,000 at once.` };
	const cards: ReadCard[] = [];
	for (const [i, b] of blocks.entries()) {
		try {
			const c = new ICAL.Component(ICAL.parse(b.trim()) as never);
			const str = (v: unknown): string =>
				(Array.isArray(v) ? v.flat().filter(Boolean).join(' ') : String(v ?? '')).trim();
			const first = (n: string) => str(c.getFirstPropertyValue(n));
			const org = c.getFirstPropertyValue('org') as unknown;
			const orgName = Array.isArray(org) ? String(org[0] ?? '') : String(org ?? '');
			const n = c.getFirstPropertyValue('n') as unknown;
			const name =
				first('fn') ||
				(Array.isArray(n)
					? [n[1], n[0]].filter(Boolean).join(' ')
					: str(n).split(';').reverse().join(' ')) ||
				orgName;
			if (fold(name) === '') return { error: `Card ${i + 1} has no name.` };
			const kind =
				/^org/i.test(first('kind')) ||
				(!c.getFirstProperty('n') && orgName !== '' && fold(orgName) === fold(name))
					? 'organization'
					: 'person';
			const contacts: Contact[] = [];
			for (const [prop, k] of [
				['email', 'mail'],
				['tel', 'phone'],
				['url', 'web'],
				['adr', 'address']
			] as const)
				for (const p of c.getAllProperties(prop)) {
					const v =
						k === 'address'
							? (p.getFirstValue() as unknown as string[] | string)
							: str(p.getFirstValue()).replace(/^(mailto|tel):/i, '');
					const value = Array.isArray(v)
						? v.flat().filter(Boolean).join('\n')
						: k === 'address'
							? String(v).split(';').filter(Boolean).join('\n')
							: String(v);
					const t = p.getParameter('type') as string | string[] | undefined;
					const label = [t].flat().find((x) => x && TYPES.has(x.toLowerCase()));
					if (value)
						contacts.push({
							kind: k,
							label: label?.toLowerCase() ?? '',
							value: value.slice(0, 500)
						});
				}
			const nick = c
				.getAllProperties('nickname')
				.flatMap((p) => p.getValues().map(str))
				.filter(Boolean);
			cards.push({
				name: name.slice(0, 200),
				kind,
				org: kind === 'person' ? orgName : '',
				aliases: nick.filter((x) => !/^formerly /i.test(x)),
				former: nick.filter((x) => /^formerly /i.test(x)).map((x) => x.slice(9)),
				contacts,
				categories: c
					.getAllProperties('categories')
					.flatMap((p) => p.getValues().map((v) => str(v).toLowerCase()))
					.filter(Boolean),
				note: c
					.getAllProperties('note')
					.map((p) => str(p.getFirstValue()))
					.join('\n')
					.slice(0, 4000)
			});
		} catch {
			return { error: `Card ${i + 1} cannot be read as a vCard.` };
		}
	}
	return { cards };
}
