import { fold } from '#core/people/names.ts';
import type { Staff, World } from '../command.ts';
import { statement } from '../db/statement.ts';
import { cardVisible, visible } from '../trust/scope.ts';
import { may } from '#core/access/table.ts';

export type Hit = {
	kind: 'matter' | 'person' | 'document' | 'note' | 'task' | 'time' | 'role' | 'request';
	id: string;
	title: string;
	about: string;
	href: string;
};
type Row = {
	id: number;
	kind: Hit['kind'];
	ref: string;
	title: string;
	body: string;
	number: string | null;
	matterTitle: string | null;
	personKind: string | null;
	standing: string | null;
	name: string | null;
	docNumber: string | null;
};

/**
 * What the viewer may see, best first; words may be beginnings. The index gives its best in batches, and what the viewer may not see is
 * left out of them: so the cost is that of the bare full-text query, not of asking for every match who may see it.
 */
export function search(w: World, me: Staff, typed: string, most = 12): Hit[] {
	if (!may(me.role, 'search.use')) return [];
	const words = fold(typed).split(' ').filter(Boolean).slice(0, 8);
	if (words.length === 0) return [];
	const match = words.map((x) => `"${x}"*`).join(' ');
	// First which may be seen, in the order of the index; then the words of the few that are shown.
	const best: Slim[] = [];
	const look = statement<{ rowid: number }>(
		w.db,
		'SELECT rowid FROM search WHERE search MATCH @match ORDER BY rank LIMIT @n OFFSET @from'
	);
	for (let from = 0, n = most + 4; best.length < most; from += n, n *= 4) {
		const ids = look.all({ match, n, from }).map((r) => r.rowid);
		if (ids.length === 0) break;
		const got = new Map(
			statement<Slim>(w.db, SEEN)
				.all({ ids: JSON.stringify(ids), me: me.id })
				.map((r) => [r.id, r])
		);
		for (const id of ids) {
			const r = got.get(id);
			if (r) best.push(r);
		}
		if (ids.length < n) break;
	}
	if (best.length === 0) return [];
	// A matter or a person of that name comes before what only mentions it.
	const rank = (r: Slim) =>
		['matter', 'person', 'document'].indexOf(r.kind) === -1
			? 3
			: ['matter', 'person', 'document'].indexOf(r.kind);
	const titled = new Map(
		best.map((r) => {
			const t = r.title === '' ? [] : fold(r.title).split(' ');
			return [r.id, words.every((x) => t.some((y) => y.startsWith(x))) ? 0 : 1];
		})
	);
	const order = best
		.map((r, i) => ({ r, i }))
		.sort(
			(a, b) =>
				titled.get(a.r.id)! - titled.get(b.r.id)! ||
				(titled.get(a.r.id) === 0 ? rank(a.r) - rank(b.r) : 0) ||
				a.i - b.i
		)
		.slice(0, most)
		.map(({ r }) => r.id);
	const rows = new Map(
		statement<Row>(w.db, FULL)
			.all({ ids: JSON.stringify(order) })
			.map((r) => [r.id, r])
	);
	return order.map((id) => hit(rows.get(id)!, words));
}
type Slim = { id: number; kind: Hit['kind']; title: string };
const SEEN = `SELECT s.id, s.kind, s.title FROM search_text s WHERE s.id IN (SELECT value FROM json_each(@ids)) AND (s.matter_id IS NULL OR EXISTS (SELECT 1 FROM matter m WHERE m.id = s.matter_id AND ${visible('m')})) AND (s.kind <> 'person' OR EXISTS (SELECT 1 FROM person p WHERE p.id = s.ref AND ${cardVisible('p')}))`;
const FULL = `SELECT s.id, s.kind, s.ref, s.title, s.body, m.number, m.title AS matterTitle, p.kind AS personKind, p.status AS standing, p.name, d.number AS docNumber FROM search_text s LEFT JOIN matter m ON m.id = s.matter_id LEFT JOIN person p ON s.kind = 'person' AND p.id = s.ref LEFT JOIN document d ON s.kind = 'document' AND d.id = s.ref WHERE s.id IN (SELECT value FROM json_each(@ids))`;

function hit(r: Row, words: readonly string[]): Hit {
	const on = r.number ? `${r.number} ${r.matterTitle}` : '';
	switch (r.kind) {
		case 'matter':
			return {
				kind: 'matter',
				id: r.ref,
				title: r.matterTitle ?? '',
				about: r.number ?? '',
				href: `/matters/${r.number}`
			};
		case 'person':
			return {
				kind: 'person',
				id: r.ref,
				title: r.name ?? '',
				about: `${r.personKind === 'organization' ? 'Organization' : 'Person'}${r.standing === 'active' ? '' : `, ${r.standing}`}`,
				href: `/people/${r.ref}`
			};
		case 'document': {
			const s = snippet(r.body, words);
			return {
				kind: 'document',
				id: r.ref,
				title: r.title.replace(` ${r.docNumber}`, ''),
				about: `${r.docNumber}${s ? `: ${s}` : ''}`,
				href: `/documents/${r.ref}`
			};
		}
		case 'task':
			return {
				kind: 'task',
				id: r.ref,
				title: r.title,
				about: on,
				href: `/matters/${r.number}/tasks`
			};
		case 'request':
			return { kind: 'request', id: r.ref, title: r.title, about: on, href: `/requests/${r.ref}` };
		case 'time':
			return {
				kind: 'time',
				id: r.ref,
				title: snippet(r.body, words),
				about: on,
				href: `/matters/${r.number}/time`
			};
		case 'role':
			return {
				kind: 'role',
				id: r.ref,
				title: snippet(r.body, words),
				about: on,
				href: `/matters/${r.number}`
			};
		default:
			return {
				kind: 'note',
				id: r.ref,
				title: snippet(r.body, words),
				about: on,
				href: `/matters/${r.number}/logbook`
			};
	}
}
/** A few words around the first that was found. */
function snippet(body: string, words: readonly string[]): string {
	const all = body.replace(/\s+/g, ' ').trim().split(' ');
	const at = Math.max(
		0,
		all.findIndex((x) => words.some((y) => fold(x).startsWith(y)))
	);
	return `${at > 3 ? '… ' : ''}${all.slice(Math.max(0, at - 3), at + 9).join(' ')}`.slice(0, 90);
}

/** The matter a number on the pen line means: whole, or without its year where only one fits. */
export function matterByNumber(
	w: World,
	me: Staff,
	typed: string
): { id: string; number: string; title: string } | undefined {
	if (!may(me.role, 'matter.read')) return undefined;
	const exact = w.db
		.prepare<unknown[], { id: string; number: string; title: string }>(
			`SELECT id, number, title FROM matter m WHERE m.number = @n AND ${visible('m')}`
		)
		.get({ n: typed.toUpperCase(), me: me.id });
	if (exact) return exact;
	const m = /^(?:([a-z]+)-)?(?:(\d{4})-)?(\d{1,6})$/i.exec(typed);
	if (!m) return undefined;
	const like = `${m[1] ? m[1].toUpperCase() : '%'}-${m[2] ?? '%'}-${m[3]!.padStart(4, '0')}`;
	const rows = w.db
		.prepare<unknown[], { id: string; number: string; title: string }>(
			`SELECT id, number, title FROM matter m WHERE m.number LIKE @like AND m.status <> 'closed' AND ${visible('m')} LIMIT 2`
		)
		.all({ like, me: me.id });
	return rows.length === 1 ? rows[0] : undefined;
}
