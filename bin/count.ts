/** `npm run -s count`: JSON lines in, one counted date a line out. */
import { calendarOf } from '#core/rulebooks/book.ts';
import { parseAmount } from '#core/docket/amount.ts';
import { count, type CountRequest } from '#core/docket/count.ts';
import { explainStep } from '#core/docket/trace.ts';
import { book, closuresField, dateField, textField, timeField } from './input.ts';
import { answerLines, LineError } from './lines.ts';

await answerLines((input) => {
	const rules = book(input);
	const from = dateField(input, 'from');
	if (input.count === undefined) throw new LineError('"count" is missing: like +21d');
	const request: CountRequest = { from, amount: parseAmount(input.count) };
	const time = timeField(input);
	if (time !== undefined) request.time = time;
	const service = textField(input, 'service');
	if (service !== undefined) request.service = service;
	const roll = textField(input, 'roll');
	if (roll !== undefined) {
		if (roll !== 'towards' && roll !== 'none' && roll !== 'usual')
			throw new LineError('"roll" is "towards" or "none"');
		request.roll = roll;
	}
	if (input.everyDay !== undefined) {
		if (typeof input.everyDay !== 'boolean') throw new LineError('"everyDay" is true or false');
		request.everyDay = input.everyDay;
	}
	const act = textField(input, 'act');
	if (act !== undefined) {
		if (act !== 'file' && act !== 'serve') throw new LineError('"act" is "file" or "serve"');
		request.act = act;
	}
	const answer = count(rules.method, calendarOf(rules, closuresField(input)), request);
	return {
		date: answer.date,
		time: answer.time,
		trace: answer.trace.map((step) => ({ ...step, text: explainStep(step) }))
	};
});
