/** The weekly sign-off: one's own dates, who has given their word, and what was said in a week. */
import { parseDate } from '#core/dates/plain.ts';
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { signOff } from '#server/sign-off/commands.ts';
import { readSignOff } from '#server/sign-off/tasks.ts';

export async function load(event) {
	const me = requireAction(event, 'docket.read');
	const week = parseDate(event.url.searchParams.get('week')) ?? null;
	return readSignOff(event.locals.app, me, week);
}

export const actions = { sign: actionValue(signOff) };
