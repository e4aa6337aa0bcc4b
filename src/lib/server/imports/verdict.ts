/** The fate of one row of an import, and why. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Values } from './fields.ts';

export type Verdict = {
	fate: 'new' | 'known' | 'fault';
	/** Why, in words. */
	why: string;
};
export type Judge = (values: Values) => Verdict;

export const isNew = (why: string): Verdict => ({ fate: 'new', why });
export const isKnown = (why: string): Verdict => ({ fate: 'known', why });
export const isFault = (why: string): Verdict => ({ fate: 'fault', why });

/** For whom and on which day rows are judged. */
export type Asker = { me: string; today: PlainDate };
