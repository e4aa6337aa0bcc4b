/**
 * The interest check: names in; out comes every place they occur, as the viewer may see it. What lies in a restricted matter that is
 * not the viewer's leaves one neutral line: no name, no count, no words.
 */
import {
	bandOf,
	compareNames,
	findIn,
	nameForm,
	telling,
	wordsOf,
	type Expansion,
	type NameForm,
	type Why
} from '#core/people/match.ts';
import type { Staff, World } from '../command.ts';
import { cardVisible, TIES, visible } from '../trust/scope.ts';
import { statement } from '../db/statement.ts';
import { vocabulary } from './vocabulary.ts';

export type InterestHit = {
	what: 'person' | 'matter' | 'note' | 'document' | 'time' | 'task' | 'role' | 'request';
	title: string;
	about: string;
	href: string;
	excerpt: string;
	strength: number;
	band: 'strong' | 'likely' | 'possible';
	why: string[];
};
export type NameReport = { name: string; hits: InterestHit[]; more: number };
export type InterestReport = { names: NameReport[]; restricted: boolean };

const LEAST = 60;
/** Hits shown for a name; beyond them the report says how many more there are. */
const MOST = 60;
const CANDIDATES = 500;

type TextRow = {
	id: number;
	kind: string;
	ref: string;
	matter_id: string | null;
	title: string;
	body: string;
	number: string | null;
	matterTitle: string | null;
	seen: number;
};

/** Words of the index that may be meant by the words of a name, and the full-text query that asks for all telling ones together. */
export function expand(w: World, form: NameForm): { near: Expansion; query: string } {
	const v = vocabulary(w.db);
	const near: Expansion = new Map();
	const groups: string[][] = [];
	const tell = new Set(telling(form));
	form.tokens.forEach((t, token) => {
		const words = v.near(t);
		for (const x of words)
			near.set(x.word, [...(near.get(x.word) ?? []), { token, score: x.score, why: x.why as Why }]);
		const initial = form.tokens.length > 1 && t.length > 1 && v.has(t[0]!) ? [t[0]!] : [];
		if (initial.length)
			near.set(t[0]!, [...(near.get(t[0]!) ?? []), { token, score: 0.8, why: 'initial' }]);
		if (tell.has(t) && t.length > 1) groups.push([...words.map((x) => x.word), ...initial]);
	});
	const together =
		form.tokens.length > 1
			? v
					.near(form.joined)
					.filter((x) => x.score >= 0.9)
					.map((x) => x.word)
			: [];
	for (const t of together)
		near.set(
			t,
			form.tokens.map((_, token) => ({ token, score: 0.96, why: 'written together' as Why }))
		);
	const quote = (s: string) => `"${s.replaceAll('"', '""')}"`;
	const all =
		groups.every((g) => g.length) && groups.length
			? groups.map((g) => `(${g.map(quote).join(' OR ')})`).join(' AND ')
			: '';
	return { near, query: [all && `(${all})`, ...together.map(quote)].filter(Boolean).join(' OR ') };
}

type Found = {
	row: TextRow;
	text: string;
	words: string[];
	match: { strength: number; why: Why[]; from: number; to: number };
};
/** Where it stands and the words around it are made only for what is shown. */
const shown = (w: World, f: Found): InterestHit => ({
	...place(w, f.row),
	excerpt: f.row.kind === 'matter' ? '' : excerpt(f.text, f.words, f.match.from, f.match.to),
	strength: f.match.strength,
	band: bandOf(f.match.strength),
	why: f.match.why
});

/** What the index holds for one name. */
export function textHits(
	w: World,
	me: Staff,
	name: string
): { found: Found[]; restricted: boolean } {
	const form = nameForm(name);
	const { near, query } = expand(w, form);
	if (query === '') return { found: [], restricted: false };
	const rows = statement<TextRow>(
		w.db,
		`SELECT s.id, s.kind, s.ref, s.matter_id, s.title, s.body, m.number, m.title AS matterTitle, CASE WHEN s.matter_id IS NULL OR m.restricted = 0 THEN 1 ELSE ${visible('m')} END AS seen
		 FROM (SELECT rowid FROM search WHERE search MATCH @query ORDER BY rank LIMIT @most) x JOIN search_text s ON s.id = x.rowid LEFT JOIN matter m ON m.id = s.matter_id WHERE s.kind <> 'person'`
	).all({ query, most: CANDIDATES, me: me.id });
	const found: Found[] = [];
	let restricted = false;
	for (const r of rows) {
		const text = `${r.title}  ${r.body}`;
		const words = wordsOf(text);
		const m = findIn(words, form, near);
		if (!m || m.strength < LEAST) continue;
		if (!r.seen) {
			restricted = true;
			continue;
		}
		found.push({ row: r, text, words, match: m });
	}
	return { found, restricted };
}

function place(w: World, r: TextRow): Pick<InterestHit, 'what' | 'title' | 'about' | 'href'> {
	const on = r.number ? `${r.number} ${r.matterTitle}` : '';
	switch (r.kind) {
		case 'matter':
			return {
				what: 'matter',
				title: r.matterTitle!,
				about: r.number!,
				href: `/matters/${r.number}`
			};
		case 'document':
			return { what: 'document', title: r.title, about: on, href: `/documents/${r.ref}` };
		case 'task':
			return { what: 'task', title: r.title, about: on, href: `/matters/${r.number}/tasks` };
		case 'time':
			return {
				what: 'time',
				title: 'Time narrative',
				about: on,
				href: `/matters/${r.number}/time`
			};
		case 'role':
			return { what: 'role', title: 'Note beside a role', about: on, href: `/matters/${r.number}` };
		case 'request':
			return {
				what: 'request',
				title: r.title,
				about: on || 'Request',
				href: `/requests/${r.ref}`
			};
		default:
			return { what: 'note', title: 'Logbook', about: on, href: `/matters/${r.number}/logbook` };
	}
}

/** Some words of the text around those found. */
function excerpt(text: string, words: readonly string[], from: number, to: number): string {
	const raw = text.split(/\s+/).filter((x) => wordsOf(x).length > 0);
	// Words as folded and as written run side by side, but for those that folding splits.
	let folded = 0,
		a = 0,
		b = raw.length;
	for (let i = 0; i < raw.length; i++) {
		if (folded <= Math.max(0, from - 6)) a = i;
		folded += wordsOf(raw[i]!).length;
		if (folded >= Math.min(words.length, to + 8)) {
			b = i + 1;
			break;
		}
	}
	return `${a > 0 ? '… ' : ''}${raw.slice(a, b).join(' ')}${b < raw.length ? ' …' : ''}`.slice(
		0,
		240
	);
}

type Card = {
	id: string;
	name: string;
	kind: string;
	status: string;
	said: string;
	sort: 'name' | 'former' | 'alias';
	seen: number;
};
/** Cards by any of their names, with the roles the viewer may see; their parents and affiliates come with them. */
function people(
	w: World,
	me: Staff,
	name: string,
	but: string | null
): { hits: InterestHit[]; restricted: boolean } {
	const form = nameForm(name);
	const best = new Map<string, { card: Card; strength: number; why: string[] }>();
	for (const c of statement<Card>(
		w.db,
		`SELECT p.id, p.name, p.kind, p.status, p.name AS said, 'name' AS sort, ${cardVisible('p')} AS seen FROM person p WHERE p.merged_into IS NULL UNION ALL SELECT p.id, p.name, p.kind, p.status, n.name, n.kind, ${cardVisible('p')} FROM person_name n JOIN person p ON p.id = n.person_id WHERE p.merged_into IS NULL`
	).iterate({ me: me.id })) {
		const m = compareNames(form, nameForm(c.said));
		if (m.strength < LEAST || m.strength <= (best.get(c.id)?.strength ?? 0)) continue;
		best.set(c.id, {
			card: c,
			strength: m.strength,
			why: [
				...m.why,
				...(c.sort === 'former'
					? [`former name ${c.said}`]
					: c.sort === 'alias'
						? [`also known as ${c.said}`]
						: [])
			]
		});
	}
	let restricted = false;
	const related = statement<{
		id: string;
		name: string;
		kind: string;
		status: string;
		how: string;
		parent: string | null;
	}>(
		w.db,
		"SELECT p.id, p.name, p.kind, p.status, 'parent' AS how, p.parent_id AS parent FROM person p WHERE p.id = (SELECT parent_id FROM person WHERE id = ?) UNION SELECT p.id, p.name, p.kind, p.status, 'affiliate', p.parent_id FROM person p WHERE p.merged_into IS NULL AND (p.parent_id = ? OR p.parent_id = (SELECT parent_id FROM person WHERE id = ?)) AND p.id <> ?"
	);
	for (const [cardId, b] of [...best]) {
		if (b.strength < 70) continue;
		for (const r of related.all(cardId, cardId, cardId, cardId)) {
			if (best.has(r.id)) continue;
			const seen =
				w.db
					.prepare(`SELECT 1 FROM person p WHERE p.id = @id AND ${cardVisible('p')}`)
					.get({ id: r.id, me: me.id }) !== undefined;
			// The tie itself is part of the card that matched: a card that is hidden hides it too.
			best.set(r.id, {
				card: {
					id: r.id,
					name: r.name,
					kind: r.kind,
					status: r.status,
					said: r.name,
					sort: 'name',
					seen: seen && b.card.seen ? 1 : 0
				},
				strength: Math.min(b.strength, 80),
				why: [`${r.how} of ${b.card.name}`]
			});
		}
	}
	const hits: InterestHit[] = [];
	for (const [cardId, b] of best) {
		const roles = w.db
			.prepare<
				unknown[],
				{ role: string; number: string; title: string; status: string; seen: number }
			>(
				`SELECT r.role, m.number, m.title, m.status, ${visible('m')} AS seen FROM (${TIES}) r JOIN matter m ON m.id = r.matter_id ORDER BY m.status = 'closed', m.number DESC`
			)
			.all({ id: cardId, me: me.id });
		if (roles.some((r) => !r.seen) || !b.card.seen) restricted = true;
		if (!b.card.seen) continue;
		// A card that is known only by its role on the matter checked tells nothing new.
		const said = roles.filter((r) => r.seen && r.number !== but);
		if (said.length === 0 && roles.some((r) => r.number === but)) continue;
		hits.push({
			what: 'person',
			title: b.card.name,
			href: `/people/${cardId}`,
			strength: b.strength,
			band: bandOf(b.strength),
			why: b.why,
			excerpt: said
				.map(
					(r) => `${r.role} on ${r.number} ${r.title}${r.status === 'closed' ? ' (closed)' : ''}`
				)
				.join('; '),
			about: `${b.card.kind === 'person' ? 'Person' : 'Organization'}${b.card.status === 'active' ? '' : `, ${b.card.status}`}`
		});
	}
	return { hits, restricted };
}

/** Checks names against everything the department holds. `but` leaves out what belongs to the matter the check is made for. */
export function interestReport(
	w: World,
	me: Staff,
	names: readonly string[],
	but: { matterId?: string | null } = {}
): InterestReport {
	const number = but.matterId
		? w.db
				.prepare<[string], { number: string }>('SELECT number FROM matter WHERE id = ?')
				.get(but.matterId)?.number
		: undefined;
	let restricted = false;
	const out: NameReport[] = [];
	for (const name of names) {
		const p = people(w, me, name, number ?? null),
			t = textHits(w, me, name);
		restricted ||= p.restricted || t.restricted;
		const texts = number ? t.found.filter((f) => f.row.number !== number) : t.found;
		const all = [
			...p.hits.map((h) => ({ strength: h.strength, rank: 0, title: h.title, make: () => h })),
			...texts.map((f) => ({
				strength: f.match.strength,
				rank: 1,
				title: f.row.title,
				make: () => shown(w, f)
			}))
		];
		all.sort(
			(x, y) =>
				y.strength - x.strength ||
				x.rank - y.rank ||
				(x.title < y.title ? -1 : x.title > y.title ? 1 : 0)
		);
		out.push({
			name,
			hits: all.slice(0, MOST).map((x) => x.make()),
			more: Math.max(0, all.length - MOST)
		});
	}
	return { names: out, restricted };
}
