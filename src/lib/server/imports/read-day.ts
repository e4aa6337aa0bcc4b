/** The day that a cell says. */
import type { PlainDate } from '#core/dates/plain.ts';
import { parseTypedDate } from '#core/dates/typed.ts';
import { faultOf, type Fault } from './verdict.ts';

export type ReadDay = { day: PlainDate | null; faults: Fault[] };

/** A day, or none where nothing is written, or what is wrong with it. */
export function readDay(key: string, typed: string, today: PlainDate): ReadDay {
	if (typed === '') return { day: null, faults: [] };
	const read = parseTypedDate(typed, today);
	if ('error' in read) return { day: null, faults: faultOf(key, read.error) };
	return { day: read.date, faults: [] };
}

/** A day that must have come. */
export function readPastDay(key: string, typed: string, today: PlainDate): ReadDay {
	const read = readDay(key, typed, today);
	if (read.day === null || read.day <= today) return read;
	return { day: null, faults: faultOf(key, 'That day has not come yet.') };
}
