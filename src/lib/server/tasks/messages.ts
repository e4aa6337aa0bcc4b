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
