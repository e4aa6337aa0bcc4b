/** Words of a pen line: a day among them, and which of a list they mean. */
import type { DateOrder } from '../dates/in-text.ts';
import { plainDate, type PlainDate } from '../dates/plain.ts';
import { parseTypedDate } from '../dates/typed.ts';

export type Named = { id: string; words: string };

/** Words that name no court and no way of service. */
export const SMALL: ReadonlySet<string> = new Set(
	'by in the of a an for on at court served and to'.split(' ')
);

/** Lower case, accents gone, everything that is no letter or digit a gap. */
export const tokens = (text: string): string[] =>
	text
		.toLowerCase()
		.normalize('NFKD')
		.replace(/[\u0300-\u036f]/g, '')
		.replace(/['’]/g, '')
		.split(/[^a-z0-9]+/)
		.filter(Boolean);

/** A bare word must be a day's name or a whole date, not a number that something else means. */
const BARE =
	/^(today|yesterday|tomorrow|(mon|tue|wed|thu|fri|sat|sun)[a-z]*|\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[/.]\d{1,2}([/.]\d{2,4})?)$/i;
/** So it is written when a day is meant that no month has. */
const NO_SUCH = /is not a date that exists/;
/** Whether what could not be read is a day that was meant, like 30 Feb, and no other words. */
export const isNoSuchDay = (error: string): boolean => NO_SUCH.test(error);

export type FoundDate = { date: PlainDate; rest: string[] };

/**
 * The first run of up to four words that is a date, and what is left; or what is wrong with a day
 * that was meant and is none, like 30 Feb.
 */
export function takeDate(
	words: readonly string[],
	today: PlainDate,
	order: DateOrder | null = null
): FoundDate | { error: string } | null {
	let error: string | undefined;
	for (let at = 0; at < words.length; at++)
		for (let count = Math.min(4, words.length - at); count > 0; count--) {
			const typed = words.slice(at, at + count).join(' ');
			if (count === 1 && !BARE.test(typed)) continue;
			const read = parseTypedDate(typed, today, order);
			if ('date' in read)
				return { date: read.date, rest: [...words.slice(0, at), ...words.slice(at + count)] };
			// "mon" of "mon 1 dec 2026", a Tuesday, is not taken for the Monday that is near.
			if (read.isOtherDay) return { error: read.error };
			if (isNoSuchDay(read.error) || (count === 1 && /\d/.test(typed))) error ??= read.error;
		}
	return error === undefined ? null : { error };
}

/** Any day does to find out whether one is meant. */
const SOME_DAY = plainDate('2026-01-01');
/** Whether a day stands among the words, be it one that no month has. */
export const namesDay = (words: readonly string[]): boolean =>
	takeDate(words, SOME_DAY, 'month') !== null;

/**
 * Those of a list whose words begin with every word asked for; the one with the fewest other words
 * first.
 * @param small words that say nothing here
 */
export function findByWords<Item extends Named>(
	list: readonly Item[],
	asked: readonly string[],
	small: ReadonlySet<string> = SMALL
): Item[] {
	const wanted = asked.filter((word) => !small.has(word));
	if (wanted.length === 0) return [];
	const exact = (have: readonly string[]) => wanted.filter((word) => have.includes(word)).length;
	return list
		.map((item) => ({ item, have: tokens(item.words) }))
		.filter(({ have }) => wanted.every((word) => have.some((one) => one.startsWith(word))))
		.sort(
			(one, other) => exact(other.have) - exact(one.have) || one.have.length - other.have.length
		)
		.map(({ item }) => item);
}
