import { fold } from '#core/people/names.ts';
import type { World, Staff } from '../command.ts';
import { visible } from '../trust/scope.ts';

export type PersonHit = { id: string; name: string; kind: string; formerNames: string; roles: string };

/** People whose name or former name has every typed word, with the roles the viewer may see. */
export function findPeople(w: World, me: Staff, typed: string, most = 8): PersonHit[] {
	const words = fold(typed).split(' ').filter(Boolean);
	if (words.length === 0) return [];
	const match = words.map((x) => `"${x}"*`).join(' ');
	return w.db.prepare<unknown[], PersonHit>(
		`SELECT p.id, p.name, p.kind, p.former_names AS formerNames,
		 coalesce((SELECT group_concat(DISTINCT r.role) FROM matter_role r JOIN matter m ON m.id = r.matter_id WHERE r.person_id = p.id AND ${visible('m')}), '') AS roles
		 FROM search s JOIN person p ON p.id = s.ref WHERE search MATCH @match AND s.kind = 'person' ORDER BY rank, p.name LIMIT @most`
	).all({ match: `{title body} : (${match})`, me: me.id, most });
}

export type PersonCard = { id: string; name: string; kind: string; email: string; phone: string; note: string; former_names: string; matters: { number: string; title: string; role: string; status: string }[] };
export function personCard(w: World, me: Staff, id: string): PersonCard | undefined {
	const p = w.db.prepare<[string], Omit<PersonCard, 'matters'>>('SELECT id, name, kind, email, phone, note, former_names FROM person WHERE id = ?').get(id);
	if (!p) return undefined;
	const matters = w.db.prepare<unknown[], PersonCard['matters'][number]>(`SELECT m.number, m.title, r.role, m.status FROM matter_role r JOIN matter m ON m.id = r.matter_id WHERE r.person_id = @id AND ${visible('m')} ORDER BY m.number DESC`).all({ id, me: me.id });
	return { ...p, matters };
}

export const peopleOf = (w: World, matterId: string) =>
	w.db.prepare<[string], { id: string; name: string; role: string; note: string; email: string; phone: string; kind: string }>(
		'SELECT p.id, p.name, r.role, r.note, p.email, p.phone, p.kind FROM matter_role r JOIN person p ON p.id = r.person_id WHERE r.matter_id = ? ORDER BY r.role, p.name'
	).all(matterId);
