import { may } from '#core/access/table.ts';
import { myTasks, tasksWithOthers } from '#server/agenda/queries.ts';
import { courtDaysTo, daysAway, docket, horizon } from '#server/docket/queries.ts';
import { askedOf } from '#server/matters/queries.ts';
import { matterList } from '#server/matters/list.ts';
import { myRequests } from '#server/requests/queries.ts';
import { mineToSign, signingWithOthers } from '#server/signing/queries.ts';
import { todaysHours } from '#server/time/queries.ts';
import { waitingCount } from '#server/docket/changes.ts';
import { dropLeave, setLeave } from '#server/docket/commands.ts';
import { myReminders, seeReminder } from '#server/jobs/reminders.ts';
import { answer, ctx, form, staff, theWorld } from '#server/web.ts';

export function load(event) {
	const me = staff(event);
	const w = theWorld();
	const toSign = mineToSign(w, me);
	if (!may(me.role, 'matter.read'))
		return { inside: false as const, toSign, mine: myRequests(w, me) };
	const days = horizon(w, me, 'mine');
	const missed = docket(w, me, { show: 'missed', who: 'mine' }).rows;
	const ahead = docket(w, me, { from: w.clock.today(), who: 'mine' }).rows.map((d) => ({
		...d,
		courtDays: courtDaysTo(w, null, d.date)
	}));
	const near = ahead.filter((d) => d.courtDays <= 5);
	return {
		inside: true as const,
		days,
		toSign,
		missed,
		mustNotSlip: near.length >= 3 ? near : ahead.slice(0, 5),
		nearCount: near.length,
		unchecked: docket(w, me, { show: 'unchecked', per: 1 }).total,
		reminders: myReminders(w, me),
		changes: waitingCount(w, me),
		away: daysAway(w, me),
		tasks: myTasks(w, me),
		asked: askedOf(w, me),
		quiet: matterList(w, me, { who: 'mine', lawyer: me.id, quiet: true, cols: ['number'] }, 5),
		withOthers: tasksWithOthers(w, me),
		signing: signingWithOthers(w, me),
		hours: todaysHours(w, me)
	};
}

export const actions = {
	seen: async (event) => {
		const f = await form(event);
		return answer(seeReminder(ctx(event), { deadlineId: f.text('deadlineId') }), () => ({}));
	},
	away: async (event) => {
		const f = await form(event);
		return answer(
			setLeave(ctx(event), {
				staffId: staff(event).id,
				from: f.text('from'),
				to: f.text('to'),
				note: f.text('note')
			}),
			() => ({})
		);
	},
	back: async (event) => {
		const f = await form(event);
		return answer(dropLeave(ctx(event), { leaveId: f.text('leaveId') }), () => ({}));
	}
};
