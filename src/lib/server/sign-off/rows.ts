/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `sign_off`. */
export type SignOffRow = {
	id: string;
	staff_id: string;
	/** The Monday of its week. */
	week: PlainDate;
	/** The last day whose dates it is about. */
	until: PlainDate;
	at: string;
};

/** Table `sign_off_date`. */
export type SignOffDateRow = {
	sign_off_id: string;
	deadline_id: string;
	/** As it stood then. */
	date: PlainDate;
	/** What is not right; empty where it is. */
	words: string;
};

/** Table `sign_off_ask`. */
export type SignOffAskRow = {
	staff_id: string;
	week: PlainDate;
	round: 1 | 2;
	at: string;
};
