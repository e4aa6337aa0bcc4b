/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `setting`. */
export type SettingRow = {
	name: string;
	value: string;
};
