/** `npm run -s docket`: JSON lines in (an event), its deadlines out. */
import { propose, type EventInput } from '#core/docket/propose.ts';
import { sayTime } from '#core/dates/plain.ts';
import { sentence } from '#core/docket/trace.ts';
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
		time: time === undefined ? undefined : sayTime(time),
		service: textField(input, 'service'),
		answers: answers as Record<string, string>,
		closures: closuresField(input)
	};
	const { deadlines, left } = propose(rules, request);
	return {
		deadlines: deadlines
			.filter((d) => !d.suggested)
			.map((d) => ({
				title: d.title,
				date: d.date,
				time: d.time,
				authority: d.authority,
				trace: d.trace.map((s) => ({ ...s, text: sentence(s) }))
			})),
		...(left.length
			? { left: left.map((l) => ({ title: l.title, authority: l.authority, reason: l.reason })) }
			: {})
	};
});
