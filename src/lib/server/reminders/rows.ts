/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `reminder`. */
export type ReminderRow = {
	deadline_id: string;
	date: PlainDate;
	rung: number;
	at: string;
};

/** Table `reminder_to`. */
export type ReminderToRow = {
	deadline_id: string;
	date: PlainDate;
	rung: number;
	staff_id: string;
	at: string;
	seen_at: string | null;
};

/** Table `escalation`. */
export type EscalationRow = {
	deadline_id: string;
	date: PlainDate;
	staff_id: string;
	at: string;
};

/** Table `mute`. */
export type MuteRow = {
	staff_id: string;
	matter_id: string;
};

/** Table `digest`. */
export type DigestRow = {
	staff_id: string;
	day: PlainDate;
};
