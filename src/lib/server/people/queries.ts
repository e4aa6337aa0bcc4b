/** People and organizations as one may see them: lists, cards, roles on matters. */
import type { PlainDate } from '#core/dates/plain.ts';
import { cardVisible, visible } from '#server/access/visibility.ts';
import type { Application, Context, Staff } from '#server/app/application.ts';
import { actingStaff } from '#server/app/application.ts';
import { all, exists, maybeOne } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { matchWords } from '#server/search/match.ts';
import { findCardFields, findPersonName, type CardContact, type CardFields } from './card.ts';
import type { NearName } from './near.ts';
import { viewOwn, type OwnView } from './own-fields.ts';
import { listTies, type Ties } from './ties.ts';
import type { PersonRow } from './rows.ts';
import { contactSql, OTHER_NAMES, TIES } from './sql.ts';
import { nearNamesTask } from './tasks.ts';

type Has = Pick<Application, 'db'>;

/** The roles of the person p that one may see. Takes @me. */
const ROLES = `coalesce(
		(
			SELECT group_concat(DISTINCT r.role)
			FROM matter_role r
			JOIN matter m ON m.id = r.matter_id
			WHERE r.person_id = p.id AND ${visible('m')}
		),
		''
	)`;
const HIT = `SELECT p.id, p.name, p.kind, p.status, ${OTHER_NAMES} AS otherNames, ${ROLES} AS roles`;

export type PersonHit = Pick<PersonRow, 'id' | 'name' | 'kind' | 'status'> & {
	otherNames: string;
	roles: string;
};

/** Where fewer than this many have the words, near names are offered too. */
const FEW = 3;
const NEAR_SHOWN = 4;
const NEAR_FROM = 72;
/** Longer than any name: what is typed beyond it is not looked at. */
const TYPED_LIMIT = 200;

/**
 * People of whom any name has every typed word, with the roles one may see; then those whose names
 * are near to it.
 */
export async function findPeople(ctx: Context, typed: string, limit = 8): Promise<PersonHit[]> {
	const name = typed.slice(0, TYPED_LIMIT);
	const match = matchWords(name);
	if (match === '') return [];
	const me = actingStaff(ctx).id;
	const hits = all<PersonHit>(
		ctx.db,
		`${HIT}
		FROM search x
		JOIN search_text s ON s.id = x.rowid
		JOIN person p ON p.id = s.ref
		WHERE search MATCH @match AND s.kind = 'person' AND ${cardVisible('p')}
		ORDER BY x.rank, p.name
		LIMIT @limit`,
		{ match, me, limit }
	);
	if (hits.length >= FEW) return hits;
	const near = await ctx.work.run(nearNamesTask, { me, name, least: NEAR_FROM });
	const others = near.filter(({ id }) => !hits.some((hit) => hit.id === id));
	return [...hits, ...listHits(ctx, others.slice(0, NEAR_SHOWN))];
}

function listHits(ctx: Context, people: readonly { id: string }[]): PersonHit[] {
	const me = actingStaff(ctx).id;
	return people.flatMap(({ id }) =>
		all<PersonHit>(ctx.db, `${HIT} FROM person p WHERE p.id = @id`, { id, me })
	);
}

type PersonTie = Pick<MatterRow, 'number' | 'title' | 'status'> & {
	role: string;
	note: string;
	from: PlainDate | null;
	to: PlainDate | null;
};
type Named = { id: string; name: string };
export type PersonCard = {
	id: string;
	version: number;
	fields: CardFields;
	contacts: CardContact[];
	parent: Named | null;
	affiliates: Named[];
	/** Cards that were merged into this one. */
	merged: (Named & { at: string })[];
	matters: PersonTie[];
	ties: Ties;
	own: OwnView[];
	/** Names behind the ids in the fields, for the form. */
	names: Record<string, string>;
};

/**
 * A card; or where it went, where it was merged into another; undefined where it is not there for
 * this person.
 */
export function findPersonCard(
	app: Application,
	me: Staff,
	id: string
): PersonCard | { mergedInto: string } | undefined {
	const person = maybeOne<PersonRow>(app.db, 'SELECT * FROM person WHERE id = @id', { id });
	const fields = findCardFields(app, id);
	if (!person || !fields) return undefined;
	const shown = person.merged_into ?? id;
	if (listVisible(app, me, 'p.id = @key', shown).length === 0) return undefined;
	if (person.merged_into) return { mergedInto: person.merged_into };
	const parent = person.parent_id;
	const sisters = parent ? listVisible(app, me, 'p.parent_id = @key', parent) : [];
	return {
		id,
		version: person.version,
		fields,
		contacts: JSON.parse(fields.contacts) as CardContact[],
		parent: parent ? (listVisible(app, me, 'p.id = @key', parent)[0] ?? null) : null,
		affiliates: [
			...listVisible(app, me, 'p.parent_id = @key', id),
			...sisters.filter((sister) => sister.id !== id)
		],
		merged: mayMerge(app, me, id) ? listMerged(app, id) : [],
		matters: listMatterTies(app, me, id),
		ties: listTies(app, me, id),
		own: viewOwn(app, id, (personId) => findPersonName(app, personId)),
		names: namesIn(app, me, fields)
	};
}

/** The names of the cards that the fields name, of those one may see. */
function namesIn(app: Has, me: Staff, fields: CardFields): Record<string, string> {
	const ids = Object.values(fields).flatMap((value) => value.match(/per_\w+/g) ?? []);
	return Object.fromEntries(
		[...new Set(ids)]
			.flatMap((id) => listVisible(app, me, 'p.id = @key', id))
			.map(({ id, name }) => [id, name])
	);
}

/** Cards whose names are so near to this card's that they are shown on it. */
export async function listNearCards(ctx: Context, id: string, name: string): Promise<NearName[]> {
	const near = await ctx.work.run(nearNamesTask, {
		me: actingStaff(ctx).id,
		name,
		least: SHOWN_ON_CARD
	});
	return near.filter((other) => other.id !== id);
}
const SHOWN_ON_CARD = 84;

const listVisible = ({ db }: Has, me: Staff, condition: string, key: string): Named[] =>
	all(
		db,
		`SELECT p.id, p.name
		FROM person p
		WHERE ${condition} AND ${cardVisible('p')}
		ORDER BY p.name`,
		{ key, me: me.id }
	);

const listMerged = ({ db }: Has, id: string): PersonCard['merged'] =>
	all(
		db,
		`SELECT g.id, p.name, g.at
		FROM person_merge g
		JOIN person p ON p.id = g.gone_id
		WHERE g.kept_id = @id AND g.undone_at IS NULL
		ORDER BY g.id DESC`,
		{ id }
	);

const listMatterTies = ({ db }: Has, me: Staff, id: string): PersonTie[] =>
	all(
		db,
		`SELECT m.number, m.title, r.role, m.status, r.note, r.from_day AS "from", r.to_day AS "to"
		FROM (${TIES}) r
		JOIN matter m ON m.id = r.matter_id
		WHERE ${visible('m')}
		ORDER BY m.status = 'closed', m.number DESC`,
		{ id, me: me.id }
	);

/** Merging moves roles: only who sees all matters of a card may do it. */
export const mayMerge = ({ db }: Has, me: Staff, id: string): boolean =>
	!exists(
		db,
		`SELECT 1
		FROM matter m
		WHERE (
			m.id IN (SELECT matter_id FROM matter_role WHERE person_id = @id)
			OR m.id IN (SELECT matter_id FROM matter_fact WHERE value = @id)
			OR m.id IN (SELECT matter_id FROM witness WHERE person_id = @id)
		)
			AND NOT ${visible('m')}`,
		{ id, me: me.id }
	);

export type RoleView = {
	roleId: string;
	id: string;
	name: string;
	role: string;
	note: string;
	email: string;
	phone: string;
	kind: PersonRow['kind'];
	status: PersonRow['status'];
	from: string | null;
	to: string | null;
};
/** Who is what on a matter that was found, by role and name. */
export const listRoles = (app: Pick<Application, 'db'>, matterId: string): RoleView[] =>
	all(
		app.db,
		`SELECT
			r.id AS roleId, p.id, p.name, r.role, r.note, ${contactSql('p', 'mail')} AS email,
			${contactSql('p', 'phone')} AS phone, p.kind, p.status, r.from_day AS "from",
			r.to_day AS "to"
		FROM matter_role r
		JOIN person p ON p.id = r.person_id
		WHERE r.matter_id = @matterId
		ORDER BY r.role, p.name`,
		{ matterId }
	);
