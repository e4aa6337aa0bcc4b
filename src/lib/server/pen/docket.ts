/**
 * What a pen line about the docket means here: the count it asks for, or the event it enters with
 * the dates it sets.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import { parseCountLine } from '#core/pen/count-line.ts';
import { parseEventLine, type EventLine, type EventParts } from '#core/pen/event-line.ts';
import type { Named } from '#core/pen/words.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import type { Application } from '#server/app/application.ts';
import { findDateOrder } from '#server/app/department.ts';
import { Refused } from '#server/app/errors.ts';
import { calculate, listCourts, parseCalculation } from '#server/docket/calculator.ts';
import { proposeEvent, warnOfEvent } from '#server/docket/events.ts';
import { warnOfDay } from '#server/docket/set-days.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listMatterBooks, requireBook } from '#server/rulebooks/shelf.ts';

/** An id as words. */
const wordsOf = (id: string) => id.replaceAll(/[.-]/g, ' ');
const servicesOf = (book: Rulebook): Named[] =>
	serviceKinds(book.method).map(({ id, label }) => ({ id, words: `${wordsOf(id)} ${label}` }));

/** A count, or why there is none. */
export type PenCount = {
	fault: string | null;
	/** What it comes to. */
	text: string;
	/** The calculator with the same question. */
	href: string;
};

/** The count a line asks for, made at once. */
export function penCount(app: Application, line: string): PenCount {
	const today = app.clock.today();
	const courts = listCourts(app).map(({ id, title }) => ({
		id,
		words: `${wordsOf(id)} ${title}`,
		services: servicesOf(requireBook(app, id))
	}));
	const { fault, court, from, amount, service } = parseCountLine(
		line.split(' '),
		courts,
		today,
		findDateOrder(app)
	);
	if (fault || !court || !from) return { fault, text: '', href: '' };
	const params = new URLSearchParams({ court, from, count: amount });
	if (service) params.set('service', service);
	const { result, errors } = calculate(app, parseCalculation(params, today));
	if (!result) {
		const [error = 'That cannot be counted.'] = Object.values(errors);
		return { fault: error, text: '', href: '' };
	}
	const time = result.time ? `, ${result.time}` : '';
	return {
		fault: null,
		text: `${formatDate(result.date)}${time} (${requireBook(app, court).short})`,
		href: `/docket/calculator?${params}`
	};
}

export type PenEvent = EventLine & {
	text: string;
	/** The ways of service of its book, where it asks for one. */
	services: { id: string; label: string }[];
	dates: { rule: string; title: string; date: PlainDate }[];
	/** What there is to say against its day, where somebody set it. */
	warnings: string[];
};

const NO_BOOK = 'This matter has no rulebook: choose one on its sheet first.';

/** The event of one of the matter's books, and the dates of law it would docket. */
export function penEvent(
	app: Application,
	matter: MatterRow,
	line: string,
	parts: EventParts
): PenEvent {
	const books = listMatterBooks(app, matter);
	const read = parseEventLine(line.split(' '), books.flatMap(listEvents), app.clock.today(), {
		order: findDateOrder(app),
		parts
	});
	const none: PenEvent = { ...read, text: '', services: [], dates: [], warnings: [] };
	if (read.hand) {
		const { sort, title } = read.hand;
		const warnings = read.date ? warnOfDay(app, matter.id, read.date, sort) : [];
		return { ...none, text: title, warnings };
	}
	if (books.length === 0) return { ...none, fault: NO_BOOK };
	if (!read.event) return none;
	const [bookId, eventId = ''] = read.event.split('|');
	const book = books.find(({ id }) => id === bookId);
	const event = book?.events.get(eventId);
	if (!book || !event) return none;
	const text = capitalize(event.text);
	const services = event.served
		? serviceKinds(book.method).map(({ id, label }) => ({ id, label }))
		: [];
	if (read.fault || !read.date) return { ...none, text, services };
	try {
		const { deadlines } = proposeEvent(app, matter, {
			eventKey: read.event,
			date: read.date,
			time: read.time,
			service: read.service ?? '',
			answers: {}
		});
		const dates = deadlines.filter(({ suggested }) => !suggested);
		return {
			...read,
			text,
			services,
			dates: dates.map(({ rule, title, date }) => ({ rule, title, date })),
			warnings: warnOfEvent(app, matter.id, { book, event }, read.date)
		};
	} catch (error) {
		if (error instanceof Refused) return { ...none, text, services, fault: error.message };
		throw error;
	}
}

/** The events of a book that set dates, by the words for them. */
const listEvents = (book: Rulebook) =>
	[...book.events.values()]
		.filter(({ rules }) => rules.length)
		.map(({ id, text, served, ahead }) => ({
			id: `${book.id}|${id}`,
			words: text,
			served,
			ahead: ahead !== null,
			services: servicesOf(book)
		}));
