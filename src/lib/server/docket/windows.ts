/**
 * Which events a closure may touch. A count looks only at the days between its event and its date,
 * so that most events of a house lie too far from the closed day to be counted anew.
 */
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import { parseAmount } from '#core/docket/amount.ts';
import type { BookEvent, Rulebook, Rule } from '#core/rulebooks/book.ts';
import type { Expression } from '#core/rulebooks/expression.ts';
import type { Method } from '#core/rulebooks/method.ts';

/** Events of a book by the days between which they must lie; of any day where they hang on more. */
export type Window = {
	book: string;
	key: string;
	from: PlainDate;
	to: PlainDate;
	/** Whether all its dates hang on its day alone. */
	alone: boolean;
};

/**
 * A run of closed days is no longer than this: a date that rolled, a day of service that is deemed,
 * the next weekday.
 */
export const RUN_DAYS = 10;
/** How many calendar days a unit is at most; a court day may lie behind closed ones. */
const DAYS_IN: Readonly<Record<string, number>> = { d: 1, cd: 3, w: 7, m: 31, y: 366, h: 1 };
const ANY: Pick<Window, 'from' | 'to'> = {
	from: '1900-01-01' as PlainDate,
	to: '2199-12-31' as PlainDate
};

const span = (amount: string): { days: number; sign: number } => {
	const { n, unit, sign } = parseAmount(amount);
	return { days: n * (DAYS_IN[unit] ?? 1), sign };
};

/** The most calendar days that a way of service adds. */
const serviceDays = ({ services }: Method): number =>
	Math.max(
		0,
		...Object.values(services?.kinds ?? {}).map(({ add }) => (add ? span(`+${add}`).days : 0))
	);

const expressionsOf = ({ count, variants }: Rule): (Expression | undefined)[] => [
	count,
	...variants.map((variant) => variant.count)
];
const fromItsEvent = (expression: Expression | undefined): boolean =>
	expression === undefined ||
	(expression.kind === 'count' && expression.from === 'event' && expression.of === undefined);

/** How far a count reaches from its event, before and after it. */
function reachOf(expression: Expression | undefined): { before: number; after: number } {
	if (expression?.kind !== 'count') return { before: 0, after: 0 };
	const { days, sign } = span(expression.amount);
	const added = Math.max(
		0,
		...Object.values(expression.adds ?? {}).map((add) => (add ? span(`+${add}`).days : 0))
	);
	return sign === 1 ? { before: 0, after: days + added } : { before: days + added, after: 0 };
}

/** How far an event's dates lie from it; undefined where they hang on answers or other dates. */
function spanOf(book: Rulebook, event: BookEvent): { before: number; after: number } | undefined {
	const expressions = event.rules.flatMap(expressionsOf);
	if (!expressions.every(fromItsEvent)) return undefined;
	const methods = [book.method, ...[...book.others.values()].map(({ method }) => method)];
	const reaches = expressions.map(reachOf);
	const warned = Math.max(0, ...event.suggestions.map(({ count }) => span(count).days));
	// In a short period every closed day is skipped: what counts as days may be court days.
	const short = methods.some((method) => method.short) ? RUN_DAYS : 0;
	const slack = RUN_DAYS + short + Math.max(...methods.map(serviceDays));
	// Nothing behind the event is looked at where no date of it lies there.
	const behind = Math.max(0, ...reaches.map(({ before }) => before));
	return {
		before: (behind ? behind + slack : 0) + warned,
		after: Math.max(0, ...reaches.map(({ after }) => after)) + slack + warned
	};
}

/**
 * The windows of all events of some books.
 * @param first the first of the days that are closed, or open again
 * @param last the last of them
 * @param count how many they are: a run of them lengthens how far a date may roll
 */
export function listWindows(
	books: readonly Rulebook[],
	{ first, last, count }: { first: PlainDate; last: PlainDate; count: number }
): Window[] {
	return books.flatMap((book) =>
		[...book.events.values()].map((event) => {
			const reach = spanOf(book, event);
			if (!reach) return { book: book.id, key: event.id, ...ANY, alone: false };
			const from = addDays(first, -reach.after - count);
			const to = addDays(last, reach.before + count);
			return { book: book.id, key: event.id, from, to, alone: true };
		})
	);
}
