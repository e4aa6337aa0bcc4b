/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `template`. */
export type TemplateRow = {
	id: string;
	name: string;
	description: string;
	sha256: string;
};
