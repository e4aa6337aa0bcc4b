/** What mail about accounts says. */
import { plural } from '#core/format/words.ts';
import type { Message } from '#server/mail/queue.ts';

/** To who takes over the matters of somebody who left. */
export const handedOver = (
	leaver: string,
	matters: readonly { number: string; title: string }[]
): Message => ({
	subject: `${plural(matters.length, 'matter')} of ${leaver}: yours now`,
	text: [
		`${leaver} left the department. You are the responsible lawyer of:`,
		matters.map(({ number, title }) => `${number} ${title}`).join('\n')
	].join('\n\n'),
	path: '/matters'
});
