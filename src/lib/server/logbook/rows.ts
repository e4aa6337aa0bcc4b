/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `logbook`. */
export type LogbookRow = {
	id: string;
	matter_id: string;
	at: string;
	staff_id: string | null;
	kind: 'note' | 'matter' | 'people' | 'date' | 'task' | 'document' | 'signing' | 'time' | 'cost';
	text: string;
	link: string | null;
	asks: number;
	answers: string | null;
	taken_back_at: string | null;
	aside: 0 | 1;
	request_id: string | null;
};

/** Table `logbook_mention`. */
export type LogbookMentionRow = {
	log_id: string;
	staff_id: string;
};

/** Table `logbook_tag`. */
export type LogbookTagRow = {
	log_id: string;
	tag: string;
};
