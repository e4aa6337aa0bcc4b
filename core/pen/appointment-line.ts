/**
 * An appointment as it is written on the pen line: "thu 10-11:30 insurer call with Lena in room 4".
 * What is left without the day, the hours, the colleagues and the room is what it is about.
 */
import type { DateOrder } from '../dates/in-text.ts';
import { addDays, parseTime, type PlainDate } from '../dates/plain.ts';
import { findByWords, takeDate, tokens, type Named } from './words.ts';

export type AppointmentLine = {
	subject: string;
	day: PlainDate | null;
	/** Minutes after midnight; null where it is all day. */
	from: number | null;
	to: number | null;
	/** Ids of colleagues. */
	colleagues: string[];
	/** The id of a room or a thing; null where none is named. */
	resource: string | null;
	/** Where it is, where that is no resource. */
	place: string;
	fault: string | null;
};

export type AppointmentWords = {
	colleagues: readonly Named[];
	resources: readonly Named[];
	today: PlainDate;
	order: DateOrder | null;
};

/** So long it is where only its beginning is said. */
const USUAL_MINUTES = 60;
const DAY_MINUTES = 1440;
const CLOCK = String.raw`(\d{1,2})(?::(\d{2}))?\s*([ap])?\.?m?\.?`;
const RANGE = new RegExp(String.raw`^${CLOCK}\s*(?:-|–|to|until)\s*${CLOCK}$`, 'i');
const POINT = new RegExp(
	String.raw`^(?:at\s+)?(\d{1,2})(?::(\d{2})\s*([ap])?|\s*([ap]))\.?m?\.?$`,
	'i'
);
const WORDS_OF_RANGE = 6;
const WEEKDAY = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*$/i;

/** Minutes after midnight of an hour, with its half of the day where that is said. */
function minutesOf(hour: string, minute = '00', half?: string): number | undefined {
	let hours = Number(hour);
	if (half) {
		if (hours < 1 || hours > 12) return undefined;
		hours = (hours % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
	}
	return parseTime(`${String(hours).padStart(2, '0')}:${minute}`);
}

type Hours = { from: number; to: number };

/** "10-11:30", "2 to 3 pm", "at 14:00"; undefined where the words are no hours. */
function readHours(text: string): Hours | { error: string } | undefined {
	const range = RANGE.exec(text);
	if (range) {
		const [, fromHour = '', fromMinute, fromHalf, toHour = '', toMinute, toHalf] = range;
		// "2 to 3 pm": the half that is said once holds for both.
		const from = minutesOf(fromHour, fromMinute, fromHalf ?? toHalf);
		const to = minutesOf(toHour, toMinute, toHalf);
		if (from === undefined || to === undefined) return { error: `${text} are no hours of a day.` };
		return from < to ? { from, to } : { error: `${text}: it would end before it begins.` };
	}
	const point = POINT.exec(text);
	if (!point) return undefined;
	const [, hour = '', minute, half, bare] = point;
	const from = minutesOf(hour, minute, half ?? bare);
	if (from === undefined) return { error: `${text} is no time of a day.` };
	return { from, to: Math.min(from + USUAL_MINUTES, DAY_MINUTES - 1) };
}

/** Takes the first run of words that are hours. */
function takeHours(words: readonly string[]): {
	hours: Hours | null;
	error: string | null;
	rest: string[];
} {
	for (let at = 0; at < words.length; at++)
		for (let count = Math.min(WORDS_OF_RANGE, words.length - at); count > 0; count--) {
			const found = readHours(words.slice(at, at + count).join(' '));
			if (!found) continue;
			const rest = [...words.slice(0, at), ...words.slice(at + count)];
			return 'error' in found
				? { hours: null, error: found.error, rest }
				: { hours: found, error: null, rest };
		}
	return { hours: null, error: null, rest: [...words] };
}

const NONE: ReadonlySet<string> = new Set();
const WORDS_OF_NAME = 3;

/** The longest run of words from here that names exactly one of a list. */
function findNamed(
	words: readonly string[],
	list: readonly Named[]
): { id: string; count: number } | undefined {
	for (let count = Math.min(WORDS_OF_NAME, words.length); count > 0; count--) {
		const asked = words.slice(0, count).flatMap((word) => tokens(word.replace(/^@/, '')));
		const found = asked.length ? findByWords(list, asked, NONE) : [];
		if (found.length === 1) return { id: found[0]!.id, count };
	}
	return undefined;
}

const JOINS = /^(and|,|&)$/i;
/** "with Lena in room 4": a name follows another only after a comma or an "and". */
const isJoined = (words: readonly string[], at: number): boolean =>
	words[at - 1]?.endsWith(',') === true || JOINS.test(words[at] ?? '');

/** Takes "with Lena and Dorit": as many as are colleagues; others are left in the words. */
function takeColleagues(
	words: readonly string[],
	colleagues: readonly Named[]
): { ids: string[]; rest: string[] } {
	const at = words.findIndex((word) => /^with$/i.test(word));
	if (at === -1) return { ids: [], rest: [...words] };
	const ids: string[] = [];
	let next = at + 1;
	while (ids.length === 0 || isJoined(words, next)) {
		if (ids.length > 0 && JOINS.test(words[next] ?? '')) next++;
		const found = findNamed(words.slice(next), colleagues);
		if (!found) break;
		if (!ids.includes(found.id)) ids.push(found.id);
		next += found.count;
	}
	if (ids.length === 0) return { ids, rest: [...words] };
	// "with Lena and the adjuster": who is left still comes with it.
	const isMore = /^(and|&)$/i.test(words[next - 1] ?? '');
	const left = words.slice(next);
	return { ids, rest: [...words.slice(0, at), ...(isMore ? ['with'] : []), ...left] };
}

/** Takes "in room 4": a resource where it names one, else a place, to the end of the line. */
function takePlace(
	words: readonly string[],
	resources: readonly Named[]
): { resource: string | null; place: string; rest: string[] } {
	const at = words.findLastIndex((word) => /^(in|at)$/i.test(word));
	if (at === -1 || at === words.length - 1) return { resource: null, place: '', rest: [...words] };
	const found = findNamed(words.slice(at + 1), resources);
	if (found)
		return {
			...{ resource: found.id, place: '' },
			rest: [...words.slice(0, at), ...words.slice(at + 1 + found.count)]
		};
	const place = words.slice(at + 1).join(' ');
	return { resource: null, place, rest: words.slice(0, at) };
}

/** A weekday is the next one: an appointment lies ahead. */
function nextDay(day: PlainDate, words: readonly string[], today: PlainDate): PlainDate {
	const isWeekday = words.some((word) => WEEKDAY.test(word));
	return day < today && isWeekday ? addDays(day, 7) : day;
}

export function parseAppointmentLine(
	words: readonly string[],
	{ colleagues, resources, today, order }: AppointmentWords
): AppointmentLine {
	const timed = takeHours(words);
	const dated = takeDate(timed.rest, today, order);
	const isDated = dated !== null && 'date' in dated;
	const named = takeColleagues(isDated ? dated.rest : timed.rest, colleagues);
	const placed = takePlace(named.rest, resources);
	const subject = placed.rest.join(' ');
	const faults = [
		timed.error,
		dated !== null && 'error' in dated ? dated.error : null,
		isDated ? null : 'Say on which day.',
		subject === '' ? 'Say what it is about.' : null
	];
	return {
		subject,
		day: isDated ? nextDay(dated.date, timed.rest, today) : null,
		from: timed.hours?.from ?? null,
		to: timed.hours?.to ?? null,
		colleagues: named.ids,
		resource: placed.resource,
		place: placed.place,
		fault: faults.find((fault) => fault !== null) ?? null
	};
}
