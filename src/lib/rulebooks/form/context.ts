/** What every part of the form knows: what may be chosen, what was found, what was counted. */
import type { Question } from '#core/rulebooks/book.ts';
import type { FormEvent } from '#core/rulebooks/book-form.ts';
import { deadlineIds } from '#core/rulebooks/form-rows.ts';
import { slugOf } from '#core/rulebooks/slug.ts';
import type { ExampleView, Fault } from '#server/rulebooks/check.ts';
import type { BookShape } from '#server/rulebooks/shape.ts';

export type Choice = { value: string; label: string };
export type FormContext = {
	readonly shape: BookShape;
	readonly faults: readonly Fault[];
	readonly examples: readonly ExampleView[];
	readonly today: string;
};
type Path = (string | number)[];

const isAt = (path: Path | undefined, place: Path) =>
	path?.length === place.length && place.every((part, index) => path[index] === part);
const isWithin = (path: Path | undefined, place: Path) =>
	path !== undefined && place.every((part, index) => path[index] === part);

/**
 * The fault of exactly this place, in words, without the place: the field says where it is. What is
 * only missing yet is listed beside the form: a field is not at fault before somebody came to it.
 */
export function faultAt({ faults }: FormContext, place: Path): string | undefined {
	const fault = faults.find(({ path }) => isAt(path, place));
	if (!fault) return undefined;
	const words = fault.short ?? fault.message;
	if (words.startsWith('is missing')) return undefined;
	return words.charAt(0).toUpperCase() + words.slice(1);
}

/** How many faults lie within a place. */
export const faultsWithin = ({ faults }: FormContext, place: Path): number =>
	faults.filter(({ path }) => isWithin(path, place)).length;

/** What the count gives for the example at a place; undefined while it is not known. */
export const exampleAt = ({ examples }: FormContext, place: Path): ExampleView | undefined =>
	examples.find(({ path }) => isAt(path, place));

/** The examples within a place. */
export const examplesWithin = ({ examples }: FormContext, place: Path): ExampleView[] =>
	examples.filter(({ path }) => isWithin(path, place));

const eventBelow = ({ shape }: FormContext, event: FormEvent) =>
	shape.events.find(({ id }) => id === slugOf(event.event));

/** The questions that are asked of an event: those of the books below, then its own. */
export function questionsOf(context: FormContext, event: FormEvent): Question[] {
	const own = event.questions.map(({ id, ask, kind, options, if: only }) => ({
		id,
		ask,
		kind: kind === 'date' ? ('date' as const) : ('choice' as const),
		options: options.map((option) => ({ id: option.id, label: option.say })),
		if: Object.fromEntries(only.map(({ question, answer }) => [question, answer]))
	}));
	const below = eventBelow(context, event)?.questions ?? [];
	return [...below, ...own.filter(({ id }) => !below.some((other) => other.id === id))];
}

/** The dates of an event that something may hang on: its own, and those of the books below. */
export function datesOf(context: FormContext, event: FormEvent): Choice[] {
	const ids = deadlineIds(event);
	const own = event.deadlines.map(({ title }, index) => ({
		value: ids[index] ?? '',
		label: title
	}));
	const below = (eventBelow(context, event)?.rules ?? []).map(({ id, title }) => ({
		value: id,
		label: title
	}));
	return [...below, ...own].filter(({ value }) => value !== '');
}

/** Whether the event asks how it was served, by itself or by a book below. */
export const isServed = (context: FormContext, event: FormEvent): boolean =>
	event.served || eventBelow(context, event)?.served === true;

/**
 * From what the count of a date may start: the event, an answer that is a day, another date of the
 * event.
 */
export function startsOf(context: FormContext, event: FormEvent, index: number): Choice[] {
	const itself = deadlineIds(event)[index];
	const days = questionsOf(context, event).filter(({ kind }) => kind === 'date');
	return [
		{ value: 'event', label: 'the event' },
		...days.flatMap(({ id, ask }) => [
			{ value: `answer:${id}`, label: `the answer to “${ask}”` },
			{ value: `answer-or-event:${id}`, label: `that answer, or the event: “${ask}”` }
		]),
		...datesOf(context, event)
			.filter(({ value }) => value !== itself)
			.map(({ value, label }) => ({
				value: `deadline:${value}`,
				label: `the day “${label}” is due`
			})),
		{ value: 'count', label: 'another count' }
	];
}
