/** Rooms and things that can be booked, and the department's own sorts of appointments. */
import type { Reader } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { AppointmentSortRow, ResourceRow } from './rows.ts';

type Has = Pick<Reader, 'db'>;

export const listResources = ({ db }: Has): ResourceRow[] =>
	all(db, "SELECT * FROM resource ORDER BY active DESC, sort = 'room' DESC, name");

export const findResource = ({ db }: Has, id: string): ResourceRow | undefined =>
	maybeOne(db, 'SELECT * FROM resource WHERE id = @id', { id });

export const listSorts = ({ db }: Has): AppointmentSortRow[] =>
	all(db, 'SELECT * FROM appointment_sort ORDER BY name');
