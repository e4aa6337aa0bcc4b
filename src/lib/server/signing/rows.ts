/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `signing_round`. */
export type SigningRoundRow = {
	id: string;
	document_id: string;
	version_n: number;
	matter_id: string;
	title: string;
	message: string;
	in_order: 0 | 1;
	wanted_by: PlainDate | null;
	expires: PlainDate | null;
	withdrawn_at: string | null;
	finished_version: number | null;
	created_by: string;
	created_at: string;
};

/** Table `signer`. */
export type SignerRow = {
	id: string;
	round_id: string;
	position: number;
	name: string;
	email: string;
	staff_id: string | null;
	token_hash: string | null;
	state: 'waiting' | 'signed' | 'declined';
	told_at: string | null;
	opened_at: string | null;
	ended_at: string | null;
	address: string | null;
	agent: string | null;
	consent: string | null;
	reason: string | null;
};

/** Table `signing_field`. */
export type SigningFieldRow = {
	id: string;
	signer_id: string;
	kind: 'signature' | 'initials' | 'name' | 'date' | 'text' | 'check';
	page: number;
	x: number;
	y: number;
	w: number;
	h: number;
	label: string;
	value: string | null;
};
