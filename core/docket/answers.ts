/** The answers to a rule's questions: kept with their event as JSON, the empty ones left out. */
import { parseDate } from '../dates/plain.ts';
import type { BookEvent } from '../rulebooks/book.ts';

export type Answers = Record<string, string>;

/** The answers that say something, in one order. */
export const filledAnswers = (answers: Answers): Answers =>
	Object.fromEntries(
		Object.entries(answers)
			.filter(([, answer]) => answer !== '')
			.sort(([a], [b]) => (a < b ? -1 : 1))
	);

/** Reads stored answers. */
export const parseAnswers = (json: string): Answers =>
	json === '{}' ? {} : filledAnswers(JSON.parse(json) as Answers);

/** The answers to an event's own questions; those to others are left aside. */
export const answersTo = (event: BookEvent, answers: Answers): Answers =>
	Object.fromEntries(
		Object.entries(filledAnswers(answers)).filter(([id]) =>
			event.questions.some((question) => question.id === id)
		)
	);

/**
 * The question that asks for a day and was answered with something else; undefined where all is
 * well.
 */
export const findBadDay = (event: BookEvent, answers: Answers): string | undefined =>
	event.questions.find(({ id, kind }) => {
		const answer = answers[id];
		return kind === 'date' && answer !== undefined && !parseDate(answer);
	})?.id;
