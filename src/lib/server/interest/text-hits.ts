/**
 * Where names stand in what is written: matters, notes, documents, tasks, time, roles, requests.
 */
import type { Reason } from '#core/people/alike.ts';
import { bandOf } from '#core/people/compare.ts';
import { findInText, type Expansion, type Place } from '#core/people/find-in-text.ts';
import { nameForm, tellingWords, wordsOf, type NameForm } from '#core/people/name-form.ts';
import { visible } from '#server/access/visibility.ts';
import type { Db } from '#server/db/open.ts';
import { all } from '#server/db/sql.ts';
import { LEAST, type InterestHit, type Scope } from './hit.ts';
import { loadVocabulary, type Vocabulary } from './vocabulary.ts';

type TextRow = {
	id: number;
	kind: string;
	/** The id of what it is. */
	ref: string;
	matter_id: string | null;
	title: string;
	body: string;
	number: string | null;
	matterTitle: string | null;
	seen: 0 | 1;
};
export type FoundText = { row: TextRow; text: string; words: string[]; place: Place };

/** Texts of the index that are looked into for one name. */
const CANDIDATES = 500;

/** What the index holds for one name, and the matters of what may not be seen. */
export function findTextHits(
	db: Db,
	name: string,
	scope: Scope
): { found: FoundText[]; hidden: string[] } {
	const form = nameForm(name);
	const { near, query } = expandName(loadVocabulary(db), form);
	if (query === '') return { found: [], hidden: [] };
	const found: FoundText[] = [];
	const hidden: string[] = [];
	for (const row of listCandidates(db, query, scope)) {
		const text = `${row.title}  ${row.body}`;
		const words = wordsOf(text);
		const place = findInText(words, form, near);
		if (!place || place.strength < LEAST) continue;
		if (row.seen) found.push({ row, text, words, place });
		else if (row.matter_id) hidden.push(row.matter_id);
	}
	return { found: found.filter(({ row }) => !isOwn(row, scope)), hidden };
}

/** What belongs to the matter or the request the check is made for. */
const isOwn = ({ number, kind, ref }: TextRow, scope: Scope): boolean =>
	(scope.matterNumber !== null && number === scope.matterNumber) ||
	(kind === 'request' && ref === scope.requestId);

const listCandidates = (db: Db, query: string, { me }: Scope): TextRow[] =>
	all(
		db,
		`SELECT
			s.id, s.kind, s.ref, s.matter_id, s.title, s.body, m.number, m.title AS matterTitle,
			CASE WHEN s.matter_id IS NULL OR m.restricted = 0 THEN 1 ELSE ${visible('m')} END AS seen
		FROM (
			SELECT rowid FROM search WHERE search MATCH @query ORDER BY rank LIMIT ${CANDIDATES}
		) x
		JOIN search_text s ON s.id = x.rowid
		LEFT JOIN matter m ON m.id = s.matter_id
		WHERE s.kind <> 'person'`,
		{ query, me }
	);

/**
 * How much an initial and words written together tell, and how like words written together must be.
 */
const INITIAL_SCORE = 0.8;
const TOGETHER_SCORE = 0.96;
const TOGETHER_FROM = 0.9;

/**
 * Words of the index that may be meant by the words of a name, and the full-text query that asks
 * for all telling ones.
 */
export function expandName(
	vocabulary: Vocabulary,
	form: NameForm
): { near: Expansion; query: string } {
	const near: Expansion = new Map();
	const mean = (word: string, token: number, score: number, reason: Reason) =>
		near.set(word, [...(near.get(word) ?? []), { token, score, reason }]);
	const telling = new Set(tellingWords(form));
	const groups: string[][] = [];
	for (const [token, word] of form.tokens.entries()) {
		const words = vocabulary.near(word);
		for (const other of words) mean(other.word, token, other.score, other.reason);
		const initial = word.charAt(0);
		const mayBeInitial = form.tokens.length > 1 && word.length > 1 && vocabulary.has(initial);
		if (mayBeInitial) mean(initial, token, INITIAL_SCORE, 'initial');
		if (telling.has(word) && word.length > 1)
			groups.push([...words.map((other) => other.word), ...(mayBeInitial ? [initial] : [])]);
	}
	const together = listTogether(vocabulary, form);
	for (const word of together)
		near.set(
			word,
			form.tokens.map((_, token) => ({
				token,
				score: TOGETHER_SCORE,
				reason: 'written together'
			}))
		);
	return { near, query: makeQuery(groups, together) };
}

/** Words of the index that are the whole name, written together. */
const listTogether = (vocabulary: Vocabulary, form: NameForm): string[] =>
	form.tokens.length < 2
		? []
		: vocabulary
				.near(form.joined)
				.filter(({ score }) => score >= TOGETHER_FROM)
				.map(({ word }) => word);

function makeQuery(groups: readonly string[][], together: readonly string[]): string {
	const quote = (word: string) => `"${word.replaceAll('"', '""')}"`;
	const apart =
		groups.length && groups.every((group) => group.length)
			? [groups.map((group) => `(${group.map(quote).join(' OR ')})`).join(' AND ')]
			: [];
	return [...apart.map((all) => `(${all})`), ...together.map(quote)].join(' OR ');
}

/** A found text as it is shown: where it stands, and the words around the name. */
export function showTextHit({ row, text, words, place }: FoundText): InterestHit {
	return {
		...locate(row),
		excerpt: row.kind === 'matter' ? '' : excerptOf(text, words.length, place),
		strength: place.strength,
		band: bandOf(place.strength),
		why: place.reasons
	};
}

type Location = Pick<InterestHit, 'what' | 'title' | 'about' | 'href'>;
function locate({ kind, title, ref, number, matterTitle }: TextRow): Location {
	const about = number ? `${number} ${matterTitle}` : '';
	const matter = `/matters/${number}`;
	switch (kind) {
		case 'matter':
			return { what: 'matter', title: matterTitle ?? '', about: number ?? '', href: matter };
		case 'document':
			return { what: 'document', title, about, href: `/documents/${ref}` };
		case 'hearing':
			return { what: 'hearing', title, about, href: `${matter}/docket?deadline=${ref}` };
		case 'date':
			return { what: 'date', title, about, href: `${matter}/docket?deadline=${ref}` };
		case 'appointment':
			return {
				...{ what: 'appointment', title, about: about || 'Appointment' },
				href: `/calendar?appointment=${ref}`
			};
		case 'task':
			return { what: 'task', title, about, href: `${matter}/tasks` };
		case 'time':
			return { what: 'time', title: 'Time narrative', about, href: `${matter}/time` };
		case 'role':
			return { what: 'role', title: 'Note beside a role', about, href: matter };
		case 'request':
			return { what: 'request', title, about: about || 'Request', href: `/requests/${ref}` };
		default:
			return { what: 'note', title: 'Logbook', about, href: `${matter}/logbook` };
	}
}

/** Words shown before and after the name, and characters in all. */
const WORDS_BEFORE = 6;
const WORDS_AFTER = 8;
const EXCERPT_LIMIT = 240;
/** A word that folding does not split, as most are. */
const PLAIN_WORD = /^[a-z0-9]+[.,;:]?$/i;

/**
 * Some words of the text around those found. Words as folded and as written run side by side, but
 * for those that folding splits.
 */
function excerptOf(text: string, count: number, { from, to }: Place): string {
	const written: string[] = [];
	const counts: number[] = [];
	for (const word of text.split(/\s+/)) {
		const words = PLAIN_WORD.test(word) ? 1 : wordsOf(word).length;
		if (words === 0) continue;
		written.push(word);
		counts.push(words);
	}
	let folded = 0;
	let first = 0;
	let end = written.length;
	for (const [index, words] of counts.entries()) {
		if (folded <= Math.max(0, from - WORDS_BEFORE)) first = index;
		folded += words;
		if (folded >= Math.min(count, to + WORDS_AFTER)) {
			end = index + 1;
			break;
		}
	}
	const before = first > 0 ? '… ' : '';
	const after = end < written.length ? ' …' : '';
	return `${before}${written.slice(first, end).join(' ')}${after}`.slice(0, EXCERPT_LIMIT);
}
