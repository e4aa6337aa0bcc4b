/** A rulebook in words, for people who read its rules. */
import type { Rulebook } from '#core/rulebooks/book.ts';
import type { Expression } from '#core/rulebooks/expression.ts';
import { needsTime } from '#core/rulebooks/book.ts';
import { parseAmount } from '#core/docket/amount.ts';
import { formatAmount } from '#core/docket/trace.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import { shippedShelf, staleWarning } from './shelf.ts';

type BookEvent = Rulebook['events'] extends ReadonlyMap<string, infer Event> ? Event : never;
type Rule = BookEvent['rules'][number];
type From = Extract<Expression, { from: unknown }>['from'];

const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

function describeFrom(from: From): string {
	if (from === 'event') return '';
	if ('answer' in from) return ` the answer “${from.answer.replaceAll('-', ' ')}”`;
	return ` the day “${from.deadline.replaceAll('-', ' ')}” is due`;
}

/** "30 days after", "16 court days before", "the same day". */
function describeAmount(written: string, dayWord: string): string {
	const { n, unit, sign } = parseAmount(written);
	if (n === 0) return 'the same day';
	return `${formatAmount(n, unit, dayWord)} ${sign === 1 ? 'after' : 'before'}`;
}

/** How a date is counted, in words. */
function describeExpression(expression: Expression, dayWord: string): string {
	const describe = (part: Expression) => describeExpression(part, dayWord);
	if (expression.kind === 'choose')
		return `the ${expression.which} of ${expression.of.map(describe).join(' and ')}`;
	if (expression.kind === 'day') return describeFrom(expression.from).trim() || 'that day';
	const { amount, ext, roll, everyDay, of, from, next, time } = expression;
	return [
		describeAmount(amount, dayWord),
		of ? ` ${describe(of)}` : describeFrom(from),
		ext ? ' (and what the way of service adds)' : '',
		roll === 'none' ? ', on whatever day that is' : '',
		roll === 'towards' ? ', or the court day nearer to it' : '',
		everyDay ? ', every day counted' : '',
		next === undefined ? '' : `, then the next ${WEEKDAYS[next]}`,
		time ? ` at ${time}` : ''
	].join('');
}

/** When a rule or a variant holds: the answers it depends on. */
function describeWhen(
	{
		answers = {},
		before
	}: { answers?: Record<string, string> | undefined; before?: string | undefined },
	questions: BookEvent['questions']
): string {
	const answered = Object.entries(answers).map(([key, answer]) => {
		const question = questions.find(({ id }) => id === key);
		const option = question?.options?.find(({ id }) => id === answer);
		return `${question?.ask ?? key} ${option?.label ?? answer}`;
	});
	return [...answered, ...(before ? [`before ${before}`] : [])].join(', ');
}

/** How a rule counts, and when it holds, in words. */
export const describeRule = (rule: Rule, { questions }: BookEvent, dayWord: string) => ({
	id: rule.id,
	title: rule.title,
	authority: rule.authority,
	book: rule.book,
	by: rule.by ?? null,
	owner: rule.owner ?? null,
	count: rule.count ? describeExpression(rule.count, dayWord) : '',
	variants: rule.variants.map(
		({ when, count }) => `${describeWhen(when, questions)}: ${describeExpression(count, dayWord)}`
	),
	only: rule.only ? describeWhen(rule.only, questions) : '',
	note: rule.note ?? '',
	examples: rule.examples.length
});

/** The events of a book that set or suggest a date and have the words, in the book's order. */
export function describeEvents(book: Rulebook, words: string) {
	const wanted = words.toLowerCase();
	const has = ({ text, rules }: BookEvent) =>
		[text, ...rules.map(({ title, authority }) => `${title} ${authority}`)]
			.join(' ')
			.toLowerCase()
			.includes(wanted);
	return [...book.events.values()]
		.filter((event) => (event.rules.length || event.suggestions.length) && has(event))
		.map((event) => ({
			id: event.id,
			text: event.text,
			served: event.served,
			hint: event.hint,
			timed: needsTime(event),
			questions: event.questions.map(({ ask }) => ask),
			rules: event.rules.map((rule) => describeRule(rule, event, book.method.dayWord)),
			suggestions: event.suggestions.map(({ title, count, of }) => ({
				title,
				count,
				of: event.rules.find(({ id }) => id === of)?.title ?? of
			}))
		}));
}

/** What a book says of itself, and how it counts. */
export const describeBook = (book: Rulebook, today: string) => ({
	id: book.id,
	title: book.title,
	short: book.short,
	version: book.version,
	changes: book.changes,
	reviewed: book.reviewed,
	stale: staleWarning(book, today),
	layers: book.layers,
	/** Made here, not shipped. */
	own: !shippedShelf().files.has(book.id),
	sort: book.sort,
	zone: book.method.zone,
	dayWord: book.method.dayWord,
	roll: book.method.roll,
	services: serviceKinds(book.method),
	serviceAuthority: book.method.services?.authority ?? book.method.deemed?.authority ?? ''
});
