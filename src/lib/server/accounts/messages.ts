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

/** To those who are told that a restricted matter went on with its lawyer's leaving. */
export const givenOn = (
	number: string,
	{ by, leaver, lawyer }: { by: string; leaver: string; lawyer: string }
): Message => ({
	subject: `${number}: ${lawyer} is responsible now`,
	text: [
		`${leaver} left the department. ${by} ended the account and made ${lawyer} responsible for the restricted matter ${number}, who was not on it before.`,
		'You are told because you are on it, or as the second person. If this should not be, speak to the head of the department.'
	].join('\n\n')
});

/** To everyone who is told that an administrator gave a restricted matter to a lawyer. */
export const takenOver = (
	number: string,
	{ by, lawyer, reason }: { by: string; lawyer: string; reason: string }
): Message => ({
	subject: `${number}: ${lawyer} is responsible now`,
	text: [
		`Nobody in the department could open the restricted matter ${number} any more. ${by} made ${lawyer} responsible for it, and cannot read it by that.`,
		`The reason: ${reason}`,
		'You are told because you were on it, or as the second person. If this should not be, speak to the head of the department.'
	].join('\n\n')
});
