/** How a rule counts and when it holds, as people say it. */
import { WEEKDAYS } from '../dates/plain.ts';
import { parseAmount } from '../docket/amount.ts';
import { formatAmount } from '../docket/trace.ts';
import type { Question } from './book.ts';
import type { Expression } from './expression.ts';

type From = Extract<Expression, { from: unknown }>['from'];

function describeFrom(from: From): string {
	if (from === 'event') return '';
	if ('answer' in from) return ` the answer “${from.answer.replaceAll('-', ' ')}”`;
	return ` the day “${from.deadline.replaceAll('-', ' ')}” is due`;
}

/** "30 days after", "16 court days before", "the same day". */
export function describeAmount(written: string, dayWord: string): string {
	const { n, unit, sign } = parseAmount(written);
	if (n === 0) return 'the same day';
	return `${formatAmount(n, unit, dayWord)} ${sign === 1 ? 'after' : 'before'}`;
}

/** How a date is counted, in words. */
export function describeExpression(expression: Expression, dayWord: string): string {
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
export function describeWhen(
	{
		answers = {},
		before
	}: { answers?: Record<string, string> | undefined; before?: string | undefined },
	questions: readonly Question[]
): string {
	const answered = Object.entries(answers).map(([key, answer]) => {
		const question = questions.find(({ id }) => id === key);
		const option = question?.options?.find(({ id }) => id === answer);
		return `${question?.ask ?? key} ${option?.label ?? answer}`;
	});
	return [...answered, ...(before ? [`before ${before}`] : [])].join(', ');
}
