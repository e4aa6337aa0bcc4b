/** What mail about matters says. */
import { formatHours } from '#core/format/hours.ts';
import type { Message } from '#server/mail/queue.ts';

type Matter = { number: string; title: string };
const path = (matter: Matter) => `/matters/${matter.number}`;

/** To the responsible lawyer of a matter that a colleague opened. */
export const matterOpened = (matter: Matter, by: string): Message => ({
	subject: `${matter.number}: opened for you`,
	text: `${by} opened ${matter.number} ${matter.title} with you as the responsible lawyer.`,
	path: path(matter)
});

/** To a colleague who is on a matter from its beginning. */
export const putOnMatter = (matter: Matter, by: string, part: string): Message => ({
	subject: `${matter.number}: you are on it`,
	text: `${by} opened ${matter.number} ${matter.title} with you on it${part ? `, as ${part}` : ''}.`,
	path: path(matter)
});

/** To the lawyer a matter was handed to. */
export const matterHandedOver = (matter: Matter, by: string): Message => ({
	subject: `${matter.number}: yours now`,
	text: `${by} made you the responsible lawyer of ${matter.number} ${matter.title}.`,
	path: path(matter)
});

/** To who has drafts of time on a matter that was closed. */
export const releaseYourTime = (matter: Matter, minutes: number): Message => ({
	subject: `${matter.number} is closed: release your time`,
	text: `${formatHours(minutes)} hours on ${matter.number} ${matter.title} are still drafts. The matter is closed; release them so that they are allocated.`,
	path: '/time'
});
