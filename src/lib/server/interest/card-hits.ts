/**
 * Cards that a name may mean, by any of their names, with what they are on matters; parents and
 * affiliates come with them.
 */
import { bandOf, compareNames } from '#core/people/compare.ts';
import { nameForm } from '#core/people/name-form.ts';
import { cardVisible, visible } from '#server/access/visibility.ts';
import type { Db } from '#server/db/open.ts';
import { all, exists } from '#server/db/sql.ts';
import { TIES } from '#server/people/sql.ts';
import { LEAST, type InterestHit, type Scope } from './hit.ts';

type CardRow = {
	id: string;
	name: string;
	kind: string;
	status: string;
	/** The one of its names that was compared, and which sort of name it is. */
	compared: string;
	sort: 'name' | 'former' | 'alias';
	seen: boolean;
	/** The restricted matter it was made for. */
	madeFor: string | null;
};
type Likeness = { card: CardRow; strength: number; why: string[] };
type Found = Map<string, Likeness>;

/** From this strength on, what belongs to a card is told too; and it tells no more than this. */
const RELATED_FROM = 70;
const RELATED_MOST = 80;

export function findCardHits(
	db: Db,
	name: string,
	scope: Scope
): { hits: InterestHit[]; hidden: string[] } {
	const found = compareCards(db, name, scope.me);
	for (const likeness of [...found.values()])
		if (likeness.strength >= RELATED_FROM) addRelated(db, found, likeness, scope.me);
	const hits: InterestHit[] = [];
	const hidden: string[] = [];
	for (const likeness of found.values()) {
		const ties = listTies(db, likeness.card.id, scope.me);
		hidden.push(...ties.filter((tie) => !tie.seen).map(({ matterId }) => matterId));
		if (!likeness.card.seen && likeness.card.madeFor) hidden.push(likeness.card.madeFor);
		const told = ties.filter((tie) => tie.seen && tie.number !== scope.matterNumber);
		if (likeness.card.seen && !isOwn(likeness.card, ties, told, scope))
			hits.push(showCard(likeness, told));
	}
	return { hits, hidden };
}

function compareCards(db: Db, name: string, me: string): Found {
	const form = nameForm(name);
	const found: Found = new Map();
	const rows = all<Omit<CardRow, 'seen'> & { seen: 0 | 1 }>(
		db,
		`SELECT
			p.id, p.name, p.kind, p.status, p.name AS compared, 'name' AS sort, p.made_for AS madeFor,
			${cardVisible('p')} AS seen
		FROM person p
		WHERE p.merged_into IS NULL
		UNION ALL
		SELECT p.id, p.name, p.kind, p.status, n.name, n.kind, p.made_for, ${cardVisible('p')}
		FROM person_name n
		JOIN person p ON p.id = n.person_id
		WHERE p.merged_into IS NULL`,
		{ me }
	);
	for (const row of rows) {
		const { strength, reasons } = compareNames(form, nameForm(row.compared));
		if (strength < LEAST || strength <= (found.get(row.id)?.strength ?? 0)) continue;
		const card = { ...row, seen: row.seen === 1 };
		found.set(row.id, { card, strength, why: [...reasons, ...whichName(card)] });
	}
	return found;
}

function whichName({ sort, compared }: CardRow): string[] {
	if (sort === 'former') return [`former name ${compared}`];
	return sort === 'alias' ? [`also known as ${compared}`] : [];
}

type RelatedRow = Pick<CardRow, 'id' | 'name' | 'kind' | 'status' | 'madeFor'> & { how: string };
function addRelated(db: Db, found: Found, { card, strength }: Likeness, me: string): void {
	const related = all<RelatedRow>(
		db,
		`SELECT p.id, p.name, p.kind, p.status, p.made_for AS madeFor, 'parent' AS how
		FROM person p
		WHERE p.id = (SELECT parent_id FROM person WHERE id = @id)
		UNION
		SELECT p.id, p.name, p.kind, p.status, p.made_for, 'affiliate'
		FROM person p
		WHERE p.merged_into IS NULL
			AND (p.parent_id = @id OR p.parent_id = (SELECT parent_id FROM person WHERE id = @id))
			AND p.id <> @id`,
		{ id: card.id }
	);
	for (const { how, ...other } of related) {
		if (found.has(other.id)) continue;
		// The tie itself is part of the card that matched: a card that is hidden hides it too.
		const seen = card.seen && isSeen(db, other.id, me);
		found.set(other.id, {
			card: { ...other, compared: other.name, sort: 'name', seen },
			strength: Math.min(strength, RELATED_MOST),
			why: [`${how} of ${card.name}`]
		});
	}
}

const isSeen = (db: Db, id: string, me: string): boolean =>
	exists(db, `SELECT 1 FROM person p WHERE p.id = @id AND ${cardVisible('p')}`, { id, me });

type Tie = {
	matterId: string;
	role: string;
	number: string;
	title: string;
	status: string;
	seen: 0 | 1;
};
const listTies = (db: Db, id: string, me: string): Tie[] =>
	all(
		db,
		`SELECT m.id AS matterId, r.role, m.number, m.title, m.status, ${visible('m')} AS seen
		FROM (${TIES}) r
		JOIN matter m ON m.id = r.matter_id
		ORDER BY m.status = 'closed', m.number DESC`,
		{ id, me }
	);

/** A card that is known only by its role on the matter the check is made for tells nothing new. */
const isOwn = (
	card: CardRow,
	ties: readonly Tie[],
	told: readonly Tie[],
	{ matterNumber, personIds }: Scope
): boolean =>
	told.length === 0 &&
	(personIds.includes(card.id) ||
		(matterNumber !== null && ties.some((tie) => tie.number === matterNumber)));

function showCard({ card, strength, why }: Likeness, told: readonly Tie[]): InterestHit {
	const kind = card.kind === 'person' ? 'Person' : 'Organization';
	const tieText = ({ role, number, title, status }: Tie) =>
		`${role} on ${number} ${title}${status === 'closed' ? ' (closed)' : ''}`;
	return {
		what: 'person',
		title: card.name,
		about: card.status === 'active' ? kind : `${kind}, ${card.status}`,
		href: `/people/${card.id}`,
		excerpt: told.map(tieText).join('; '),
		strength,
		band: bandOf(strength),
		why
	};
}
