/** The fate of one row of an import, and why. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Values } from './mapping.ts';

/** What is wrong with one field of a row. */
export type Fault = {
	key: string;
	text: string;
	/** What is wrong goes by itself, once what is waited for is given. */
	awaited?: true;
};
export type Verdict = {
	fate: 'new' | 'known' | 'fault';
	/** Why, in words. */
	why: string;
	faults: Fault[];
	/** There is a card of that name: one may say that this is another, or the same. */
	namesake?: boolean;
	/** Somebody left it out. */
	out?: boolean;
};
/**
 * What somebody said of a row: its name is that of the same person, or of another; or it is left
 * out.
 */
export const DECISIONS = ['same', 'other', 'out'] as const;
export type Decision = (typeof DECISIONS)[number];
export type Judge = (values: Values, decision?: Decision) => Verdict;

export const isNew = (why: string): Verdict => ({ fate: 'new', why, faults: [] });
export const isKnown = (why: string): Verdict => ({ fate: 'known', why, faults: [] });
export const isFault = (faults: readonly Fault[]): Verdict => ({
	fate: 'fault',
	why: faults.map(({ text }) => text).join(' '),
	faults: [...faults]
});

/** A fault of a field, where there is one. */
export const faultOf = (key: string, text: string | false | null | undefined): Fault[] =>
	text ? [{ key, text }] : [];

/** What is known of a file that was given beside the rows: its hash, or why it cannot be filed. */
export type GivenFile = { sha256: string; fault: string };
/** For whom and on which day rows are judged, and the files beside them by their paths. */
export type Asker = {
	me: string;
	today: PlainDate;
	files?: Readonly<Record<string, GivenFile>> | undefined;
};
