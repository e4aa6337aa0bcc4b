/** What mail about tasks says. */
import type { Message } from '#server/mail/queue.ts';

/** A task was given to someone. `due` is the due day in words, "" where it has none. */
export const taskAssigned = (
	matter: { number: string },
	subject: string,
	due: string
): Message => ({
	subject: `${matter.number}: a task for you`,
	text: `${subject}${due}.`,
	path: `/matters/${matter.number}/tasks`
});

/** A task was a slip of who gave it, and is not to be done. */
export const taskTakenBack = (matter: { number: string }, subject: string): Message => ({
	subject: `${matter.number}: a task taken back`,
	text: `“${subject}” is not to be done: who gave it took it back.`,
	path: `/matters/${matter.number}/tasks`
});
