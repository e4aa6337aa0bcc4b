/** What a report says of itself. */
import { plural } from '#core/format/words.ts';

/** That dates before its span were missed; they are not in its rows. */
export const describeMissedBefore = (dates: readonly unknown[]): string =>
	`${plural(dates.length, 'missed date')} before this span ${dates.length === 1 ? 'is' : 'are'} not settled.`;
