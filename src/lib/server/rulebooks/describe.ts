/** A rulebook in words, for people who read its rules. */
import type { Rulebook } from '#core/rulebooks/book.ts';
import { needsTime } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import { describeAmount, describeExpression, describeWhen } from '#core/rulebooks/words.ts';
import { shippedShelf, staleWarning } from './shelf.ts';

type BookEvent = Rulebook['events'] extends ReadonlyMap<string, infer Event> ? Event : never;
type Rule = BookEvent['rules'][number];
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
				count: describeAmount(count, book.method.dayWord),
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
