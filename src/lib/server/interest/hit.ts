/** What a check of interest finds, and for whom it looks. */
import type { Band } from '#core/people/compare.ts';

export type InterestHit = {
	what:
		| 'person'
		| 'matter'
		| 'note'
		| 'document'
		| 'time'
		| 'task'
		| 'role'
		| 'request'
		| 'hearing'
		| 'date'
		| 'appointment';
	title: string;
	about: string;
	href: string;
	excerpt: string;
	/** 0 to 100. */
	strength: number;
	band: Band;
	why: string[];
};
/** Weaker likenesses are not told. */
export const LEAST = 60;
/** What is left out of a report, and who looks. */
export type Scope = {
	me: string;
	matterNumber: string | null;
	requestId: string | null;
	personIds: readonly string[];
};
