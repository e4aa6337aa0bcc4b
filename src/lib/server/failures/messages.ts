/** What mail about something the server cannot do says. */
import type { Message } from '#server/mail/queue.ts';

export const cannotBeDone = ({ what, error }: { what: string; error: string }): Message => ({
	subject: `Does not work: ${what}`.slice(0, 150),
	text: [
		`${what}: tried three times, and it did not work.`,
		`What came back: ${error}`,
		'It is tried again by itself, ever more rarely. On your Day sheet you can have it tried at once, or settle it in another way and say how.'
	].join('\n\n'),
	path: '/'
});
