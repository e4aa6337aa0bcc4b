/** One's own time, week by week, and the timers that run. */
import { addDays, parseDate } from '#core/dates/plain.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { listMatters } from '#server/matters/list.ts';
import {
	changeTime,
	deleteTime,
	logTime,
	releaseTime,
	takeBackTime
} from '#server/time/commands.ts';
import { listActivities, listMyEntries, sumDrafts, weekOf } from '#server/time/queries.ts';
import { pauseTimer, resumeTimer, stopTimer } from '#server/time/timers.ts';

const WEEK = 7;

export function load(event) {
	const me = requireAction(event, 'time.own');
	const { app } = event.locals;
	const monday = weekOf(parseDate(event.url.searchParams.get('week')) ?? app.clock.today());
	return {
		monday,
		before: addDays(monday, -WEEK),
		after: addDays(monday, WEEK),
		entries: listMyEntries(app, me, monday, addDays(monday, WEEK - 1)),
		activities: listActivities(app),
		drafts: sumDrafts(app, me),
		matters: listMatters(app, me, { who: 'all', cols: ['number'] }).rows.map(
			({ id, number, title }) => ({ value: id, label: `${number} ${title}` })
		),
		week: Array.from({ length: WEEK }, (_, index) => addDays(monday, index))
	};
}

export const actions = {
	log: actionValue(logTime),
	change: action(changeTime),
	remove: action(deleteTime),
	release: actionValue(releaseTime),
	back: action(takeBackTime),
	pause: action(pauseTimer),
	resume: action(resumeTimer),
	stop: action(stopTimer)
};
