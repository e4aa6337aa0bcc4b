/** What mail about notes says. */
import type { Message } from '#server/mail/queue.ts';

/** Why someone is told of a note. */
export type NoteTold = 'asked' | 'answered' | 'mentioned';
const VERBS: Record<NoteTold, string> = {
	asked: 'asks you',
	answered: 'answered you',
	mentioned: 'mentions you'
};

export const noteTakenBack = (matter: { number: string }, by: string): Message => ({
	subject: `${matter.number}: ${by} took a note back`,
	text: `${by} took back the note in which you were named. Nothing in it asks anything of you.`,
	path: `/matters/${matter.number}/logbook`
});

export const noteWritten = (
	matter: { number: string },
	by: string,
	words: string,
	told: NoteTold
): Message => ({
	subject: `${matter.number}: ${by} ${VERBS[told]}`,
	text: words,
	path: `/matters/${matter.number}/logbook`
});
