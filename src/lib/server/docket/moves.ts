/**
 * What every dependent date and task would become if an event moved or was corrected: only looked
 * at, nothing is saved.
 */
import { z } from 'zod';
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { answersTo, type Answers } from '#core/docket/answers.ts';
import { CountError } from '#core/docket/amount.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { day, id, maybeTime } from '#server/app/fields.ts';
import { preview } from '#server/app/preview.ts';
import { all } from '#server/db/sql.ts';
import { bookOnMatter } from '#server/rulebooks/shelf.ts';
import { departmentBook, inputsOf, listMoved, proposeFor, type EventInputs } from './counting.ts';
import { answersField, refuseCountErrors, requireAnswers } from './events.ts';
import { requireEvent } from './find.ts';
import { listTaskMoves, type TaskMove } from './hanging.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { listWarnings } from './warnings.ts';

export type Move = {
	deadlineId: string;
	title: string;
	state: DeadlineRow['state'];
	from: PlainDate;
	to: PlainDate;
	days: number;
	warnings: string[];
	tasks: TaskMove[];
	/** Moved by order or agreement: only the computed date beside it changes. */
	held: boolean;
};

/** What else of an event is corrected with its date; what is undefined or null stays. */
export type EventChange = {
	name?: string | null | undefined;
	time?: string | null | undefined;
	service?: string | null | undefined;
	answers?: Answers | null | undefined;
};
export const eventChangeFields = {
	/** Which one it is: which motion, whose deposition. */
	name: z.string().trim().max(120, 'The name is longer than 120 characters.').nullish(),
	time: maybeTime,
	service: z.string().max(40).nullish(),
	answers: answersField.nullish()
};

/**
 * The event's inputs as they would be: a way of service and answers only where its book asks for
 * them.
 */
export function changedInputs(
	row: EventRow,
	to: PlainDate,
	change: EventChange,
	book: Rulebook | null
): EventInputs {
	const now = inputsOf(row);
	const event = book?.events.get(row.event_key);
	return {
		date: to,
		time: change.time || now.time,
		service:
			change.service === null || change.service === undefined || !event?.served
				? now.service
				: change.service || null,
		answers: change.answers && event ? requireAnswers(event, change.answers) : now.answers
	};
}

/**
 * The rules that set a date from an event as it stands. One whose answers no longer fit its book
 * sets nothing.
 */
function listRulesOf(app: Application, book: Rulebook, row: EventRow): Set<string> {
	const event = book.events.get(row.event_key);
	const inputs = inputsOf(row);
	try {
		const answers = event ? answersTo(event, inputs.answers) : inputs.answers;
		const { deadlines } = proposeFor(app, book, row.event_key, { ...inputs, answers });
		return new Set(deadlines.map((deadline) => deadline.rule));
	} catch (error) {
		if (error instanceof CountError) return new Set();
		throw error;
	}
}

export type EventMoves = {
	moves: Move[];
	/** Titles of dates that no rule would set any more. */
	gone: string[];
	/** Dates that only the corrected event sets, one that was taken off among them. */
	born: Proposal[];
	warnings: string[];
	/** Every date the event would set, by rule. */
	fresh: Map<string, Proposal>;
};

/** What would follow if an event moved to a day and was corrected so. */
export function findMoves(
	app: Application,
	event: EventRow,
	to: PlainDate,
	change: EventChange = {}
): EventMoves {
	const hearing = { day: to, hearing: true, eventId: event.id };
	if (!event.book) {
		const book = departmentBook(app);
		const date = event.ahead === null ? { day: to, book } : { ...hearing, book };
		const warnings = listWarnings(app, event.matter_id, date);
		return { moves: [], gone: [], born: [], warnings, fresh: new Map() };
	}
	const book = bookOnMatter(app, event.matter_id, event.book);
	const inputs = changedInputs(event, to, change, book);
	const { deadlines } = refuseCountErrors(
		() => proposeFor(app, book, event.event_key, inputs, listMoved(app, event.id)),
		'to'
	);
	const fresh = new Map(deadlines.map((deadline) => [deadline.rule, deadline]));
	const known = all<DeadlineRow>(
		app.db,
		`SELECT *
		FROM deadline
		WHERE event_id = @eventId AND sort = 'deadline'
		ORDER BY state = 'vacated', date, id`,
		{ eventId: event.id }
	);
	const standing = known.filter((deadline) => deadline.state !== 'vacated');
	return {
		moves: standing.flatMap((deadline) => {
			const proposal = fresh.get(deadline.rule);
			return proposal ? [moveOf(app, book, deadline, proposal)] : [];
		}),
		gone: standing
			.filter(({ rule, state }) => !fresh.has(rule) && state !== 'met')
			.map(({ title }) => title),
		born: bornFrom(deadlines, known, listRulesOf(app, book, event)),
		warnings: event.ahead === null ? [] : listWarnings(app, event.matter_id, { ...hearing, book }),
		fresh
	};
}

/** What is new, and what was taken off while no rule set it but would be set again. */
function bornFrom(
	deadlines: readonly Proposal[],
	known: readonly DeadlineRow[],
	hadRules: ReadonlySet<string>
): Proposal[] {
	return deadlines.filter(({ rule }) => {
		const before = known.find((deadline) => deadline.rule === rule);
		return !before || (before.state === 'vacated' && !hadRules.has(rule));
	});
}

function moveOf(app: Application, book: Rulebook, deadline: DeadlineRow, proposal: Proposal): Move {
	const common = { deadlineId: deadline.id, title: deadline.title, state: deadline.state };
	const from = deadline.computed ?? deadline.date;
	const stays = { ...common, from, tasks: [] };
	if (deadline.state === 'met')
		return {
			...stays,
			to: from,
			days: 0,
			warnings: ['met already: it stays as it was'],
			held: deadline.computed !== null
		};
	const to = proposal.date;
	const days = daysBetween(from, to);
	if (deadline.computed !== null) {
		const stand = formatDate(deadline.date);
		const warning = `moved by ${deadline.moved_how}: it stays on ${stand}, only its computed date changes`;
		return { ...stays, to, days, warnings: [warning], held: true };
	}
	const warnings = listWarnings(app, deadline.matter_id, { day: to, book });
	if (deadline.internal && deadline.internal > to) warnings.push('its internal date falls away');
	const tasks = listTaskMoves(app, deadline, to);
	return { ...common, from, to, days, warnings, tasks, held: false };
}

/** An event that is not ahead is entered once it has happened: it cannot move into the future. */
export function refuseFuture(app: Application, event: EventRow, to: PlainDate): void {
	if (!event.ahead && to > app.clock.today())
		throw new Refused(
			`${formatDate(to)} has not come yet: this event is entered once it has happened.`,
			'to'
		);
}

/** The what-if of an event. */
export const previewMoves = preview({
	action: 'docket.change',
	input: z.object({ eventId: id('an event'), to: day('The new date'), ...eventChangeFields }),
	run({ ctx, input }) {
		const { event } = requireEvent(ctx, input.eventId);
		refuseFuture(ctx, event, input.to);
		const { moves, gone, born, warnings } = findMoves(ctx, event, input.to, input);
		return { moves, gone, warnings, born: born.map(({ title, date }) => ({ title, date })) };
	}
});
