/** What happened or will, and the dates it sets: shown as proposals, then entered. */
import { z } from 'zod';
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { answersTo, findBadDay, type Answers } from '#core/docket/answers.ts';
import { CountError } from '#core/docket/amount.ts';
import { isOccasion } from '#core/docket/occasion.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import type { Left } from '#core/docket/propose.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import type { BookEvent, Rulebook } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { day, flag, id, maybeId, maybeLink, maybeText, maybeTime } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { matterPreview } from '#server/app/preview.ts';
import { insert } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listMatterBooks } from '#server/rulebooks/shelf.ts';
import { findCount, type CountView } from './counts.ts';
import { proposeFor } from './counting.ts';
import { requireDocumentOn } from './find.ts';
import { insertOccasion } from './hearings.ts';
import { eventEntered } from './messages.ts';
import { countCourtDaysTo } from './days.ts';
import type { EventRow } from './rows.ts';
import { listWarnings } from './warnings.ts';
import { insertDeadline } from './writing.ts';

export const answersField = z.record(z.string(), z.string().max(100));
export const whereFields = { place: maybeText('The place', 200), link: maybeLink('The link') };
const eventFields = {
	matterId: id('a matter'),
	/** "book|event" names an event of one of the matter's books; the event alone, of its court's. */
	eventKey: z.string({ error: 'Choose what happened.' }).min(1, 'Choose what happened.').max(200),
	date: day('The date'),
	time: maybeTime,
	service: maybeText('The service', 40),
	answers: answersField.default({}),
	sure: flag
};

/**
 * More than a year before the matter was opened is more often a slip of the pen than a case begun
 * earlier.
 */
const LONG_BEFORE_DAYS = 366;

function requireBookEvent(
	app: Application,
	matter: MatterRow,
	eventKey: string
): { book: Rulebook; event: BookEvent } {
	const books = listMatterBooks(app, matter);
	if (books.length === 0)
		throw new Refused('This matter has no rulebook. Choose one on its overview first.', 'eventKey');
	const [first, second] = eventKey.split('|');
	const bookId = second === undefined ? matter.rulebook : first;
	const book =
		books.find((one) => one.id === bookId) ?? (second === undefined ? books[0] : undefined);
	if (!book)
		throw new Refused('This matter does not stand under that rulebook. Add it first.', 'eventKey');
	const event = book.events.get(second ?? first ?? '');
	if (!event) throw new Refused('Choose what happened.', 'eventKey');
	return { book, event };
}

/** Runs a count and turns its CountError into a Refused on the form field that caused it. */
export function refuseCountErrors<Value>(count: () => Value, otherwise: string): Value {
	try {
		return count();
	} catch (error) {
		if (!(error instanceof CountError)) throw error;
		throw new Refused(error.message, faultyField(error) ?? otherwise);
	}
}

function faultyField(error: CountError): string | undefined {
	if (error.about === 'service') return 'service';
	if (error.about) return `answers.${error.about}`;
	return /a time/.test(error.message) ? 'time' : undefined;
}

/** The answers to an event's own questions. @throws Refused beside one that is not a day */
export function requireAnswers(event: BookEvent, answers: Answers): Answers {
	const own = answersTo(event, answers);
	const bad = findBadDay(event, own);
	if (bad) throw new Refused(`${own[bad]} is not a date that exists.`, `answers.${bad}`);
	return own;
}

type EventInput = {
	eventKey: string;
	date: PlainDate;
	time: string | null;
	service: string;
	answers: Answers;
	sure?: boolean | undefined;
};
export type Proposals = {
	book: Rulebook;
	event: BookEvent;
	answers: Answers;
	deadlines: Proposal[];
	left: Left[];
};

/** What an event would set. Nothing is saved: the drawer shows it, the command keeps it. */
export function proposeEvent(app: Application, matter: MatterRow, input: EventInput): Proposals {
	const { book, event } = requireBookEvent(app, matter, input.eventKey);
	if (!event.ahead && input.date > app.clock.today())
		throw new Refused(
			`${formatDate(input.date)} has not come yet: this event is entered once it has happened.`,
			'date'
		);
	if (!input.sure && daysBetween(matter.opened_on, input.date) < -LONG_BEFORE_DAYS)
		throw new Refused(
			`${formatDate(input.date)} is more than a year before the matter was opened. Is the year right?`,
			'date'
		);
	const answers = requireAnswers(event, input.answers);
	const service = event.served && input.service ? input.service : null;
	const inputs = { date: input.date, time: input.time, service, answers };
	const proposed = refuseCountErrors(() => proposeFor(app, book, event.id, inputs), 'date');
	return { book, event, answers, ...proposed };
}

export type ProposalView = Omit<Proposal, 'trace'> & {
	count: CountView;
	courtDays: number;
	past: boolean;
};
/** What an event would set, each date with its count. */
export const previewProposals = matterPreview({
	action: 'docket.enter',
	input: z.object(eventFields),
	run({ ctx, matter, input }): { deadlines: ProposalView[]; left: Left[]; warnings: string[] } {
		const { book, event, deadlines, left } = proposeEvent(ctx, matter, input);
		return {
			deadlines: deadlines.map(({ trace, ...deadline }) => ({
				...deadline,
				count: findCount(ctx, book.id, trace, deadline.date),
				courtDays: countCourtDaysTo(ctx, book.id, deadline.date),
				past: deadline.date < ctx.clock.today()
			})),
			left,
			warnings: warnOfEvent(ctx, matter.id, { book, event }, input.date)
		};
	}
});

/** A day that somebody set, and no count: whether the court sits is for people to see. */
export function warnOfEvent(
	app: Application,
	matterId: string,
	{ book, event }: { book: Rulebook; event: BookEvent },
	day: PlainDate
): string[] {
	if (event.ahead === null) return [];
	return listWarnings(app, matterId, { day, book, hearing: isOccasion(event.ahead) });
}

/** Enters an event, keeps all its proposals and dockets the chosen ones. */
export const enterEvent = matterCommand({
	name: 'enter event',
	action: 'docket.enter',
	input: z.object({
		...eventFields,
		...whereFields,
		name: maybeText('The name', 120),
		sourceId: maybeId,
		docket: z.array(z.string()).default([])
	}),
	find: byMatterId,
	run({ ctx, me, matter, input, record, notify }) {
		const { book, event, answers, deadlines, left } = proposeEvent(ctx, matter, input);
		if (input.docket.some((rule) => !deadlines.some((deadline) => deadline.rule === rule)))
			throw new Refused('The proposals have changed since they were shown. Look at them again.');
		const source = requireDocumentOn(ctx, matter, input.sourceId, 'sourceId');
		const eventId = newId('evt');
		const text = capitalize(event.text);
		insert<EventRow>(ctx.db, 'event', {
			id: eventId,
			matter_id: matter.id,
			event_key: event.id,
			text,
			name: input.name,
			book: book.id,
			book_version: book.version,
			date: input.date,
			time: input.time,
			service: event.served && input.service ? input.service : null,
			answers: JSON.stringify(answers),
			ahead: event.ahead,
			entered_by: me.id,
			entered_at: ctx.clock.now(),
			source_id: source?.id ?? null,
			...(isOccasion(event.ahead) ? {} : { place: input.place, link: input.link })
		});
		if (isOccasion(event.ahead))
			insertOccasion(ctx, matter, {
				...{ id: eventId, text, name: input.name, date: input.date, time: input.time },
				...{ book: book.id, book_version: book.version, sort: event.ahead },
				...{ place: input.place, link: input.link },
				authority: source ? `“${source.name}”` : 'the day that was set'
			});
		const chosen = new Set(input.docket);
		for (const deadline of deadlines)
			insertDeadline(ctx, matter, eventId, book, deadline, chosen.has(deadline.rule));
		const docketed = deadlines.filter((deadline) => chosen.has(deadline.rule));
		record.audit({
			event: eventId,
			book: book.id,
			key: event.id,
			date: input.date,
			service: input.service,
			source: source?.id ?? null,
			docketed: docketed.map(({ rule, date }) => ({ rule, date })),
			left: left.map(({ rule }) => rule)
		});
		const entered = { text, name: input.name, date: input.date, source: source?.name };
		record.log('date', describeEntry(entered, docketed));
		if (docketed.length) notify(eventEntered(matter, { text, date: input.date }, docketed));
		return { eventId, docketed: docketed.length };
	}
});

function describeEntry(
	entered: { text: string; name: string; date: PlainDate; source: string | undefined },
	docketed: readonly { title: string; date: PlainDate }[]
): string {
	const name = entered.name ? ` (${entered.name})` : '';
	const source = entered.source ? `, from “${entered.source}”` : '';
	const dates = docketed.map(({ title, date }) => `${title} ${formatDate(date)}`).join('; ');
	const words = `${entered.text}${name} on ${formatDate(entered.date)}${source}.`;
	return dates ? `${words} Docketed: ${dates}.` : words;
}
