/**
 * An event as it is written on the pen line: "interrogatories served yesterday by mail", "hearing 2
 * dec 10:00 room 4". Which event is meant is asked where the words fit several, and never guessed.
 */
import type { DateOrder } from '../dates/in-text.ts';
import type { PlainDate } from '../dates/plain.ts';
import { isOccasion, type Occasion } from '../docket/occasion.ts';
import { capitalize } from '../format/words.ts';
import { findByWords, takeDate, tokens, type Named } from './words.ts';

export type EventWords = Named & {
	served: boolean;
	/** It lies ahead, and so has a time and a place. */
	ahead: boolean;
	services: Named[];
};

/** The id of what no book has and is entered by hand: a hearing or its like. */
export const BY_HAND = 'by hand';

/** What is corrected in place, instead of what the line says. */
export type EventParts = {
	event?: string | undefined;
	date?: PlainDate | undefined;
	service?: string | undefined;
};

export type EventLine = {
	/** Its id, or `BY_HAND`. */
	event: string | null;
	/** A hearing or its like that is entered by hand. */
	hand: { sort: Occasion; title: string } | null;
	/** The events that the words fit, the likeliest first. */
	fits: { id: string; words: string }[];
	date: PlainDate | null;
	/** HH:MM */
	time: string | null;
	place: string;
	service: string | null;
	fault: string | null;
};

/** Of an event's name, "filed" and "served" say which it is. */
const SMALL = new Set('by in the of a an for on at and to'.split(' '));
const TIME = /^(?:(\d{1,2})(?::(\d{2}))?([ap])\.?m\.?|([01]?\d|2[0-3]):([0-5]\d))$/i;
const PLACE = /^(?:room|courtroom|department|dept|floor)$/i;

/** "9:30 am" is one word. */
const joinHalves = (words: readonly string[]): string[] =>
	words
		.join(' ')
		.replace(/\b(\d{1,2}(?::\d{2})?) ([ap]\.?m\b\.?)/gi, '$1$2')
		.split(' ');

/** The time of day among the words, and what is left. */
function takeTime(words: readonly string[]): { time: string | null; rest: string[] } {
	const at = words.findIndex((word) => TIME.test(word));
	const found = at === -1 ? null : TIME.exec(words[at]!);
	if (!found) return { time: null, rest: [...words] };
	const [, hour12, minute12, half, hour, minute] = found;
	const hours = hour12
		? (Number(hour12) % 12) + (half!.toLowerCase() === 'p' ? 12 : 0)
		: Number(hour);
	const before = words[at - 1]?.toLowerCase() === 'at' ? at - 1 : at;
	return {
		time: `${String(hours).padStart(2, '0')}:${hour12 ? (minute12 ?? '00') : minute}`,
		rest: [...words.slice(0, before), ...words.slice(at + 1)]
	};
}

/** "room 4" and what follows it, and what is left. */
function takePlace(words: readonly string[]): { place: string; rest: string[] } {
	const at = words.findIndex((word, index) => PLACE.test(word) && index < words.length - 1);
	if (at === -1) return { place: '', rest: [...words] };
	const before = /^(?:in|at)$/i.test(words[at - 1] ?? '') ? at - 1 : at;
	return {
		place: words
			.slice(at, at + 2)
			.join(' ')
			.replace(/^./, (letter) => letter.toUpperCase()),
		rest: [...words.slice(0, before), ...words.slice(at + 2)]
	};
}

const meaning = (words: readonly string[]) => words.filter((word) => !SMALL.has(word));

/** The one event that is meant: the only one that fits, or the one that is named whole. */
function decide(hits: readonly EventWords[], name: readonly string[]): EventWords | undefined {
	if (hits.length === 1) return hits[0];
	const asked = meaning(name);
	const whole = hits.filter((hit) => meaning(tokens(hit.words)).length === asked.length);
	return whole.length === 1 ? whole[0] : undefined;
}

/** "deposition of Dr. Quill" says itself what it is, be there a rule for it or not. */
function handOf(words: readonly string[]): EventLine['hand'] {
	const sort = words[0]?.toLowerCase() ?? '';
	return isOccasion(sort) ? { sort, title: capitalize(words.join(' ')) } : null;
}

/** What a line says, word by word: nothing of it is looked up yet. */
function takeWords(words: readonly string[], today: PlainDate, order: DateOrder | null) {
	const { time, rest } = takeTime(joinHalves(words));
	const placed = takePlace(rest);
	const day = takeDate(placed.rest, today, order);
	const found = day && 'date' in day ? day : null;
	const left = found?.rest ?? placed.rest;
	const by = left.findLastIndex((word) => /^by$/i.test(word));
	return {
		time,
		place: placed.place,
		date: found?.date ?? null,
		/** A day that no month has is no part of an event's name. */
		error: day && 'error' in day ? day.error : null,
		said: by >= 0 ? tokens(left.slice(by + 1).join(' ')) : [],
		name: tokens((by >= 0 ? left.slice(0, by) : left).join(' ')),
		hand: handOf(left)
	};
}

const NO_DAY = 'Say when: yesterday, Friday, 30 Oct 2026.';
const NOTHING = 'Say what happened: event LF-2026-0042 interrogatories served yesterday by mail';

/** Reads a line among the events of a matter's books. */
export function parseEventLine(
	words: readonly string[],
	events: readonly EventWords[],
	today: PlainDate,
	{ order = null, parts = {} }: { order?: DateOrder | null; parts?: EventParts } = {}
): EventLine {
	const line = takeWords(words, today, order);
	const { time, place, name, hand } = line;
	const date = parts.date ?? line.date;
	const none: EventLine = {
		...{ event: null, hand: null, fits: [], date, time, place, service: null, fault: null }
	};
	if (!date && line.error) return { ...none, fault: line.error };
	if (name.length === 0 && !parts.event) return { ...none, fault: NOTHING };
	const hits = findByWords(events, name, SMALL);
	const isByHand = parts.event ? parts.event === BY_HAND : hits.length === 0;
	if (hand && isByHand)
		return {
			...none,
			event: BY_HAND,
			hand,
			fits: listFits(hits, hand),
			fault: date ? null : NO_DAY
		};
	return readBookEvent(events, hits, { ...none, fits: listFits(hits, hand) }, { line, parts });
}

/** Which event of a book is meant, and the rest of what is said of it. */
function readBookEvent(
	events: readonly EventWords[],
	hits: readonly EventWords[],
	none: EventLine,
	{ line, parts }: { line: ReturnType<typeof takeWords>; parts: EventParts }
): EventLine {
	const { name, said, hand } = line;
	const event = events.find(({ id }) => id === parts.event) ?? decide(hits, name);
	if (event) {
		const fits = listFits(hits, hand, event);
		return readEvent(event, { ...none, fits }, said, parts.service);
	}
	const fault =
		hits.length === 0
			? `No event of this matter's rulebook is “${name.join(' ')}”.`
			: 'Which is meant? Choose the event.';
	return { ...none, fault };
}

const MOST_FITS = 8;
/** What the words fit, and the chosen one among it. */
function listFits(
	hits: readonly EventWords[],
	hand: EventLine['hand'],
	chosen?: EventWords
): EventLine['fits'] {
	const all = chosen && !hits.includes(chosen) ? [chosen, ...hits] : hits;
	const fits = all.slice(0, MOST_FITS).map(({ id, words }) => ({ id, words }));
	return hand ? [...fits, { id: BY_HAND, words: `${hand.title}, by hand` }] : fits;
}

/** Of the event that is meant: how it was served, and what is still wanting. */
function readEvent(
	event: EventWords,
	line: EventLine,
	said: readonly string[],
	corrected: string | undefined
): EventLine {
	const [found] = said.length ? findByWords(event.services, said) : [];
	const service = (corrected ?? found?.id) || null;
	const read = { ...line, event: event.id, service: event.served ? service : null };
	if (!line.date) return { ...read, fault: NO_DAY };
	if (corrected !== undefined || said.length === 0) return read;
	if (!service) return { ...read, fault: `“${said.join(' ')}” is not a way of service here.` };
	return event.served
		? read
		: { ...read, fault: 'How it was served changes nothing for this event: leave it out.' };
}
