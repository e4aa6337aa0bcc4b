import { fold } from '#core/people/names.ts';
import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';
import { may } from '#core/access/table.ts';

export type Hit = { kind: 'matter' | 'person' | 'document'; id: string; title: string; about: string; href: string };

/** Matters, people and documents the viewer may see, best first; words may be beginnings. */
export function search(w: World, me: Staff, typed: string, most = 12): Hit[] {
	if (!may(me.role, 'search.use')) return [];
	const words = fold(typed).split(' ').filter(Boolean).slice(0, 8);
	if (words.length === 0) return [];
	const match = words.map((x) => `"${x}"*`).join(' ');
	// First the best that may be seen, then their words: a snippet of every match would cost more than the search.
	const best = w.db.prepare<unknown[], { rowid: number }>(
		`SELECT s.rowid FROM search s WHERE search MATCH @match AND (s.matter_id IS NULL OR s.matter_id NOT IN (SELECT m.id FROM matter m WHERE m.restricted = 1 AND NOT ${visible('m')}))
		 ORDER BY bm25(search, 0, 0, 0, 8, 1) - CASE s.kind WHEN 'matter' THEN 3 ELSE 0 END LIMIT @most`
	).all({ match, me: me.id, most }).map((r) => r.rowid);
	if (best.length === 0) return [];
	const rows = w.db.prepare<unknown[], { rowid: number; kind: Hit['kind']; ref: string; number: string | null; title: string | null; name: string | null; docName: string | null; docNumber: string | null; snippet: string; folder: string | null; pkind: string | null }>(
		`SELECT s.rowid, s.kind, s.ref, m.number, m.title, p.name, p.kind AS pkind, d.name AS docName, d.number AS docNumber, d.folder, snippet(search, 4, '', '', '…', 8) AS snippet
		 FROM search s LEFT JOIN matter m ON m.id = s.matter_id LEFT JOIN person p ON s.kind = 'person' AND p.id = s.ref LEFT JOIN document d ON s.kind = 'document' AND d.id = s.ref
		 WHERE search MATCH @match AND s.rowid IN (SELECT value FROM json_each(@best))`
	).all({ match, best: JSON.stringify(best) });
	return rows.sort((a, b) => best.indexOf(a.rowid) - best.indexOf(b.rowid)).map((r): Hit =>
		r.kind === 'matter' ? { kind: 'matter', id: r.ref, title: r.title ?? '', about: r.number ?? '', href: `/matters/${r.number}` }
		: r.kind === 'person' ? { kind: 'person', id: r.ref, title: r.name ?? '', about: r.pkind === 'organization' ? 'Organization' : 'Person', href: `/people/${r.ref}` }
		: { kind: 'document', id: r.ref, title: r.docName ?? '', about: `${r.docNumber}${r.snippet ? `: ${r.snippet.replace(/\s+/g, ' ').slice(0, 90)}` : ''}`, href: `/documents/${r.ref}` }
	);
}

/** The matter a number on the pen line means: whole, or without its year where only one fits. */
export function matterByNumber(w: World, me: Staff, typed: string): { id: string; number: string; title: string } | undefined {
	if (!may(me.role, 'matter.read')) return undefined;
	const exact = w.db.prepare<unknown[], { id: string; number: string; title: string }>(`SELECT id, number, title FROM matter m WHERE m.number = @n AND ${visible('m')}`).get({ n: typed.toUpperCase(), me: me.id });
	if (exact) return exact;
	const m = /^(?:([a-z]+)-)?(?:(\d{4})-)?(\d{1,6})$/i.exec(typed);
	if (!m) return undefined;
	const like = `${m[1] ? m[1].toUpperCase() : '%'}-${m[2] ?? '%'}-${m[3]!.padStart(4, '0')}`;
	const rows = w.db.prepare<unknown[], { id: string; number: string; title: string }>(`SELECT id, number, title FROM matter m WHERE m.number LIKE @like AND m.status <> 'closed' AND ${visible('m')} LIMIT 2`).all({ like, me: me.id });
	return rows.length === 1 ? rows[0] : undefined;
}
