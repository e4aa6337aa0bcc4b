/** Whom somebody lets keep their calendar. */
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';

export const listKeepers = (
	{ db }: Pick<Reader, 'db'>,
	me: Staff
): { id: string; name: string }[] =>
	all(
		db,
		`SELECT s.id, s.name
		FROM calendar_keeper k
		JOIN staff s ON s.id = k.keeper_id AND s.active = 1
		WHERE k.staff_id = @me
		ORDER BY s.name`,
		{ me: me.id }
	);
