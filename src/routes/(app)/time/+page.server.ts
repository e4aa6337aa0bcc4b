import { addDays, date, parseDate } from '#core/dates/plain.ts';
import {
	changeTime,
	deleteTime,
	logTime,
	pauseTimer,
	releaseTime,
	resumeTimer,
	stopTimer,
	takeBackTime
} from '#server/time/commands.ts';
import { activities, drafts, myEntries, weekOf } from '#server/time/queries.ts';
import { matterList } from '#server/matters/queries.ts';
import { answer, ctx, form, only, theWorld } from '#server/web.ts';
import type { RequestEvent } from '@sveltejs/kit';

export function load(event) {
	const me = only(event, 'time.own');
	const w = theWorld();
	const monday = weekOf(parseDate(event.url.searchParams.get('week')) ?? w.clock.today());
	return {
		monday,
		before: addDays(monday, -7),
		after: addDays(monday, 7),
		entries: myEntries(w, me, monday, addDays(monday, 6)),
		activities: activities(w),
		drafts: drafts(w, me),
		matters: matterList(w, me, { who: 'all' }).rows.map((m) => ({
			value: m.id,
			label: `${m.number} ${m.title}`
		})),
		week: Array.from({ length: 7 }, (_, i) => addDays(date(monday), i))
	};
}

const go = async (event: RequestEvent) => ({ c: ctx(event), f: await form(event) });
export const actions = {
	log: async (event) => {
		const { c, f } = await go(event);
		return answer(
			logTime(c, {
				matterId: f.maybe('matterId'),
				day: f.text('day'),
				hours: f.text('hours'),
				narrative: f.text('narrative'),
				activity: f.maybe('activity')
			}),
			() => ({})
		);
	},
	change: async (event) => {
		const { c, f } = await go(event);
		return answer(
			changeTime(c, {
				entryId: f.text('entryId'),
				hours: f.text('hours'),
				narrative: f.text('narrative')
			}),
			() => ({})
		);
	},
	remove: async (event) => {
		const { c, f } = await go(event);
		return answer(deleteTime(c, { entryId: f.text('entryId') }), () => ({}));
	},
	release: async (event) => {
		const { c, f } = await go(event);
		return answer(releaseTime(c, { upTo: f.text('upTo') }), (v) => v);
	},
	back: async (event) => {
		const { c, f } = await go(event);
		return answer(takeBackTime(c, { entryId: f.text('entryId') }), () => ({}));
	},
	pause: async (event) => {
		const { c, f } = await go(event);
		return answer(pauseTimer(c, { timerId: f.text('timerId') }), () => ({}));
	},
	resume: async (event) => {
		const { c, f } = await go(event);
		return answer(resumeTimer(c, { timerId: f.text('timerId') }), () => ({}));
	},
	stop: async (event) => {
		const { c, f } = await go(event);
		return answer(
			stopTimer(c, {
				timerId: f.text('timerId'),
				words: f.text('words'),
				drop: f.text('drop') === '1'
			}),
			() => ({})
		);
	}
};
