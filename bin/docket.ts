/** `npm run -s docket`: JSON lines in (an event), its deadlines out. */
import { propose, type EventInput } from '#core/docket/propose.ts';
import { explainStep } from '#core/docket/trace.ts';
import { formatTime } from '#core/format/dates.ts';
import { book, closuresField, dateField, textField, timeField } from './input.ts';
import { answerLines, LineError } from './lines.ts';

await answerLines((input) => {
	const rules = book(input);
	const event = textField(input, 'event');
	if (event === undefined) throw new LineError('"event" is missing');
	const answers = input.answers ?? {};
	if (
		typeof answers !== 'object' ||
		answers === null ||
		Array.isArray(answers) ||
		Object.values(answers).some((a) => typeof a !== 'string')
	)
		throw new LineError('"answers" must be an object of texts');
	const time = timeField(input);
	const request: EventInput = {
		event,
		date: dateField(input, 'date'),
		time: time === undefined ? undefined : formatTime(time),
		service: textField(input, 'service'),
		answers: answers as Record<string, string>,
		closures: closuresField(input)
	};
	const { deadlines, left } = propose(rules, request);
	return {
		deadlines: deadlines
			.filter((deadline) => !deadline.suggested)
			.map((deadline) => ({
				title: deadline.title,
				date: deadline.date,
				time: deadline.time,
				authority: deadline.authority,
				trace: deadline.trace.map((step) => ({ ...step, text: explainStep(step) }))
			})),
		...(left.length
			? {
					left: left.map((item) => ({
						title: item.title,
						authority: item.authority,
						reason: item.reason
					}))
				}
			: {})
	};
});
