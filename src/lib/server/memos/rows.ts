/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `memo`. */
export type MemoRow = {
	id: string;
	person_id: string | null;
	by_id: string;
	for_id: string;
	text: string;
	remind_on: PlainDate | null;
	at: string;
	done_at: string | null;
};
