/** Hearings and their like: entries of the docket that are held, and not done. */

export const OCCASIONS = ['hearing', 'trial', 'conference', 'deposition'] as const;
export type Occasion = (typeof OCCASIONS)[number];
/** What an entry of the docket is. */
export type Sort = 'deadline' | Occasion;

export const isOccasion = (sort: string | null): sort is Occasion =>
	OCCASIONS.some((occasion) => occasion === sort);

/** What came of one: it was held, taken off, or continued without a new day. */
export type Result = 'held' | 'off' | 'open';

/** Each as it is said of an entry; a date that is due is met or vacated. */
export const RESULT_WORDS: Readonly<Record<Result, string>> = {
	held: 'held',
	off: 'taken off',
	open: 'continued, no new day yet'
};
