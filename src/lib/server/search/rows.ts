/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `search_text`. */
export type SearchTextRow = {
	id: number;
	kind: string;
	ref: string;
	matter_id: string | null;
	title: string;
	body: string;
};
