/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `person`. */
export type PersonRow = {
	id: string;
	kind: 'person' | 'organization';
	name: string;
	folded: string;
	note: string;
	created_at: string;
	status: 'active' | 'inactive' | 'do not contact';
	parent_id: string | null;
	made_for: string | null;
	merged_into: string | null;
	version: number;
};

/** Table `person_name`. */
export type PersonNameRow = {
	id: string;
	person_id: string;
	kind: 'former' | 'alias';
	name: string;
	folded: string;
};

/** Table `person_contact`. */
export type PersonContactRow = {
	id: string;
	person_id: string;
	kind: 'mail' | 'phone' | 'address' | 'web';
	label: string;
	value: string;
	position: number;
};

/** Table `person_category`. */
export type PersonCategoryRow = {
	person_id: string;
	category: string;
};

/** Table `person_merge`. */
export type PersonMergeRow = {
	id: string;
	kept_id: string;
	gone_id: string;
	moved: string;
	by: string;
	at: string;
	undone_at: string | null;
};
