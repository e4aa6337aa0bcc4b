/**
 * A task as it is written on the pen line: "draft the reply by friday @lena". What is left without
 * the colleague and the day is what is to be done.
 */
import type { DateOrder } from '../dates/in-text.ts';
import { addDays, type PlainDate } from '../dates/plain.ts';
import { parseTypedDate } from '../dates/typed.ts';
import { findByWords, tokens, type Named } from './words.ts';

export type TaskLine = {
	subject: string;
	/** The id of the colleague; null where none is named. */
	assignee: string | null;
	due: PlainDate | null;
	fault: string | null;
};

const WORDS_OF_DAY = 4;
const WEEKDAY = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*$/;
const TIES = /^(by|due|on|until|till)$/i;
const NONE: ReadonlySet<string> = new Set();

/** The colleague that a word after @ means; "Which is meant" where it may be several. */
function findColleague(
	typed: string,
	colleagues: readonly Named[]
): { id: string } | { fault: string } {
	const found = findByWords(colleagues, tokens(typed), NONE);
	const [first, ...others] = found;
	if (!first) return { fault: `Nobody here is called ${typed}.` };
	if (others.length === 0) return { id: first.id };
	return { fault: `Which is meant: ${found.map(({ words }) => words).join(' or ')}?` };
}

/** Takes the first "@name" out of the words, and a second word of the name that fits it. */
function takeColleague(
	words: readonly string[],
	colleagues: readonly Named[]
): { rest: string[]; assignee: string | null; fault: string | null } {
	const at = words.findIndex((word) => /^@\p{L}/u.test(word));
	if (at === -1) return { rest: [...words], assignee: null, fault: null };
	const name = words[at]!.slice(1).replace(/[,.;:]$/, '');
	const whole = `${name} ${words[at + 1] ?? ''}`;
	const both = words[at + 1] === undefined ? undefined : findColleague(whole, colleagues);
	const isWhole = both !== undefined && 'id' in both;
	const found = isWhole ? both : findColleague(name, colleagues);
	const rest = [...words.slice(0, at), ...words.slice(at + (isWhole ? 2 : 1))];
	return 'id' in found
		? { rest, assignee: found.id, fault: null }
		: { rest, assignee: null, fault: found.fault };
}

/** Takes the day at the end of the words, with the "by" before it. */
function takeDue(
	words: readonly string[],
	today: PlainDate,
	order: DateOrder | null
): { rest: string[]; due: PlainDate | null; fault: string | null } {
	for (let length = Math.min(WORDS_OF_DAY, words.length - 1); length > 0; length--) {
		const typed = words.slice(-length).join(' ').toLowerCase();
		const before = words.slice(0, -length);
		const isTied = TIES.test(before.at(-1) ?? '');
		// "call 12 people 3" and "review section 12" name no day.
		if (!isTied && /^\d+$/.test(typed)) continue;
		const read = parseTypedDate(typed, today, order);
		if ('date' in read) {
			// A day of the week is one that has been, unless it is something to come.
			const isOver = read.date < today && WEEKDAY.test(typed);
			const due = isOver ? addDays(read.date, 7) : read.date;
			return { rest: isTied ? before.slice(0, -1) : before, due, fault: null };
		}
		if (read.isOtherDay) return { rest: before, due: null, fault: read.error };
		if (isTied && /\d/.test(typed) && length === 1)
			return { rest: before.slice(0, -1), due: null, fault: read.error };
	}
	return { rest: [...words], due: null, fault: null };
}

/**
 * @param colleagues by their names and logins
 * @param order which comes first in a date of figures; null where nobody said
 */
export function parseTaskLine(
	words: readonly string[],
	colleagues: readonly Named[],
	today: PlainDate,
	order: DateOrder | null,
	/** What was corrected in place. */
	parts: { assignee?: string | undefined; due?: PlainDate | null | undefined } = {}
): TaskLine {
	const named = takeColleague(words, colleagues);
	const dated = takeDue(named.rest, today, order);
	const subject = dated.rest.join(' ');
	const due = parts.due ?? dated.due;
	const past = due !== null && due < today ? 'That day is over.' : null;
	const missing = subject === '' ? 'Say what is to be done.' : null;
	return {
		subject,
		assignee: parts.assignee ?? named.assignee,
		due,
		// What was put right in place is no fault any more.
		fault:
			(parts.assignee ? null : named.fault) ?? (parts.due ? null : dated.fault) ?? past ?? missing
	};
}
