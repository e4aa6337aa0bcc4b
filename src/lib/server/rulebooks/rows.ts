/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `book_version`. */
export type BookVersionRow = {
	book: string;
	n: number;
	yaml: string;
	title: string;
	reviewed: PlainDate;
	reason: string;
	saved_by: string;
	saved_at: string;
};
