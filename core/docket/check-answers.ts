/** Whether the answers to an event's questions make sense, each and together. */
import { parseDate, type PlainDate } from '../dates/plain.ts';
import type { BookEvent, Question } from '../rulebooks/book.ts';
import { CountError } from './amount.ts';
import type { Answers } from './answers.ts';

type Asked = { answers: Answers; date: PlainDate };

/**
 * Looks at every answer that was given.
 * @param date the day of the event, which an answer may not lie after or before
 * @throws CountError about the question whose answer is wrong
 */
export function checkAnswers(event: BookEvent, { answers, date }: Asked): void {
	for (const [id, value] of Object.entries(answers)) {
		const question = event.questions.find((one) => one.id === id);
		if (!question) throw new CountError(unasked(event, id));
		if (value === '') continue;
		const fault = findFault(question, value, date);
		if (fault) throw new CountError(fault, id);
		const contradiction = findContradiction(event, question, answers);
		if (contradiction) throw new CountError(contradiction, id);
	}
}

function unasked({ questions }: BookEvent, id: string): string {
	const known = questions.length ? `; it asks ${questions.map((one) => one.id).join(', ')}` : '';
	return `"${id}" is not a question of this event${known}`;
}

const WRONG = 'One of the two dates is wrong.';

function findFault(question: Question, value: string, date: PlainDate): string | undefined {
	const { ask, kind, must, options = [] } = question;
	if (kind === 'date' && !parseDate(value)) return `"${value}" is not a date that exists: ${ask}`;
	if (kind === 'choice' && !options.some((option) => option.id === value)) {
		const choices = options.map((option) => option.id).join(', ');
		return `"${value}" is not an answer to "${ask}": choose ${choices}`;
	}
	if (must === 'not-after-event' && value > date)
		return `"${ask}" cannot be ${value}: that is after the event itself, ${date}. ${WRONG}`;
	if (must === 'not-before-event' && value < date)
		return `"${ask}" cannot be ${value}: that is before the event itself, ${date}. ${WRONG}`;
	return undefined;
}

/** What an answer needs of another question's; the first choice is the one that was taken. */
function findContradiction(
	event: BookEvent,
	question: Question,
	answers: Answers
): string | undefined {
	for (const [otherId, wanted] of Object.entries(question.if ?? {})) {
		const other = event.questions.find((one) => one.id === otherId);
		const options = other?.options ?? [];
		const label = (id: string) => options.find((option) => option.id === id)?.label ?? id;
		const given = answers[otherId] || options[0]?.id || '';
		if (given !== wanted)
			return `The answers contradict each other: "${question.ask}" is answered, but "${other?.ask}" is "${label(given)}", not "${label(wanted)}".`;
	}
	return undefined;
}
