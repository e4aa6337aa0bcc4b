/** What an import made, noted so that it can be taken back. */
export type Place =
	| 'business_unit'
	| 'cost_center'
	| 'person'
	| 'matter'
	| 'event'
	| 'deadline'
	| 'document'
	| 'time_entry';
export type Made = { place: Place; ref: string };
