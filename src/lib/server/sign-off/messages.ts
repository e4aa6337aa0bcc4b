/** What mail about the sign-off says. */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Message } from '#server/mail/queue.ts';

type Dated = { title: string; date: PlainDate; number: string };

/** Why it is asked: for the first time, again, or because something has changed since. */
export type Asking = 'first' | 'again' | 'changed';
const WHY: Readonly<Record<Asking, string>> = {
	first: 'Look at them, and say that they are seen and right, or what is not.',
	again: 'Nobody has your word on them yet this week.',
	changed: 'Some of them are new, or have moved since you gave your word.'
};

/** Asks for a sign-off. Dates of restricted matters are on the screen only. */
export const signOffAsked = (
	until: PlainDate,
	dates: readonly Dated[],
	asking: Asking
): Message => ({
	subject: `${asking === 'first' ? 'Your' : 'Still wanted: your'} word on your dates until ${formatDate(until)}`,
	text: [
		WHY[asking],
		dates.map(({ title, date, number }) => `${formatDate(date)}  ${title}, ${number}`).join('\n')
	]
		.filter(Boolean)
		.join('\n\n'),
	path: '/docket/sign-off'
});
