/** The weekly sign-off as its page shows it. */
import { may } from '#core/access/table.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import {
	findSignOffState,
	listOwnDates,
	listSigned,
	listSignOffStates,
	listSignOffWeeks
} from './queries.ts';

/** @param week of which the record is read, where one asks for one */
export const showSignOff = (app: Reader, me: Staff, week: PlainDate | null) => ({
	state: findSignOffState(app, me, me.id),
	own: listOwnDates(app, me),
	colleagues: may(me.role, 'docket.check') ? listSignOffStates(app, me) : [],
	weeks: listSignOffWeeks(app),
	past: week ? { week, dates: listSigned(app, me, week) } : null
});
