/** How a date stands to what sets it, in words that are the same wherever it is shown. */
import type { PlainDate } from '../dates/plain.ts';
import { formatShortDate } from '../format/dates.ts';

/** Left where it stood when its event, a book or a closure changed. */
export type LeftDate = {
	/** Who decided that it stays; initials. */
	by: string;
	/** The day the rule gives instead; null where no rule sets it any more. */
	gives: PlainDate | null;
	reason: string;
};

/** What is said of such a date in every list, report, calendar and message. */
export const NO_LONGER_FOLLOWS = 'no longer follows its event';

/** The same with what the rule gives instead. */
export const describeLeft = (gives: PlainDate | null): string =>
	`${NO_LONGER_FOLLOWS}: ${gives ? `the rule now gives ${formatShortDate(gives)}` : 'no rule sets it any more'}`;

/** Of a day on which the court does not sit. */
export const describeClosed = (name: string): string => `the court does not sit that day: ${name}`;

/** And by whose decision it stayed. */
export const explainLeft = ({ by, gives, reason }: LeftDate): string =>
	`${describeLeft(gives)}; left by ${by}: ${reason}`;
