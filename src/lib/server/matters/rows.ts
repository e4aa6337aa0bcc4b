/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `matter`. */
export type MatterRow = {
	id: string;
	number: string;
	title: string;
	kind: string;
	status: 'proposed' | 'open' | 'on hold' | 'closed';
	unit_id: string;
	responsible_id: string;
	originating_id: string;
	restricted: 0 | 1;
	rulebook: string | null;
	opened_on: PlainDate;
	closed_on: PlainDate | null;
	created_at: string;
	priority: 'high' | 'normal' | 'low';
	status_reason: string;
	status_from: PlainDate | null;
	retain_until: PlainDate | null;
	version: number;
	ladder: string | null;
	/** Who stands in for the responsible lawyer. */
	stand_in_id: string | null;
	origin_id: string | null;
	description: string;
	/** Where it stands, in the words of its kind; empty where nobody has said. */
	stage: string;
	stage_from: PlainDate | null;
	/** How it ended; empty while it is open. */
	ending: string;
};

/** Table `matter_member`. */
export type MatterMemberRow = {
	matter_id: string;
	staff_id: string;
	role: 'owner' | 'member';
	/** What they are on it, in the trade's words. */
	part: string;
	access: 'change' | 'read';
};

/** Table `origin`. */
export type OriginRow = {
	id: string;
	label: string;
	position: number;
	retired: 0 | 1;
};

/** Table `matter_role`. */
export type MatterRoleRow = {
	id: string;
	matter_id: string;
	person_id: string;
	role: string;
	note: string;
	from_day: PlainDate | null;
	to_day: PlainDate | null;
};

/** Table `number_series`. */
export type NumberSeriesRow = {
	year: number;
	last: number;
};

/** Table `matter_fact`. */
export type MatterFactRow = {
	matter_id: string;
	fact: string;
	row: number;
	value: string;
	more: string;
};

/** Table `matter_caution`. */
export type MatterCautionRow = {
	id: string;
	matter_id: string;
	text: string;
};

/** Table `matter_reference`. */
export type MatterReferenceRow = {
	id: string;
	matter_id: string;
	whose: string;
	number: string;
};

/** Table `matter_link`. */
export type MatterLinkRow = {
	id: string;
	matter_id: string;
	name: string;
	url: string;
};

/** Table `matter_relation`. */
export type MatterRelationRow = {
	a_id: string;
	b_id: string;
	how: string;
};

/** Table `closing_item`. */
export type ClosingItemRow = {
	matter_id: string;
	what: 'deadline' | 'task' | 'round';
	ref: string;
	was: string;
	did: string;
};

/** Table `pinned`. */
export type PinnedRow = {
	staff_id: string;
	matter_id: string;
};

/** Table `recent`. */
export type RecentRow = {
	staff_id: string;
	matter_id: string;
	at: string;
};

/** Table `saved_view`. */
export type SavedViewRow = {
	id: string;
	staff_id: string;
	shared: 0 | 1;
	name: string;
	query: string;
};
