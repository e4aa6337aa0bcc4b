/** A series that is changed from one of its days on: what ends before it, and what goes on. */
import { addDays, type PlainDate } from '../dates/plain.ts';
import { expandRecurrence, type Recurrence } from './recurrence.ts';

export type DividedSeries = {
	/** The rule until the day before; null where nothing is left before. */
	before: Recurrence | null;
	/** The rule from the day on, which counts from it. */
	after: Recurrence;
};

/**
 * Divides a series at one of its days.
 * @param start the first day of the series
 * @param day a day that the rule gives: the rest counts from it, so that every second week stays
 *   every second week
 */
export function divideSeries(rule: Recurrence, start: PlainDate, day: PlainDate): DividedSeries {
	const eve = addDays(day, -1);
	const past = day <= start ? [] : expandRecurrence(rule, start, start, eve);
	if (rule.count === null) {
		const after = { ...rule };
		return { before: past.length ? { ...rule, until: eve } : null, after };
	}
	return {
		before: past.length ? { ...rule, count: past.length } : null,
		after: { ...rule, count: rule.count - past.length }
	};
}
