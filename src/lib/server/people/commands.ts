import { z } from 'zod';
import { fold } from '#core/people/names.ts';
import {
	Conflict,
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Difference
} from '../command.ts';
import { id, maybeDay, maybeId, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { kindOf } from '../matters/kinds.ts';
import { cardVisible, theMatter } from '../trust/scope.ts';
import { cardFields, type CardFields } from './queries.ts';

export const CONTACTS = ['mail', 'phone', 'address', 'web'] as const;
export type ContactKind = (typeof CONTACTS)[number];
export const STATUSES = ['active', 'inactive', 'do not contact'] as const;
const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/;

/** The card, where the actor may see it. */
export function thePerson(
	ctx: Ctx,
	personId: string
): {
	id: string;
	name: string;
	kind: 'person' | 'organization';
	parent_id: string | null;
	version: number;
	status: string;
	note: string;
	made_for: string | null;
} {
	const p = ctx.db
		.prepare<unknown[], ReturnType<typeof thePerson>>(
			`SELECT p.* FROM person p WHERE p.id = @id AND ${cardVisible('p')}`
		)
		.get({ id: personId, me: staffOf(ctx).id });
	if (!p) throw new NotFound('person');
	return p;
}

/** Makes a card; inside another command's transaction. A card of that very name that the actor can see is refused, so that it is used. */
export function makePerson(
	ctx: Ctx,
	p: {
		kind: 'person' | 'organization';
		name: string;
		email?: string;
		phone?: string;
		note?: string;
		formerNames?: string;
		madeFor?: string | null;
		field?: string;
		twin?: boolean;
	}
): string {
	const folded = fold(p.name);
	if (folded === '') throw new Refused('A name needs letters or digits.', 'name');
	const same = p.twin
		? undefined
		: ctx.db
				.prepare<unknown[], { name: string }>(
					`SELECT p.name FROM person p WHERE p.folded = @folded AND ${cardVisible('p')}`
				)
				.get({ folded, me: 'staff' in ctx.actor ? ctx.actor.staff.id : '' });
	if (same)
		throw new Refused(
			`There is a card for ${same.name} already. Choose it, or tell the two apart in the name.`,
			p.field ?? 'name'
		);
	const personId = newId('per');
	ctx.db
		.prepare(
			'INSERT INTO person (id, kind, name, folded, note, made_for, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)'
		)
		.run(personId, p.kind, p.name, folded, p.note ?? '', p.madeFor ?? null, ctx.clock.now());
	for (const n of (p.formerNames ?? '').split(/[;\n]/)) addName(ctx, personId, 'former', n);
	addContact(ctx, personId, { kind: 'mail', value: p.email ?? '', label: '', position: 0 });
	addContact(ctx, personId, { kind: 'phone', value: p.phone ?? '', label: '', position: 1 });
	return personId;
}
export function addName(ctx: Ctx, personId: string, kind: 'former' | 'alias', name: string): void {
	const n = name.trim().replace(/\s+/g, ' ');
	if (n === '') return;
	if (n.length > 200) throw new Refused('A name is longer than 200 characters.', 'names');
	if (fold(n) === '') throw new Refused('A name needs letters or digits.', 'names');
	ctx.db
		.prepare(
			'INSERT OR IGNORE INTO person_name (id, person_id, kind, name, folded) VALUES (?, ?, ?, ?, ?)'
		)
		.run(newId('nam'), personId, kind, n, fold(n));
}
export function addContact(
	ctx: Ctx,
	personId: string,
	c: { kind: ContactKind; label: string; value: string; position: number }
): void {
	const value = c.value.trim();
	if (value === '') return;
	if (c.kind === 'mail' && !MAIL.test(value))
		throw new Refused(`${value} is not a mail address.`, 'contacts');
	if (c.kind === 'web' && !(/^https?:\/\//i.test(value) && URL.canParse(value)))
		throw new Refused(
			`${value} is not the address of a web page: it begins with https://.`,
			'contacts'
		);
	ctx.db
		.prepare(
			'INSERT INTO person_contact (id, person_id, kind, label, value, position) VALUES (?, ?, ?, ?, ?, ?)'
		)
		.run(newId('con'), personId, c.kind, c.label.trim(), value, c.position);
}

export const addPerson = command({
	name: 'add person',
	action: 'person.edit',
	input: z.object({
		kind: z.enum(['person', 'organization']),
		name: text('The name', 200),
		email: maybeText('The mail address', 200).refine(
			(s) => s === '' || MAIL.test(s),
			'This is not a mail address.'
		),
		phone: maybeText('The phone', 60),
		note: maybeText('The note', 2000),
		formerNames: maybeText('Former names', 500),
		twin: z.boolean().optional()
	}),
	run(ctx, p, scribe) {
		const personId = makePerson(ctx, { ...p, twin: p.twin === true });
		scribe.note({ person: personId, name: p.name });
		return { personId };
	}
});

/** Whether making `parent` the parent of `child` would close a circle. */
function closesCircle(ctx: Ctx, child: string, parent: string): boolean {
	const up = ctx.db.prepare<[string], { parent_id: string | null }>(
		'SELECT parent_id FROM person WHERE id = ?'
	);
	for (let at: string | null = parent, n = 0; at !== null; n++) {
		if (at === child || n > 1000) return true;
		at = up.get(at)?.parent_id ?? null;
	}
	return false;
}

const NAMES: Record<keyof CardFields, string> = {
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
const lines = (s: string) =>
	s
		.split('\n')
		.map((x) => x.trim().replace(/\s+/g, ' '))
		.filter(Boolean);

/** Changes a card. `base` is the card as the form showed it: where someone else changed the same field meanwhile, nothing is saved. */
export const editPerson = command({
	name: 'edit person',
	action: 'person.edit',
	input: z.object({
		personId: id('a person'),
		version: z.coerce.number().int(),
		base: z.record(z.string(), z.string()).nullish(),
		name: text('The name', 200),
		kind: z.enum(['person', 'organization']),
		status: z.enum(STATUSES, { error: 'Choose how they stand.' }),
		parent: maybeId,
		aliases: maybeText('Other names', 4000),
		former: maybeText('Former names', 4000),
		contacts: z.string().max(20_000),
		categories: maybeText('Categories', 1000),
		note: maybeText('The note', 4000)
	}),
	run(ctx, i, scribe) {
		const p = thePerson(ctx, i.personId);
		const now = cardFields(ctx, p.id)!;
		const rows = readContacts(i.contacts);
		const mine: CardFields = {
			name: i.name,
			kind: i.kind,
			status: i.status,
			parent: i.parent ?? '',
			aliases: lines(i.aliases).join('\n'),
			former: lines(i.former).join('\n'),
			contacts: JSON.stringify(rows),
			categories: [
				...new Set(
					i.categories
						.split(/[,\n]/)
						.map((c) => c.trim().toLowerCase())
						.filter(Boolean)
				)
			]
				.sort()
				.join(', '),
			note: i.note
		};
		if (p.version !== i.version) {
			const base = (i.base ?? {}) as Partial<CardFields>;
			const differences: Difference[] = [];
			for (const k of Object.keys(now) as (keyof CardFields)[]) {
				if (now[k] === base[k] || now[k] === mine[k]) continue;
				if (mine[k] === base[k]) mine[k] = now[k] as never;
				else differences.push({ field: k, name: NAMES[k], theirs: now[k], yours: mine[k] });
			}
			if (differences.length)
				throw new Conflict(lastHand(ctx, 'edit person', p.id), p.version, differences);
		}
		const folded = fold(mine.name);
		if (folded === '') throw new Refused('A name needs letters or digits.', 'name');
		if (mine.parent) {
			if (mine.parent === p.id)
				throw new Refused('Nobody is their own parent organization.', 'parent');
			if (thePerson(ctx, mine.parent).kind !== 'organization')
				throw new Refused('A parent is an organization.', 'parent');
			if (closesCircle(ctx, p.id, mine.parent))
				throw new Refused(
					'That would close a circle: the parent already belongs, through its own parents, to this one.',
					'parent'
				);
		}
		ctx.db
			.prepare(
				'UPDATE person SET name = ?, folded = ?, kind = ?, status = ?, parent_id = ?, note = ?, version = version + 1 WHERE id = ?'
			)
			.run(mine.name, folded, mine.kind, mine.status, mine.parent || null, mine.note, p.id);
		// The name one had is kept as a former name by itself.
		const former = lines(mine.former);
		if (
			fold(p.name) !== folded &&
			!former.some((n) => fold(n) === fold(p.name)) &&
			!lines(mine.aliases).some((n) => fold(n) === fold(p.name))
		)
			former.push(p.name);
		ctx.db.prepare('DELETE FROM person_name WHERE person_id = ?').run(p.id);
		for (const n of former) if (fold(n) !== folded) addName(ctx, p.id, 'former', n);
		for (const n of lines(mine.aliases)) if (fold(n) !== folded) addName(ctx, p.id, 'alias', n);
		ctx.db.prepare('DELETE FROM person_contact WHERE person_id = ?').run(p.id);
		readContacts(mine.contacts).forEach((c, position) => addContact(ctx, p.id, { ...c, position }));
		ctx.db.prepare('DELETE FROM person_category WHERE person_id = ?').run(p.id);
		for (const c of mine.categories.split(', ').filter(Boolean))
			ctx.db
				.prepare('INSERT INTO person_category (person_id, category) VALUES (?, ?)')
				.run(p.id, c.slice(0, 60));
		scribe.note({ person: p.id, before: now, after: cardFields(ctx, p.id) });
	}
});

/** Who last did this to that, from the audit trail. */
export function lastHand(ctx: Ctx, action: string, ref: string): string {
	const r = ctx.db
		.prepare<[string, string], { actor: string }>(
			'SELECT actor FROM audit WHERE action = ? AND instr(detail, ?) > 0 ORDER BY seq DESC LIMIT 1'
		)
		.get(action, ref);
	return (
		(r &&
			ctx.db
				.prepare<[string], { name: string }>('SELECT name FROM staff WHERE login = ?')
				.get(r.actor)?.name) ??
		'Someone else'
	);
}

function readContacts(json: string): { kind: ContactKind; label: string; value: string }[] {
	try {
		const v = JSON.parse(json || '[]') as { kind?: unknown; label?: unknown; value?: unknown }[];
		if (Array.isArray(v) && v.length <= 60) {
			const out = v
				.map((c) => ({
					kind: c.kind as ContactKind,
					label: String(c.label ?? '')
						.trim()
						.slice(0, 40),
					value: String(c.value ?? '').trim()
				}))
				.filter((c) => c.value !== '');
			if (out.every((c) => CONTACTS.includes(c.kind) && c.value.length <= 500)) return out;
		}
	} catch {
		/* said below */
	}
	throw new Refused('An address is too long, or of no known kind.', 'contacts');
}

/** Gives someone a role on a matter, with dates and a note. */
export const addRole = command({
	name: 'add role',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		personId: maybeId,
		newName: maybeText('The name', 200),
		newKind: z.enum(['person', 'organization']).nullish(),
		role: text('The role', 40),
		note: maybeText('The note', 500),
		from: maybeDay('The first day'),
		to: maybeDay('The last day')
	}),
	run(ctx, r, scribe) {
		const m = theMatter(ctx, r.matterId);
		if (!r.personId && !r.newName) throw new Refused('Choose a person.', 'personId');
		if (r.from && r.to && r.to < r.from)
			throw new Refused('The last day is before the first.', 'to');
		const personId =
			r.personId ??
			makePerson(ctx, {
				kind: r.newKind ?? 'person',
				name: r.newName,
				madeFor: m.id,
				field: 'personId'
			});
		const p = thePerson(ctx, personId);
		const role = r.role.toLowerCase();
		const known = new Set([...kindOf(ctx, m.kind).roles.map((x) => x.role), ...OTHER_ROLES]);
		if (!known.has(role)) throw new Refused('Choose a role.', 'role');
		if (
			ctx.db
				.prepare(
					'INSERT OR IGNORE INTO matter_role (id, matter_id, person_id, role, note, from_day, to_day) VALUES (?, ?, ?, ?, ?, ?, ?)'
				)
				.run(newId('rol'), m.id, p.id, role, r.note, r.from, r.to).changes === 0
		)
			throw new Refused(`${p.name} has this role already.`, 'personId');
		scribe.matter(m.id);
		scribe.note({ person: p.id, role });
		scribe.log(
			m.id,
			'people',
			`${p.name} added as ${role}${p.status === 'active' ? '' : ` (${p.status})`}.`,
			`/people/${p.id}`
		);
		return { personId: p.id };
	}
});
/** Roles that fit any kind. */
export const OTHER_ROLES = [
	'opponent',
	'opposing counsel',
	'outside counsel',
	'counterparty',
	'agency',
	'witness',
	'expert',
	'insurer',
	'judge',
	'regulator',
	'contact'
] as const;

/** Ends or changes a role; taking it away is written down too. */
export const changeRole = command({
	name: 'change role',
	action: 'matter.edit',
	input: z.object({
		roleId: id('a role'),
		note: maybeText('The note', 500),
		from: maybeDay('The first day'),
		to: maybeDay('The last day'),
		remove: z.boolean().default(false)
	}),
	run(ctx, i, scribe) {
		const r = ctx.db
			.prepare<
				[string],
				{ id: string; matter_id: string; role: string; name: string; person_id: string }
			>(
				'SELECT r.id, r.matter_id, r.role, p.name, p.id AS person_id FROM matter_role r JOIN person p ON p.id = r.person_id WHERE r.id = ?'
			)
			.get(i.roleId);
		if (!r) throw new NotFound('role');
		const m = theMatter(ctx, r.matter_id);
		if (i.from && i.to && i.to < i.from)
			throw new Refused('The last day is before the first.', 'to');
		if (i.remove) ctx.db.prepare('DELETE FROM matter_role WHERE id = ?').run(r.id);
		else
			ctx.db
				.prepare('UPDATE matter_role SET note = ?, from_day = ?, to_day = ? WHERE id = ?')
				.run(i.note, i.from, i.to, r.id);
		scribe.matter(m.id);
		scribe.note({ person: r.person_id, role: r.role, removed: i.remove });
		scribe.log(
			m.id,
			'people',
			i.remove
				? `${r.name} is no longer ${r.role}: taken off.`
				: `${r.name}, ${r.role}: ${[i.from && `from ${i.from}`, i.to && `to ${i.to}`, i.note].filter(Boolean).join(', ') || 'no dates, no note'}.`,
			`/people/${r.person_id}`
		);
	}
});
