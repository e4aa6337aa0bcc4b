/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `activity_code`. */
export type ActivityCodeRow = {
	code: string;
	name: string;
	matter_work: 0 | 1;
	position: number;
};

/** Table `time_entry`. */
export type TimeEntryRow = {
	id: string;
	staff_id: string;
	matter_id: string | null;
	day: PlainDate;
	minutes: number;
	narrative: string;
	activity: string | null;
	released_at: string | null;
	created_at: string;
	version: number;
};

/** Table `timer`. */
export type TimerRow = {
	id: string;
	staff_id: string;
	matter_id: string;
	words: string;
	started_at: string | null;
	gathered_ms: number;
	created_at: string;
};
