/** The list of people and organizations, and what it is filtered by. */
import { cardVisible, visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, scalar } from '#server/db/sql.ts';
import { matchWords } from '#server/search/match.ts';
import type { PersonRow } from './rows.ts';
import { contactSql, OTHER_NAMES } from './sql.ts';

export type PersonListing = Pick<PersonRow, 'id' | 'name' | 'kind' | 'status'> & {
	otherNames: string;
	parent: string;
	mail: string;
	phone: string;
	categories: string;
	/** What they are on those matters. */
	roles: string;
	/** On how many matters that one may see. */
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
const FILTERS = ['q', 'kind', 'category', 'status', 'role'] as const;
const FILTER_LIMIT = 200;

/** The filter that a query string means. */
export function parsePeopleFilter(params: URLSearchParams): PeopleFilter {
	const filter: PeopleFilter = { page: Math.max(1, Math.floor(Number(params.get('page'))) || 1) };
	for (const key of FILTERS) {
		const value = params.get(key)?.slice(0, FILTER_LIMIT);
		if (value) filter[key] = value;
	}
	return filter;
}

/** Conditions on the person p, each for a part of the filter that is given. */
const CONDITIONS: Readonly<Record<(typeof FILTERS)[number], string>> = {
	q: `p.id IN (
			SELECT s.ref
			FROM search x
			JOIN search_text s ON s.id = x.rowid
			WHERE search MATCH @match AND s.kind = 'person'
		)`,
	kind: 'p.kind = @kind',
	status: 'p.status = @status',
	category: `EXISTS (
			SELECT 1 FROM person_category c WHERE c.person_id = p.id AND c.category = @category
		)`,
	role: `EXISTS (
			SELECT 1
			FROM matter_role r
			JOIN matter m ON m.id = r.matter_id
			WHERE r.person_id = p.id AND r.role = @role AND ${visible('m')}
		)`
};

/** People by name, a page at a time; all of them where `limit` says so. */
export function listPeople(
	app: Application,
	me: Staff,
	filter: PeopleFilter,
	limit = PEOPLE_PAGE
): { rows: PersonListing[]; total: number } {
	const match = matchWords(filter.q ?? '');
	if (filter.q?.trim() && match === '') return { rows: [], total: 0 };
	const given = FILTERS.filter((key) => (key === 'q' ? match !== '' : filter[key]));
	const where = [cardVisible('p'), ...given.map((key) => CONDITIONS[key])].join(' AND ');
	const params = { ...filter, match, me: me.id };
	const total = scalar(app.db, `SELECT count(*) FROM person p WHERE ${where}`, params);
	const rows = all<PersonListing>(
		app.db,
		`SELECT
			p.id, p.name, p.kind, p.status, ${OTHER_NAMES} AS otherNames,
			coalesce(
				(SELECT o.name FROM person o WHERE o.id = p.parent_id AND ${cardVisible('o')}), ''
			) AS parent,
			${contactSql('p', 'mail')} AS mail, ${contactSql('p', 'phone')} AS phone,
			coalesce(
				(SELECT group_concat(category, ', ') FROM person_category c WHERE c.person_id = p.id),
				''
			) AS categories,
			coalesce(
				(
					SELECT group_concat(role, ', ')
					FROM (
						SELECT DISTINCT r.role
						FROM matter_role r
						JOIN matter m ON m.id = r.matter_id
						WHERE r.person_id = p.id AND ${visible('m')}
						ORDER BY r.role
					)
				),
				''
			) AS roles,
			(
				SELECT count(DISTINCT r.matter_id)
				FROM matter_role r
				JOIN matter m ON m.id = r.matter_id
				WHERE r.person_id = p.id AND ${visible('m')}
			) AS matters
		FROM person p
		WHERE ${where}
		ORDER BY p.folded, p.id
		LIMIT @limit OFFSET @offset`,
		{ ...params, limit, offset: limit * ((filter.page ?? 1) - 1) }
	);
	return { rows, total };
}

export const listCategories = (app: Application, me: Staff): { category: string; n: number }[] =>
	all(
		app.db,
		`SELECT c.category, count(*) AS n
		FROM person_category c
		JOIN person p ON p.id = c.person_id
		WHERE ${cardVisible('p')}
		GROUP BY c.category
		ORDER BY c.category`,
		{ me: me.id }
	);

export const listRolesInUse = (app: Application, me: Staff): string[] =>
	all<{ role: string }>(
		app.db,
		`SELECT DISTINCT r.role
		FROM matter_role r
		JOIN matter m ON m.id = r.matter_id
		WHERE ${visible('m')}
		ORDER BY r.role`,
		{ me: me.id }
	).map(({ role }) => role);
