/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `kind`. */
export type KindRow = {
	id: string;
	name: string;
	position: number;
	active: 0 | 1;
	body: string;
	version: number;
};
