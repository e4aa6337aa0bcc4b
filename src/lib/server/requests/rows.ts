/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `request`. */
export type RequestRow = {
	id: string;
	number: string | null;
	staff_id: string;
	unit_id: string | null;
	about: string;
	words: string;
	counterparty: string;
	urgency: 'normal' | 'soon' | 'urgent';
	wanted_by: PlainDate | null;
	state: 'draft' | 'sent' | 'taken' | 'asked' | 'turned down' | 'withdrawn' | 'matter';
	taken_by: string | null;
	matter_id: string | null;
	reason: string;
	created_at: string;
	sent_at: string | null;
	ended_at: string | null;
	version: number;
	status_id: string | null;
	seen_at: string | null;
};

/** Table `request_status`. */
export type RequestStatusRow = {
	id: string;
	label: string;
	position: number;
	retired: 0 | 1;
};

/** Table `request_series`. */
export type RequestSeriesRow = {
	year: number;
	last: number;
};

/** Table `request_word`. */
export type RequestWordRow = {
	id: string;
	request_id: string;
	at: string;
	staff_id: string;
	kind: 'question' | 'answer' | 'state';
	text: string;
};

/** Table `request_file`. */
export type RequestFileRow = {
	id: string;
	request_id: string;
	sha256: string;
	media_type: string;
	file_name: string;
	size: number;
	text: string;
	at: string;
	staff_id: string;
	unread: string;
};
