/** The weekday that a paper writes beside a day, which may be another than the day's own. */
import type { DateInText } from './in-text.ts';
import { toDay, WEEKDAYS, weekday } from './plain.ts';

const WEEKDAY = '(?:mon|tues?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day)?';
const BEFORE = new RegExp(`\\b(${WEEKDAY})\\b[.,]?\\s*$`, 'i');
const AFTER = new RegExp(`^[\\s,(]*(${WEEKDAY})\\b[.,)]?`, 'i');

export type AroundDay = {
	/** What stands around the day, without its weekday. */
	before: string;
	after: string;
	/** The weekday as it is written, or empty. */
	weekday: string;
	/** The day's own weekday, where another one is written: one of the two is wrong. */
	truly: string | undefined;
};

/** What stands before and after a day of a text, and the weekday beside it. */
export function takeWeekday(text: string, { written, at, date }: DateInText): AroundDay {
	const before = text.slice(0, at);
	const after = text.slice(at + written.length);
	const [left = '', one = ''] = BEFORE.exec(before) ?? [];
	const [right = '', other = ''] = one ? [] : (AFTER.exec(after) ?? []);
	const named = one || other;
	const own = WEEKDAYS[weekday(toDay(date))]!;
	const agrees = named === '' || own.toLowerCase().startsWith(named.slice(0, 3).toLowerCase());
	return {
		before: before.slice(0, before.length - left.length),
		after: after.slice(right.length),
		weekday: named,
		truly: agrees ? undefined : own
	};
}
