/** Search over everything one may see, and the matter a typed number means. */
import { may } from '#core/access/table.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { foldName } from '#core/people/names.ts';
import { cardVisible, onTeam, visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';
import { matchWords, searchWords } from './match.ts';

type HitKind =
	| 'matter'
	| 'person'
	| 'document'
	| 'hearing'
	| 'date'
	| 'appointment'
	| 'note'
	| 'task'
	| 'time'
	| 'role'
	| 'request';
export type Hit = { kind: HitKind; id: string; title: string; about: string; href: string };

/** A match that may be seen, before its words are fetched. */
type Match = {
	id: number;
	kind: HitKind;
	title: string;
	/** A date that was met or vacated. */
	over: 0 | 1;
};
type Row = {
	id: number;
	kind: HitKind;
	ref: string;
	title: string;
	body: string;
	number: string | null;
	matterTitle: string | null;
	personKind: string | null;
	standing: string | null;
	name: string | null;
	docNumber: string | null;
	day: PlainDate | null;
	state: DeadlineRow['state'] | null;
};

/** The first batch is a little larger than what is shown; each next one is so many times larger. */
const BATCH_MORE = 4;
const BATCH_GROWS = 4;

/**
 * What one may see, best first; words may be beginnings. The index gives its best in batches, and
 * what one may not see is left out of them: so the cost is that of the bare full-text query, not of
 * asking for every match who may see it.
 */
export function search(app: Application, me: Staff, typed: string, limit = 12): Hit[] {
	if (!may(me.role, 'search.use')) return [];
	const words = searchWords(typed);
	if (words.length === 0) return [];
	const matches = listMatches(app, me, matchWords(typed), limit);
	const ids = orderMatches(matches, words)
		.slice(0, limit)
		.map(({ id }) => id);
	const rows = new Map(listRows(app, ids).map((row) => [row.id, row]));
	return ids.flatMap((id) => {
		const row = rows.get(id);
		return row ? [showHit(app, row, words)] : [];
	});
}

function listMatches(app: Application, me: Staff, match: string, limit: number): Match[] {
	const best: Match[] = [];
	for (
		let from = 0, batch = limit + BATCH_MORE;
		best.length < limit;
		from += batch, batch *= BATCH_GROWS
	) {
		const ids = all<{ rowid: number }>(
			app.db,
			`SELECT rowid
			FROM search
			WHERE search MATCH @match
			ORDER BY rank
			LIMIT @batch OFFSET @from`,
			{ match, batch, from }
		).map(({ rowid }) => rowid);
		const seen = new Map(listSeen(app, me, ids).map((row) => [row.id, row]));
		for (const id of ids) {
			const row = seen.get(id);
			if (row) best.push(row);
		}
		if (ids.length < batch) break;
	}
	return best;
}

/** Of these, what one may see. */
const listSeen = ({ db }: Application, me: Staff, ids: readonly number[]): Match[] =>
	all(
		db,
		`SELECT s.id, s.kind, s.title, ifnull(h.state <> 'docketed', 0) AS over
		FROM search_text s
		LEFT JOIN deadline h ON s.kind = 'date' AND h.id = s.ref
		WHERE s.id IN (SELECT value FROM json_each(@ids))
			AND (
				s.matter_id IS NULL
				OR EXISTS (SELECT 1 FROM matter m WHERE m.id = s.matter_id AND ${visible('m')})
			)
			AND (
				s.kind <> 'person'
				OR EXISTS (SELECT 1 FROM person p WHERE p.id = s.ref AND ${cardVisible('p')})
			)`,
		{ ids: JSON.stringify(ids), me: me.id }
	);

const listRows = ({ db }: Application, ids: readonly number[]): Row[] =>
	all(
		db,
		`SELECT
			s.id, s.kind, s.ref, s.title, s.body, m.number, m.title AS matterTitle,
			p.kind AS personKind, p.status AS standing, p.name, d.number AS docNumber,
			ifnull(h.date, a.day) AS day, h.state
		FROM search_text s
		LEFT JOIN matter m ON m.id = s.matter_id
		LEFT JOIN person p ON s.kind = 'person' AND p.id = s.ref
		LEFT JOIN document d ON s.kind = 'document' AND d.id = s.ref
		LEFT JOIN deadline h ON s.kind IN ('hearing', 'date') AND h.id = s.ref
		LEFT JOIN appointment a ON s.kind = 'appointment' AND a.id = s.ref
		WHERE s.id IN (SELECT value FROM json_each(@ids))`,
		{ ids: JSON.stringify(ids) }
	);

/** Of these kinds one that is titled so comes before what only mentions it. */
const TITLED: readonly HitKind[] = ['matter', 'person', 'document'];

function orderMatches(matches: readonly Match[], words: readonly string[]): Match[] {
	const ranked = matches.map((match, place) => {
		const titled = isTitled(match, words);
		const kind = TITLED.indexOf(match.kind);
		return { match, place, titled, rank: titled ? (kind === -1 ? TITLED.length : kind) : 0 };
	});
	ranked.sort(
		(a, b) =>
			Number(b.titled) - Number(a.titled) ||
			a.rank - b.rank ||
			a.match.over - b.match.over ||
			a.place - b.place
	);
	return ranked.map(({ match }) => match);
}

function isTitled({ title }: Match, words: readonly string[]): boolean {
	const own = title === '' ? [] : foldName(title).split(' ');
	return words.every((word) => own.some((other) => other.startsWith(word)));
}

function showHit(app: Application, row: Row, words: readonly string[]): Hit {
	const { kind, ref: id, title, body, number, matterTitle } = row;
	const matter = `/matters/${number}`;
	const about = number ? `${number} ${matterTitle}` : '';
	switch (kind) {
		case 'matter':
			return { kind, id, title: matterTitle ?? '', about: number ?? '', href: matter };
		case 'person':
			return { kind, id, title: row.name ?? '', about: aboutPerson(row), href: `/people/${id}` };
		case 'document':
			return showDocument(row, words);
		case 'hearing':
		case 'date':
		case 'appointment':
			return { kind, id, title, ...showDated(app, row, { matter, about }) };
		case 'task':
			return { kind, id, title, about, href: `${matter}/tasks` };
		case 'request':
			return { kind, id, title, about, href: `/requests/${id}` };
		case 'time':
			return { kind, id, title: snippet(body, words), about, href: `${matter}/time` };
		case 'role':
			return { kind, id, title: snippet(body, words), about, href: matter };
		default:
			return { kind: 'note', id, title: snippet(body, words), about, href: `${matter}/logbook` };
	}
}

/** What has a day says which. */
function showDated(
	app: Application,
	row: Row,
	{ matter, about }: { matter: string; about: string }
): Pick<Hit, 'about' | 'href'> {
	const day = row.day ? formatDate(row.day) : '';
	const words = row.kind === 'date' ? aboutDate(app, row) : day;
	return {
		about: [words, about].filter(Boolean).join(', '),
		href:
			row.kind === 'appointment'
				? `/calendar?appointment=${row.ref}`
				: `${matter}/docket?deadline=${row.ref}`
	};
}

/** Its day and how it stands: a docketed date whose day is over was missed. */
function aboutDate({ clock }: Application, { day, state }: Row): string {
	if (!day) return '';
	const isMissed = state === 'docketed' && day < clock.today();
	return `${formatDate(day)}, ${isMissed ? 'missed' : state}`;
}

function aboutPerson({ personKind, standing }: Row): string {
	const kind = personKind === 'organization' ? 'Organization' : 'Person';
	return standing === 'active' ? kind : `${kind}, ${standing}`;
}

function showDocument({ ref: id, title, body, docNumber }: Row, words: readonly string[]): Hit {
	const text = snippet(body, words);
	return {
		kind: 'document',
		id,
		title: title.replace(` ${docNumber}`, ''),
		about: text ? `${docNumber}: ${text}` : (docNumber ?? ''),
		href: `/documents/${id}`
	};
}

const WORDS_BEFORE = 3;
const WORDS_AFTER = 9;
const SNIPPET_LIMIT = 90;

/** A few words around the first that was found. */
function snippet(body: string, words: readonly string[]): string {
	const all = body.replace(/\s+/g, ' ').trim().split(' ');
	const found = all.findIndex((word) => words.some((typed) => foldName(word).startsWith(typed)));
	const at = Math.max(0, found);
	const shown = all.slice(Math.max(0, at - WORDS_BEFORE), at + WORDS_AFTER).join(' ');
	return `${at > WORDS_BEFORE ? '… ' : ''}${shown}`.slice(0, SNIPPET_LIMIT);
}

export type NumberedMatter = { id: string; number: string; title: string };

/** The matter a typed number means: whole, or without its year where only one fits. */
export function findMatterByNumber(
	{ db }: Application,
	me: Staff,
	typed: string
): NumberedMatter | undefined {
	if (!may(me.role, 'matter.read')) return undefined;
	const exact = maybeOne<NumberedMatter>(
		db,
		`SELECT id, number, title
		FROM matter m
		WHERE m.number = @number AND ${visible('m')}`,
		{ number: typed.toUpperCase(), me: me.id }
	);
	const like = exact ? undefined : likeNumber(typed);
	if (like === undefined) return exact;
	const rows = all<NumberedMatter>(
		db,
		`SELECT id, number, title
		FROM matter m
		WHERE m.number LIKE @like AND m.status <> 'closed' AND ${visible('m')}
		LIMIT 2`,
		{ like, me: me.id }
	);
	return rows.length === 1 ? rows[0] : undefined;
}

/**
 * Open matters that one may see, whose title has a word that begins so; one's own first.
 */
export function listTitled({ db }: Application, me: Staff, word: string): NumberedMatter[] {
	if (!may(me.role, 'matter.read')) return [];
	return all<NumberedMatter>(
		db,
		`SELECT m.id, m.number, m.title
		FROM search s
		JOIN search_text t ON t.id = s.rowid AND t.kind = 'matter'
		JOIN matter m ON m.id = t.ref
		WHERE s.search MATCH @match
			AND m.status <> 'closed'
			AND ${visible('m')}
		ORDER BY ${onTeam('m')} DESC, m.number DESC
		LIMIT ${TITLED_SHOWN}`,
		{ match: `title : ${matchWords(word)}`, me: me.id }
	);
}
/** So many that share a word are looked at. */
const TITLED_SHOWN = 60;

/** "42", "2026-42" and "lf-42" as a pattern of whole numbers; undefined where it is none. */
function likeNumber(typed: string): string | undefined {
	const match = /^(?:([a-z]+)-)?(?:(\d{4})-)?(\d{1,6})$/i.exec(typed);
	if (!match) return undefined;
	const [, series, year, number = ''] = match;
	return `${series?.toUpperCase() ?? '%'}-${year ?? '%'}-${number.padStart(4, '0')}`;
}
