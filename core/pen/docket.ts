/** What the pen line says of the docket: a count for a court, an event on a matter. */
import type { PlainDate } from '../dates/plain.ts';
import { parseTypedDate } from '../dates/typed.ts';

export type Named = { id: string; words: string };
export type CourtWords = Named & { services: Named[] };

const SMALL = new Set([
	'by',
	'in',
	'the',
	'of',
	'a',
	'an',
	'for',
	'on',
	'at',
	'court',
	'served',
	'and',
	'to'
]);
/** Lower case, accents gone, everything that is no letter or digit a gap. */
const tokens = (text: string) =>
	text
		.toLowerCase()
		.normalize('NFKD')
		.replace(/[\u0300-\u036f]/g, '')
		.replace(/['’]/g, '')
		.split(/[^a-z0-9]+/)
		.filter(Boolean);

/** The first run of up to four words that is a date, and what is left. */
function takeDate(
	words: readonly string[],
	today: PlainDate,
	from = 0
): { date: PlainDate; rest: string[] } | null {
	for (let i = from; i < words.length; i++)
		for (let n = Math.min(4, words.length - i); n > 0; n--) {
			const typed = words.slice(i, i + n).join(' ');
			// A bare word must be a day's name, not a number that something else means.
			if (
				n === 1 &&
				!/^(today|yesterday|tomorrow|(mon|tue|wed|thu|fri|sat|sun)[a-z]*|\d{4}-\d{1,2}-\d{1,2})$/i.test(
					typed
				)
			)
				continue;
			const read = parseTypedDate(typed, today);
			if ('date' in read)
				return { date: read.date, rest: [...words.slice(0, i), ...words.slice(i + n)] };
		}
	return null;
}

/**
 * Those of a list whose words begin with every word asked for; the one with the fewest other words
 * first.
 */
function findByWords<T extends Named>(list: readonly T[], asked: readonly string[]): T[] {
	const wanted = asked.filter((word) => !SMALL.has(word));
	if (wanted.length === 0) return [];
	return list
		.map((x) => ({ x, have: tokens(x.words) }))
		.filter(({ have }) => wanted.every((word) => have.some((hash) => hash.startsWith(word))))
		.sort((a, b) => exact(b.have, wanted) - exact(a.have, wanted) || a.have.length - b.have.length)
		.map(({ x }) => x);
}
const exact = (have: string[], wanted: readonly string[]) =>
	wanted.filter((word) => have.includes(word)).length;

export type CountLine = {
	amount: string;
	from: PlainDate | null;
	court: string | null;
	service: string | null;
	fault: string | null;
};
/**
 * "30d from Friday ca superior electronic": the days, the day they are counted from, the court and
 * how it was served.
 */
export function parseCountLine(
	words: readonly string[],
	courts: readonly CourtWords[],
	today: PlainDate
): CountLine {
	const none = (fault: string): CountLine => ({
		amount: '',
		from: null,
		court: null,
		service: null,
		fault
	});
	const joined = words
		.join(' ')
		.replace(
			/^(\d+)\s*(court days?|cd|days?|d|weeks?|w|months?|m|years?|y|hours?|h)\b/i,
			(_, n: string, text: string) =>
				`${n}${/^court|^cd/i.test(text) ? 'cd' : text[0]!.toLowerCase()}`
		);
	const [head, ...rest] = joined.split(' ').filter(Boolean);
	const match = /^([+-]?)(\d{1,6})(cd|d|w|m|y|h)$/i.exec(head ?? '');
	if (!match) return none('Write the days first: count 30d from Friday ca superior electronic');
	const before = match[1] === '-' || /^before$/i.test(rest[0] ?? '');
	const more = /^(from|after|before)$/i.test(rest[0] ?? '') ? rest.slice(1) : rest;
	const amount = `${before ? '-' : '+'}${match[2]}${match[3]!.toLowerCase()}`;
	const found = takeDate(more, today);
	const left = tokens((found?.rest ?? more).join(' '));
	// The court comes first, the service after it: the longest court that leaves a service or
	// nothing.
	for (let count = left.length; count > 0; count--) {
		const court = findByWords(courts, left.slice(0, count))[0];
		if (!court) continue;
		const said = left.slice(count).filter((word) => !SMALL.has(word));
		const service = said.length ? findByWords(court.services, said)[0] : undefined;
		if (said.length && !service) continue;
		return {
			amount,
			from: found?.date ?? today,
			court: court.id,
			service: service?.id ?? null,
			fault: null
		};
	}
	if (left.filter((word) => !SMALL.has(word)).length === 0)
		return {
			amount,
			from: found?.date ?? today,
			court: null,
			service: null,
			fault: 'Name the court: count 30d from Friday ca superior'
		};
	return {
		amount,
		from: found?.date ?? today,
		court: null,
		service: null,
		fault: `No court and way of service here is “${left.join(' ')}”.`
	};
}

export type EventLine = {
	event: string | null;
	others: string[];
	date: PlainDate | null;
	service: string | null;
	fault: string | null;
};
/** "interrogatories served yesterday by mail", among the events of a matter's books. */
export function parseEventLine(
	words: readonly string[],
	events: readonly (Named & { services: Named[]; served: boolean })[],
	today: PlainDate
): EventLine {
	const found = takeDate(words, today);
	const left = found?.rest ?? [...words];
	const by = left.findLastIndex((word) => /^by$/i.test(word));
	const said = by >= 0 ? tokens(left.slice(by + 1).join(' ')) : [];
	const name = tokens((by >= 0 ? left.slice(0, by) : left).join(' '));
	if (name.length === 0)
		return {
			event: null,
			others: [],
			date: found?.date ?? null,
			service: null,
			fault: 'Say what happened: event LF-2026-0042 interrogatories served yesterday by mail'
		};
	const hits = findByWords(events, name);
	const event = hits[0];
	if (!event)
		return {
			event: null,
			others: [],
			date: found?.date ?? null,
			service: null,
			fault: `No event of this matter's rulebook is “${name.join(' ')}”.`
		};
	const service = said.length ? findByWords(event.services, said)[0] : undefined;
	const fault = !found
		? 'Say when: yesterday, Friday, 30 Oct 2026.'
		: said.length && !service
			? `“${said.join(' ')}” is not a way of service here.`
			: said.length && !event.served
				? 'How it was served changes nothing for this event: leave it out.'
				: null;
	return {
		event: event.id,
		others: hits.slice(1, 4).map((x) => x.words),
		date: found?.date ?? null,
		service: service?.id ?? null,
		fault
	};
}
