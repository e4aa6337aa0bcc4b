/** Counts by the shipped books, for tests: by the words of a count, with closures. */
import assert from 'node:assert/strict';
import { parseAmount } from '../docket/amount.ts';
import { count, type CountRequest } from '../docket/count.ts';
import { explainTrace } from '../docket/trace.ts';
import type { Closure } from '../dates/calendar.ts';
import { parseTime, plainDate } from '../dates/plain.ts';
import { calendarOf } from '../rulebooks/book.ts';
import { shippedBook } from './books.ts';

type More = Partial<Omit<CountRequest, 'from' | 'amount' | 'time'>> & {
	time?: string;
	closures?: Closure[];
};
/** Counts by a shipped book. */
export function run(book: string, from: string, amount: string, more: More = {}) {
	const { time, closures = [], ...rest } = more;
	const rules = shippedBook(book);
	return count(rules.method, calendarOf(rules, closures), {
		from: plainDate(from),
		amount: parseAmount(amount),
		...(time ? { time: parseTime(time)! } : {}),
		...rest
	});
}
/** A count gives this day, or "day time". */
export const is = (book: string, from: string, amount: string, want: string, more: More = {}) => {
	const counted = run(book, from, amount, more);
	assert.equal(
		counted.time ? `${counted.date} ${counted.time}` : counted.date,
		want,
		explainTrace(counted.trace).join('\n')
	);
};
/** The clerk's office was inaccessible on a day. */
export const office = (day: string): Closure[] => [{ date: plainDate(day), kind: 'office' }];
/** A day that was declared a holiday. */
export const holiday = (day: string): Closure[] => [{ date: plainDate(day), kind: 'holiday' }];
