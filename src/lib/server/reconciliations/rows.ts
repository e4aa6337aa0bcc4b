/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `reconciliation`. */
export type ReconciliationRow = {
	id: string;
	staff_id: string;
	at: string;
	source: string;
	unread: string;
};

/** Table `reconciliation_entry`. */
export type ReconciliationEntryRow = {
	reconciliation_id: string;
	place: number;
	state: 'agrees' | 'differs' | 'missing here' | 'missing there' | 'no matter';
	matter_id: string | null;
	deadline_id: string | null;
	our_title: string;
	our_date: PlainDate | null;
	our_time: string | null;
	their_title: string;
	their_date: PlainDate | null;
	their_time: string | null;
	case_number: string;
};
