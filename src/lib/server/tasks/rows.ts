/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `task`. */
export type TaskRow = {
	id: string;
	matter_id: string;
	subject: string;
	assignee_id: string;
	due: PlainDate | null;
	deadline_id: string | null;
	offset_days: number | null;
	offset_unit: 'd' | 'cd' | null;
	state: 'open' | 'done' | 'dropped';
	created_by: string;
	created_at: string;
	done_at: string | null;
	version: number;
};
