/** The weekly sign-off: one's own dates, who has given their word, and what was said in a week. */
import { may } from '#core/access/table.ts';
import { parseDate } from '#core/dates/plain.ts';
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { signOff } from '#server/sign-off/commands.ts';
import {
	findSignOffState,
	listOwnDates,
	listSigned,
	listSignOffStates,
	listSignOffWeeks
} from '#server/sign-off/queries.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const state = findSignOffState(app, me, me.id);
	const week = parseDate(event.url.searchParams.get('week'));
	return {
		state,
		own: listOwnDates(app, me),
		colleagues: may(me.role, 'docket.check') ? listSignOffStates(app, me) : [],
		weeks: listSignOffWeeks(app),
		past: week ? { week, dates: listSigned(app, me, week) } : null
	};
}

export const actions = { sign: actionValue(signOff) };
