/** What the two commands over the core read from a line, with errors in plain words. */
import type { Closure } from '#core/dates/calendar.ts';
import { parseDate, parseTime, type PlainDate } from '#core/dates/plain.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import { shippedBook } from '#server/rulebooks/shelf.ts';
import { LineError } from './lines.ts';

export function book(input: Record<string, unknown>): Rulebook {
	if (typeof input.rulebook !== 'string') throw new LineError('"rulebook" is missing');
	return shippedBook(input.rulebook);
}

export function dateField(input: Record<string, unknown>, name: string): PlainDate {
	if (input[name] === undefined) throw new LineError(`"${name}" is missing: a date YYYY-MM-DD`);
	const date = parseDate(input[name]);
	if (!date)
		throw new LineError(
			`"${name}" is not a date that exists (YYYY-MM-DD, 1900 to 2199): ${JSON.stringify(input[name])}`
		);
	return date;
}

export function timeField(input: Record<string, unknown>): number | undefined {
	if (input.time === undefined || input.time === null) return undefined;
	const time = parseTime(input.time);
	if (time === undefined)
		throw new LineError(`"time" is not a time HH:MM: ${JSON.stringify(input.time)}`);
	return time;
}

export function textField(input: Record<string, unknown>, name: string): string | undefined {
	const value = input[name];
	if (value === undefined || value === null || value === '') return undefined;
	if (typeof value !== 'string') throw new LineError(`"${name}" must be text`);
	return value;
}

/**
 * Dates are days on which the clerk's office is inaccessible; `{"date","kind":"holiday"}` is a
 * declared holiday.
 */
export function closuresField(input: Record<string, unknown>): Closure[] {
	const list = input.closures ?? [];
	if (!Array.isArray(list)) throw new LineError('"closures" must be a list of dates');
	return list.map((item: unknown): Closure => {
		const object =
			typeof item === 'object' && item !== null
				? (item as Record<string, unknown>)
				: { date: item };
		const kind = object.kind ?? 'office';
		if (kind !== 'office' && kind !== 'holiday')
			throw new LineError('a closure is of kind "office" or "holiday"');
		const date = parseDate(object.date);
		if (!date)
			throw new LineError(
				`"closures" has a date that does not exist: ${JSON.stringify(object.date)}`
			);
		return { date, kind };
	});
}
