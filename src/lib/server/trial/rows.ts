/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `exhibit`. */
export type ExhibitRow = {
	id: string;
	matter_id: string;
	number: string;
	side: 'ours' | 'theirs' | 'joint';
	title: string;
	document_id: string | null;
	offered_on: PlainDate | null;
	ruling: 'admitted' | 'excluded' | null;
	ruled_on: PlainDate | null;
	position: number;
};

/** Table `witness`. */
export type WitnessRow = {
	id: string;
	matter_id: string;
	person_id: string;
	side: 'ours' | 'theirs';
	about: string;
	minutes: number | null;
	heard_on: PlainDate | null;
	position: number;
};
