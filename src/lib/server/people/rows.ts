/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

import type { PlainDate } from '#core/dates/plain.ts';

/** Table `person`. */
export type PersonRow = {
	id: string;
	kind: 'person' | 'organization';
	name: string;
	folded: string;
	note: string;
	printed: string;
	industry: string;
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

/** Table `card_field`. */
export type CardFieldRow = {
	key: string;
	body: string;
	position: number;
};

/** Table `person_field`. */
export type PersonFieldRow = {
	person_id: string;
	field: string;
	value: string;
	more: string;
};

/** Table `person_function`. */
export type PersonFunctionRow = {
	id: string;
	person_id: string;
	function: string;
	contact_id: string;
	position: number;
};

/** Table `unit_relation`. */
export type UnitRelationRow = {
	id: string;
	person_id: string;
	unit_id: string;
	relation: string;
	reference: string;
	position: number;
};

/** Table `identity_number`. */
export type IdentityNumberRow = {
	id: string;
	person_id: string;
	sort: 'social security' | "driver's license" | 'passport' | 'tax' | 'other';
	issuer: string;
	expires_on: PlainDate | null;
	sealed: Buffer;
	tail: string;
	added_by: string;
	added_at: string;
};
