/**
 * The day that a line about time names, at its beginning or its end: "yesterday call with counsel",
 * "call with counsel on 20 nov". Within the words a day belongs to what was done.
 */
import type { DateOrder } from '../dates/in-text.ts';
import type { PlainDate } from '../dates/plain.ts';
import { parseTypedDate } from '../dates/typed.ts';
import { isNoSuchDay } from './words.ts';

const WEEKDAY = '(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?';
/** What looks like a day and like nothing else. */
const DAY = new RegExp(
	[
		'^(?:on )?(?:today|yesterday',
		`(?:last )?${WEEKDAY}`,
		`(?:${WEEKDAY}[,.]? )?(?:\\d{4}-\\d{1,2}-\\d{1,2}`,
		'\\d{1,2}[/.]\\d{1,2}(?:[/.]\\d{2,4})?',
		'\\d{1,2} [a-z]{3,9}\\.?(?: \\d{4})?',
		'[a-z]{3,9}\\.? \\d{1,2},?(?: \\d{4})?))$'
	].join('|'),
	'i'
);
const WORDS_OF_DAY = 5;
/** A day after one of these is that of the thing: "read the order of 5 nov". */
const TIED = /^(of|dated|from|for|until|till|by|due|to|before|after|since|about|re|the)$/i;

export type DayAtEnd = {
	/** Today where none is named. */
	day: PlainDate;
	/** What is left of the words. */
	words: string;
	fault: string | null;
};

/** The day and the words without it. A day that is still to come is a fault. */
export function takeDay(words: string, today: PlainDate, order: DateOrder | null): DayAtEnd {
	const all = words.split(' ').filter(Boolean);
	for (let length = Math.min(WORDS_OF_DAY, all.length); length > 0; length--)
		for (const isFirst of [false, true]) {
			const part = isFirst ? all.slice(0, length) : all.slice(-length);
			const typed = part.join(' ').toLowerCase();
			if (!DAY.test(typed) || (!isFirst && TIED.test(all.at(-length - 1) ?? ''))) continue;
			const text = typed.replace(/^on /, '');
			const rest = (isFirst ? all.slice(length) : all.slice(0, -length)).join(' ');
			const read = parseTypedDate(text, today, order);
			if ('error' in read) {
				// "call 12 people" names no day; "on 12/10" and "30 feb" do, and are asked.
				if (read.isOtherDay || isNoSuchDay(read.error) || /[/.]|^on /.test(typed))
					return { day: today, words: rest, fault: read.error };
				continue;
			}
			const isAhead = read.date > today;
			return {
				day: isAhead ? today : read.date,
				words: rest,
				fault: isAhead ? 'That day has not come yet: time is of days that have been.' : null
			};
		}
	return { day: today, words, fault: null };
}
