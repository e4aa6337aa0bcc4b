/** What stands beside a matter's sheet, the matters one has at hand, and saved lists. */
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne, run } from '#server/db/sql.ts';
import { contactSql } from '#server/people/sql.ts';
import type { MatterLinkRow, MatterReferenceRow, MatterRow, SavedViewRow } from './rows.ts';

export type MatterSidebar = {
	/** Numbers that others give the matter. */
	references: Pick<MatterReferenceRow, 'whose' | 'number'>[];
	links: Pick<MatterLinkRow, 'name' | 'url'>[];
	/** `first`: this matter was named first, so it is "appeal of" the other. */
	related: (Pick<MatterRow, 'number' | 'title' | 'status'> & { how: string; first: 0 | 1 })[];
	/** Mail addresses by role. */
	addresses: { role: string; name: string; email: string; status: string }[];
	requests: { id: string; number: string; about: string }[];
};

/** What stands beside the sheet of a matter that was found. */
export function findMatterSidebar({ db }: Application, me: Staff, matterId: string): MatterSidebar {
	const key = { matterId };
	return {
		references: all(
			db,
			`SELECT whose, number
			FROM matter_reference
			WHERE matter_id = @matterId
			ORDER BY whose, number`,
			key
		),
		links: all(
			db,
			'SELECT name, url FROM matter_link WHERE matter_id = @matterId ORDER BY name',
			key
		),
		related: all(
			db,
			`SELECT m.number, m.title, r.how, r.a_id = @matterId AS first, m.status
			FROM matter_relation r
			JOIN matter m ON m.id = CASE WHEN r.a_id = @matterId THEN r.b_id ELSE r.a_id END
			WHERE (r.a_id = @matterId OR r.b_id = @matterId) AND ${visible('m')}
			ORDER BY m.number`,
			{ ...key, me: me.id }
		),
		addresses: all<MatterSidebar['addresses'][number]>(
			db,
			`SELECT r.role, p.name, ${contactSql('p', 'mail')} AS email, p.status
			FROM matter_role r
			JOIN person p ON p.id = r.person_id
			WHERE r.matter_id = @matterId
			ORDER BY r.role, p.name`,
			key
		).filter(({ email }) => email !== ''),
		requests: all(
			db,
			'SELECT id, number, about FROM request WHERE matter_id = @matterId ORDER BY number',
			key
		)
	};
}

export type NearMatter = { number: string; title: string; pinned: boolean };
const EACH = 12;
const NEAR = 15;

/** Matters pinned, and those opened last: what one keystroke brings. */
export function listNearMatters({ db }: Application, me: Staff): NearMatter[] {
	const list = (from: string, order: string) =>
		all<{ number: string; title: string }>(
			db,
			`SELECT m.number, m.title
			FROM ${from} x
			JOIN matter m ON m.id = x.matter_id
			WHERE x.staff_id = @me AND ${visible('m')}
			ORDER BY ${order} DESC
			LIMIT ${EACH}`,
			{ me: me.id }
		);
	const pinned = list('pinned', 'm.number').map((matter) => ({ ...matter, pinned: true }));
	const recent = list('recent', 'x.at')
		.filter(({ number }) => !pinned.some((other) => other.number === number))
		.map((matter) => ({ ...matter, pinned: false }));
	return [...pinned, ...recent].slice(0, NEAR);
}

const RECENT_KEPT = 30;
/**
 * Notes that someone looked at a matter, for the list of those opened last. A trace of reading, not
 * a change of the world: it has no command.
 */
export function noteSeen(app: Application, me: Staff, matterId: string): void {
	const params = { me: me.id, matterId, at: app.clock.now() };
	const last = maybeOne<{ matter_id: string }>(
		app.db,
		'SELECT matter_id FROM recent WHERE staff_id = @me ORDER BY at DESC LIMIT 1',
		params
	);
	if (last?.matter_id === matterId) return;
	run(
		app.db,
		`INSERT INTO recent (staff_id, matter_id, at)
		VALUES (@me, @matterId, @at)
		ON CONFLICT DO UPDATE SET at = excluded.at`,
		params
	);
	run(
		app.db,
		`DELETE FROM recent
		WHERE staff_id = @me
			AND matter_id NOT IN (
				SELECT matter_id
				FROM recent
				WHERE staff_id = @me
				ORDER BY at DESC
				LIMIT ${RECENT_KEPT}
			)`,
		params
	);
}

export type SavedView = Pick<SavedViewRow, 'id' | 'name' | 'query' | 'shared'> & {
	mine: 0 | 1;
	by: string;
};
/** One's own saved lists, then those that colleagues share. */
export const listSavedViews = ({ db }: Application, me: Staff): SavedView[] =>
	all(
		db,
		`SELECT v.id, v.name, v.query, v.shared, v.staff_id = @me AS mine, s.name AS "by"
		FROM saved_view v
		JOIN staff s ON s.id = v.staff_id
		WHERE v.staff_id = @me OR v.shared = 1
		ORDER BY v.staff_id <> @me, v.name`,
		{ me: me.id }
	);
