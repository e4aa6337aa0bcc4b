import { fold } from '#core/people/names.ts';
import { compareNames, nameForm } from '#core/people/match.ts';
import type { World, Staff } from '../command.ts';
import { cardVisible, contactOf, TIES, visible } from '../trust/scope.ts';

export type PersonHit = {
	id: string;
	name: string;
	kind: string;
	status: string;
	formerNames: string;
	roles: string;
};
const NAMES = `coalesce((SELECT group_concat(n.name, ', ') FROM person_name n WHERE n.person_id = p.id), '')`;
const ROLES = `coalesce((SELECT group_concat(DISTINCT r.role) FROM matter_role r JOIN matter m ON m.id = r.matter_id WHERE r.person_id = p.id AND ${visible('m')}), '')`;

/** People of whom any name has every typed word, with the roles the viewer may see; then those whose names are near to it. */
export function findPeople(w: World, me: Staff, typed: string, most = 8): PersonHit[] {
	const words = fold(typed).split(' ').filter(Boolean);
	if (words.length === 0) return [];
	const match = words.map((x) => `"${x}"*`).join(' ');
	const SELECT = `SELECT p.id, p.name, p.kind, p.status, ${NAMES} AS formerNames, ${ROLES} AS roles`;
	const hits = w.db
		.prepare<unknown[], PersonHit>(
			`${SELECT} FROM search x JOIN search_text s ON s.id = x.rowid JOIN person p ON p.id = s.ref WHERE search MATCH @match AND s.kind = 'person' AND ${cardVisible('p')} ORDER BY x.rank, p.name LIMIT @most`
		)
		.all({ match, me: me.id, most });
	if (hits.length >= 3) return hits;
	const near = nearNames(w, me, typed, 72)
		.filter((n) => !hits.some((h) => h.id === n.id))
		.slice(0, 4);
	return [
		...hits,
		...near.map((n) =>
			w.db
				.prepare<unknown[], PersonHit>(`${SELECT} FROM person p WHERE p.id = @id`)
				.get({ id: n.id, me: me.id })!
		)
	];
}

/** Cards whose name, other or former name may be this one, the strongest first. */
export function nearNames(
	w: World,
	me: Staff,
	name: string,
	least = 70
): { id: string; name: string; strength: number }[] {
	const form = nameForm(name);
	if (form.joined.length < 3) return [];
	const best = new Map<string, { id: string; name: string; strength: number }>();
	for (const r of w.db
		.prepare<unknown[], { id: string; name: string; said: string }>(
			`SELECT p.id, p.name, p.name AS said FROM person p WHERE ${cardVisible('p')} UNION ALL SELECT p.id, p.name, n.name FROM person_name n JOIN person p ON p.id = n.person_id WHERE ${cardVisible('p')}`
		)
		.iterate({ me: me.id })) {
		const m = compareNames(form, nameForm(r.said));
		if (m.strength >= least && m.strength > (best.get(r.id)?.strength ?? 0))
			best.set(r.id, { id: r.id, name: r.name, strength: m.strength });
	}
	return [...best.values()].sort((a, b) => b.strength - a.strength).slice(0, 8);
}

/** A card as fields of text: what its form shows and sends back. */
export type CardFields = {
	name: string;
	kind: string;
	status: string;
	parent: string;
	aliases: string;
	former: string;
	contacts: string;
	categories: string;
	note: string;
};
export function cardFields(w: Pick<World, 'db'>, id: string): CardFields | undefined {
	const p = w.db
		.prepare<
			[string],
			{ name: string; kind: string; status: string; parent_id: string | null; note: string }
		>('SELECT name, kind, status, parent_id, note FROM person WHERE id = ?')
		.get(id);
	if (!p) return undefined;
	const names = w.db
		.prepare<[string], { kind: string; name: string }>(
			'SELECT kind, name FROM person_name WHERE person_id = ? ORDER BY id'
		)
		.all(id);
	return {
		name: p.name,
		kind: p.kind,
		status: p.status,
		parent: p.parent_id ?? '',
		note: p.note,
		aliases: names
			.filter((n) => n.kind === 'alias')
			.map((n) => n.name)
			.join('\n'),
		former: names
			.filter((n) => n.kind === 'former')
			.map((n) => n.name)
			.join('\n'),
		contacts: JSON.stringify(
			w.db
				.prepare<[string], { kind: string; label: string; value: string }>(
					'SELECT kind, label, value FROM person_contact WHERE person_id = ? ORDER BY position, id'
				)
				.all(id)
		),
		categories: w.db
			.prepare<[string], { category: string }>(
				'SELECT category FROM person_category WHERE person_id = ? ORDER BY category'
			)
			.all(id)
			.map((c) => c.category)
			.join(', ')
	};
}

export type PersonCard = {
	id: string;
	version: number;
	fields: CardFields;
	contacts: { kind: string; label: string; value: string }[];
	parent: { id: string; name: string } | null;
	affiliates: { id: string; name: string }[];
	merged: { id: string; name: string; at: string }[];
	matters: {
		number: string;
		title: string;
		role: string;
		status: string;
		note: string;
		from: string | null;
		to: string | null;
	}[];
	near: { id: string; name: string; strength: number }[];
};
export function personCard(
	w: World,
	me: Staff,
	id: string
): PersonCard | { mergedInto: string } | undefined {
	const p = w.db
		.prepare<
			[string],
			{
				id: string;
				version: number;
				merged_into: string | null;
				parent_id: string | null;
				name: string;
			}
		>('SELECT id, version, merged_into, parent_id, name FROM person WHERE id = ?')
		.get(id);
	if (!p) return undefined;
	if (
		!w.db
			.prepare(`SELECT 1 FROM person p WHERE p.id = @id AND ${cardVisible('p')}`)
			.get({ id: p.merged_into ?? id, me: me.id })
	)
		return undefined;
	if (p.merged_into) return { mergedInto: p.merged_into };
	const fields = cardFields(w, id)!;
	const seen = (sql: string, x: string) =>
		w.db
			.prepare<unknown[], { id: string; name: string }>(
				`SELECT p.id, p.name FROM person p WHERE ${sql} AND ${cardVisible('p')} ORDER BY p.name`
			)
			.all({ x, me: me.id });
	return {
		id,
		version: p.version,
		fields,
		contacts: JSON.parse(fields.contacts) as PersonCard['contacts'],
		parent: p.parent_id ? (seen('p.id = @x', p.parent_id)[0] ?? null) : null,
		affiliates: [
			...seen('p.parent_id = @x', id),
			...(p.parent_id ? seen('p.parent_id = @x', p.parent_id).filter((a) => a.id !== id) : [])
		],
		merged: mayMerge(w, me, id)
			? w.db
					.prepare<[string], PersonCard['merged'][number]>(
						'SELECT g.id, p.name, g.at FROM person_merge g JOIN person p ON p.id = g.gone_id WHERE g.kept_id = ? AND g.undone_at IS NULL ORDER BY g.id DESC'
					)
					.all(id)
			: [],
		matters: w.db
			.prepare<unknown[], PersonCard['matters'][number]>(
				`SELECT m.number, m.title, r.role, m.status, r.note, r.from_day AS "from", r.to_day AS "to" FROM (${TIES}) r JOIN matter m ON m.id = r.matter_id WHERE ${visible('m')} ORDER BY m.status = 'closed', m.number DESC`
			)
			.all({ id, me: me.id }),
		near: nearNames(w, me, p.name, 84).filter((n) => n.id !== id)
	};
}

/** Merging moves roles: only who sees all matters of a card may do it. */
export const mayMerge = (w: Pick<World, 'db'>, me: Staff, id: string): boolean =>
	w.db
		.prepare(
			`SELECT 1 FROM matter m WHERE (m.id IN (SELECT matter_id FROM matter_role WHERE person_id = @id) OR m.id IN (SELECT matter_id FROM matter_fact WHERE value = @id) OR m.id IN (SELECT matter_id FROM witness WHERE person_id = @id)) AND NOT ${visible('m')}`
		)
		.get({ id, me: me.id }) === undefined;

export type PersonRow = {
	id: string;
	name: string;
	kind: string;
	status: string;
	others: string;
	parent: string;
	mail: string;
	phone: string;
	categories: string;
	matters: number;
};
export const PEOPLE_PAGE = 80;
export type PeopleFilter = {
	q?: string;
	kind?: string;
	category?: string;
	status?: string;
	role?: string;
	page?: number;
};
/** People by name, a page at a time. */
export function peopleList(
	w: World,
	me: Staff,
	f: PeopleFilter,
	per = PEOPLE_PAGE
): { rows: PersonRow[]; total: number } {
	const cond = [cardVisible('p')];
	const p: Record<string, unknown> = { me: me.id, limit: per, offset: per * ((f.page ?? 1) - 1) };
	const words = fold(f.q ?? '')
		.split(' ')
		.filter(Boolean);
	if (f.q?.trim() && words.length === 0) return { rows: [], total: 0 };
	if (words.length) {
		cond.push(
			"p.id IN (SELECT s.ref FROM search x JOIN search_text s ON s.id = x.rowid WHERE search MATCH @match AND s.kind = 'person')"
		);
		p.match = words.map((x) => `"${x}"*`).join(' ');
	}
	if (f.kind) {
		cond.push('p.kind = @kind');
		p.kind = f.kind;
	}
	if (f.status) {
		cond.push('p.status = @status');
		p.status = f.status;
	}
	if (f.category) {
		cond.push(
			'EXISTS (SELECT 1 FROM person_category c WHERE c.person_id = p.id AND c.category = @category)'
		);
		p.category = f.category;
	}
	if (f.role) {
		cond.push(
			`EXISTS (SELECT 1 FROM matter_role r JOIN matter m ON m.id = r.matter_id WHERE r.person_id = p.id AND r.role = @role AND ${visible('m')})`
		);
		p.role = f.role;
	}
	const where = cond.join(' AND ');
	return {
		total: w.db
			.prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM person p WHERE ${where}`)
			.get(p)!.n,
		rows: w.db
			.prepare<unknown[], PersonRow>(
				`SELECT p.id, p.name, p.kind, p.status, ${NAMES} AS others, coalesce((SELECT o.name FROM person o WHERE o.id = p.parent_id AND ${cardVisible('o')}), '') AS parent, ${contactOf('p', 'mail')} AS mail, ${contactOf('p', 'phone')} AS phone,
			 coalesce((SELECT group_concat(category, ', ') FROM person_category c WHERE c.person_id = p.id), '') AS categories, (SELECT count(DISTINCT r.matter_id) FROM matter_role r JOIN matter m ON m.id = r.matter_id WHERE r.person_id = p.id AND ${visible('m')}) AS matters
			 FROM person p WHERE ${where} ORDER BY p.folded, p.id LIMIT @limit OFFSET @offset`
			)
			.all(p)
	};
}
export const categories = (w: World, me: Staff) =>
	w.db
		.prepare<unknown[], { category: string; n: number }>(
			`SELECT c.category, count(*) AS n FROM person_category c JOIN person p ON p.id = c.person_id WHERE ${cardVisible('p')} GROUP BY c.category ORDER BY c.category`
		)
		.all({ me: me.id });
export const rolesInUse = (w: World, me: Staff) =>
	w.db
		.prepare<unknown[], { role: string }>(
			`SELECT DISTINCT r.role FROM matter_role r JOIN matter m ON m.id = r.matter_id WHERE ${visible('m')} ORDER BY r.role`
		)
		.all({ me: me.id })
		.map((r) => r.role);

export type RoleRow = {
	roleId: string;
	id: string;
	name: string;
	role: string;
	note: string;
	email: string;
	phone: string;
	kind: string;
	status: string;
	from: string | null;
	to: string | null;
};
export const peopleOf = (w: World, matterId: string): RoleRow[] =>
	w.db
		.prepare<[string], RoleRow>(
			`SELECT r.id AS roleId, p.id, p.name, r.role, r.note, ${contactOf('p', 'mail')} AS email, ${contactOf('p', 'phone')} AS phone, p.kind, p.status, r.from_day AS "from", r.to_day AS "to" FROM matter_role r JOIN person p ON p.id = r.person_id WHERE r.matter_id = ? ORDER BY r.role, p.name`
		)
		.all(matterId);
