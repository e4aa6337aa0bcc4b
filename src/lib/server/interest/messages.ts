/** What mail about the blind question says. */
import type { Message } from '#server/mail/queue.ts';

/** To whoever is responsible for the matter in which a name lies. */
export const blindQuestion = (number: string, by: string, names: readonly string[]): Message => ({
	subject: `${number}: is there a conflict?`,
	text: `${by} checks ${names.join(', ')}, which this matter names. They do not learn which matter it is. Answer on your Day sheet: no conflict, or speak to me.`,
	path: '/'
});

/** To who asked. @param speakTo who wants to be spoken to; nobody where there is no conflict */
export const blindAnswer = (
	checkId: string,
	names: readonly string[],
	speakTo: string | null
): Message => ({
	subject: speakTo ? 'Interest check: speak to a colleague' : 'Interest check: an answer',
	text: speakTo
		? `${names.join(', ')}: speak to ${speakTo} before you go on.`
		: `${names.join(', ')}: no conflict.`,
	path: `/interest/${checkId}`
});
