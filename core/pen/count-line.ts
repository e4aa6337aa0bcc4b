/** A count for a court, as it is asked for on the pen line. */
import type { DateOrder } from '../dates/in-text.ts';
import type { PlainDate } from '../dates/plain.ts';
import { findByWords, SMALL, takeDate, tokens, type Named } from './words.ts';

export type CourtWords = Named & { services: Named[] };

export type CountLine = {
	amount: string;
	from: PlainDate | null;
	court: string | null;
	service: string | null;
	fault: string | null;
};
/** "30 days" and "5 court days" as "30d" and "5cd". */
const shorten = (words: readonly string[]): string[] =>
	words
		.join(' ')
		.replace(
			/^(\d+)\s*(court days?|cd|days?|d|weeks?|w|months?|m|years?|y|hours?|h)\b/i,
			(_, number: string, unit: string) =>
				`${number}${/^court|^cd/i.test(unit) ? 'cd' : unit[0]!.toLowerCase()}`
		)
		.split(' ')
		.filter(Boolean);

/** The days and the way they are counted, and what is left; null where the line has none. */
function takeAmount(words: readonly string[]): { amount: string; rest: string[] } | null {
	const [head = '', ...rest] = shorten(words);
	const match = /^([+-]?)(\d{1,6})(cd|d|w|m|y|h)$/i.exec(head);
	if (!match) return null;
	const [first = ''] = rest;
	const before = match[1] === '-' || /^before$/i.test(first);
	return {
		amount: `${before ? '-' : '+'}${match[2]}${match[3]!.toLowerCase()}`,
		rest: /^(from|after|before)$/i.test(first) ? rest.slice(1) : rest
	};
}

const named = (words: readonly string[]) => words.filter((word) => !SMALL.has(word));

/**
 * The court comes first, the service after it: the longest court that leaves a service or nothing.
 */
function findCourt(
	courts: readonly CourtWords[],
	words: readonly string[]
): Pick<CountLine, 'court' | 'service'> | undefined {
	for (let count = words.length; count > 0; count--) {
		const [court] = findByWords(courts, words.slice(0, count));
		if (!court) continue;
		const said = named(words.slice(count));
		const [service] = said.length ? findByWords(court.services, said) : [];
		if (said.length === 0 || service) return { court: court.id, service: service?.id ?? null };
	}
	return undefined;
}

const NONE = { amount: '', from: null, court: null, service: null };

/**
 * "30d from Friday ca superior electronic": the days, the day they are counted from, the court and
 * how it was served.
 */
export function parseCountLine(
	words: readonly string[],
	courts: readonly CourtWords[],
	today: PlainDate,
	order: DateOrder | null = null
): CountLine {
	const read = takeAmount(words);
	if (!read)
		return { ...NONE, fault: 'Write the days first: count 30d from Friday ca superior electronic' };
	const day = takeDate(read.rest, today, order);
	if (day && 'error' in day) return { ...NONE, fault: day.error };
	const left = tokens((day?.rest ?? read.rest).join(' '));
	const counted = { ...NONE, amount: read.amount, from: day?.date ?? today };
	const found = findCourt(courts, left);
	if (found) return { ...counted, ...found, fault: null };
	const fault = named(left).length
		? `No court and way of service here is “${left.join(' ')}”.`
		: 'Name the court: count 30d from Friday ca superior';
	return { ...counted, fault };
}
