/** What mail about requests says. */
import type { Message } from '#server/mail/queue.ts';

type Request = { id: string; number: string; about: string };
const path = ({ id }: Request) => `/requests/${id}`;
const about = (request: Request, what: string, text: string): Message => ({
	subject: `${request.number}: ${what}`,
	text,
	path: path(request)
});

// To the department.
export const requestSent = (request: Request, by: string): Message =>
	about(request, 'a new request', `${by} asks: ${request.about}`);
export const requestAnswered = (request: Request, by: string, words: string): Message =>
	about(request, 'an answer', `${by}: ${words}`);
export const requestWithdrawn = (request: Request, by: string, reason: string): Message =>
	about(request, 'withdrawn', reason ? `${by} withdrew it: ${reason}` : `${by} withdrew it.`);

export const requestAssigned = (request: Request, by: string): Message =>
	about(request, 'is yours', `${by} gave it to you: ${request.about}`);

/** To the responsible lawyer of the matter it was put to. */
export const requestJoined = (
	matter: { number: string },
	request: Request & { staff: string }
): Message => ({
	subject: `${matter.number}: a request joins it`,
	text: `${request.number} of ${request.staff}: ${request.about}`,
	path: `/matters/${matter.number}/logbook`
});

// To who wrote it.
export const requestTaken = (request: Request, by: string): Message =>
	about(
		request,
		'someone looks at it',
		`${by} of the legal department looks at your request: ${request.about}`
	);
export const requestQuestion = (request: Request, by: string, words: string): Message =>
	about(request, 'a question for you', `${by} asks: ${words}`);
export const requestWord = (request: Request, by: string, words: string): Message =>
	about(request, 'a word from the legal department', `${by}: ${words}`);
export const requestStands = (request: Request, label: string): Message =>
	about(request, label, `Your request now stands at: ${label}.`);
export const requestTurnedDown = (request: Request, by: string, reason: string): Message =>
	about(request, 'turned down', `${by} turned your request down: ${reason}`);
/** Which matter it became is not said: it may be one that its writer may not know of. */
export const requestInWork = (request: Request): Message =>
	about(
		request,
		'in work',
		`The legal department has begun to work on your request: ${request.about}`
	);
