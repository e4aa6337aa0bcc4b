/** Who works on a matter: the responsible lawyer and the members. */
import type { Db } from '../db/open.ts';
import { all, exists } from '../db/sql.ts';

export type TeamMember = {
	id: string;
	name: string;
	initials: string;
	email: string;
	/**
	 * What they are on the matter: its responsible lawyer, one who may change who is on it, or a
	 * member.
	 */
	role: 'responsible' | 'owner' | 'member';
	/** In the trade's words; empty where nothing was said. */
	part: string;
	access: 'change' | 'read';
};

/** Everyone on a matter, by name. */
export const listTeam = (db: Db, matterId: string): TeamMember[] =>
	all<TeamMember>(
		db,
		`SELECT s.id, s.name, s.initials, s.email, t.role, t.part, t.access
		FROM matter_team t
		JOIN staff s ON s.id = t.staff_id
		WHERE t.matter_id = @matterId
		ORDER BY s.name`,
		{ matterId }
	);

/** Whether someone is on a matter to read it only. */
export const mayOnlyRead = (db: Db, matterId: string, staffId: string): boolean =>
	exists(
		db,
		`SELECT 1
		FROM matter_member x
		JOIN matter m ON m.id = x.matter_id
		WHERE x.matter_id = @matterId
			AND x.staff_id = @staffId
			AND x.access = 'read'
			AND m.responsible_id <> @staffId`,
		{ matterId, staffId }
	);

/** Whether someone is on a matter. */
export const isOnTeam = (db: Db, matterId: string, staffId: string): boolean =>
	exists(db, 'SELECT 1 FROM matter_team WHERE matter_id = @matterId AND staff_id = @staffId', {
		matterId,
		staffId
	});
