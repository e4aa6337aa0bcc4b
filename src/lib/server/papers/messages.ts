/** What mail about papers says. */
import type { Message } from '#server/mail/queue.ts';

/** A paper was given to somebody. */
export const paperHanded = (paper: { id: string; file_name: string }, by: string): Message => ({
	subject: `A paper to docket: ${paper.file_name}`,
	text: `${by} gives you “${paper.file_name}”, which is not docketed yet.`,
	path: `/docket/papers?paper=${paper.id}`
});
