/**
 * What a paper that came in says of itself: whose case it belongs to, and which events it looks
 * like. Guesses, to be asked and never taken.
 */
import { foldName } from '../people/names.ts';

/** Where a paper says what it is: its first page or two. */
const HEAD_LIMIT = 6000;
/** A shorter number stands in many papers that are about something else. */
const NUMBER_LENGTH = 5;
/** Words that are in the names of most events. */
const COMMON = new Set(
	'a an and by for in is it no not of on or other our the to us with'.split(' ')
);

const bare = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** The known numbers a paper bears, the longest first: "3:26-cv-01" is in "3:26-cv-01-JD". */
export function findCaseNumbers<Known extends { number: string }>(
	text: string,
	known: readonly Known[]
): Known[] {
	const head = bare(text.slice(0, HEAD_LIMIT));
	return known
		.map((one) => ({ one, number: bare(one.number) }))
		.filter(({ number }) => number.length >= NUMBER_LENGTH && head.includes(number))
		.sort((one, other) => other.number.length - one.number.length)
		.map(({ one }) => one);
}

const wordsOf = (text: string): string[] =>
	foldName(text)
		.split(' ')
		.map((word) => word.replace(/(?:ies|s)$/, ''))
		.filter((word) => word.length > 2 && !COMMON.has(word));

/** How much of an event's name must stand in the paper. */
const LIKENESS_FROM = 0.6;

/** The events a paper looks like, the likeliest first: those most of whose words its head has. */
export function listLikelyEvents<Event extends { text: string }>(
	text: string,
	events: readonly Event[],
	limit = 4
): Event[] {
	const head = new Set(wordsOf(text.slice(0, HEAD_LIMIT)));
	return events
		.map((event) => {
			const words = [...new Set(wordsOf(event.text))];
			const found = words.filter((word) => head.has(word)).length;
			return { event, found, share: words.length ? found / words.length : 0 };
		})
		.filter(({ share, found }) => share >= LIKENESS_FROM && found > 0)
		.sort((one, other) => other.share * other.found - one.share * one.found)
		.slice(0, limit)
		.map(({ event }) => event);
}
