/** When everybody needed is free, and a room: the times in order, and why not on other days. */
import { z } from 'zod';
import { listBusy, listCommonHours, type Needed, type Span } from '#core/calendar/common-hours.ts';
import { listDays } from '#core/calendar/views.ts';
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import { clockAt, instantOf } from '#core/dates/zone.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { day, id } from '#server/app/fields.ts';
import { preview } from '#server/app/preview.ts';
import { listResources } from '#server/appointments/resources.ts';
import { listRowOccurrences, listSeries } from '#server/appointments/series.ts';
import { listClosedDays } from '#server/docket/days.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { listAway, listDueDates } from './due.ts';

const MINUTE_MS = 60_000;
const MOST_SHOWN = 12;
const MOST_DAYS = 62;
/** A hearing of which only its beginning is known keeps people for so long. */
const HEARING_MINUTES = 60;
const LENGTHS = 'It lasts from 15 minutes to 10 hours.';

const input = z.object({
	staff: z.array(id('a colleague')).min(1, 'Choose who is needed.').max(60),
	/** One that is needed; "any": a room that is free. */
	resource: z.string().max(60).default(''),
	minutes: z.coerce.number({ error: LENGTHS }).int(LENGTHS).min(15, LENGTHS).max(600, LENGTHS),
	from: day('The first day'),
	to: day('The last day'),
	firstHour: z.coerce.number().int().min(0).max(23),
	lastHour: z.coerce.number().int().min(1).max(24),
	step: z.coerce.number().int().min(5).max(60).default(30)
});
type Asked = z.output<typeof input>;

export type FreeTime = {
	day: PlainDate;
	from: number;
	to: number;
	resource: { id: string; name: string } | null;
};
export type CommonHours = { times: FreeTime[]; reasons: string[] };

const dayOf = (app: Reader, moment: number) => clockAt(moment, app.clock.zone);

/** What takes each of the people and resources, by id: what it is stays with who may read it. */
function listTaken(app: Reader, me: Staff, asked: Asked, resources: readonly string[]): Needed[] {
	const { from, to, staff } = asked;
	const { zone } = app.clock;
	const busy = new Map<string, Span[]>([...staff, ...resources].map((one) => [one, []]));
	const take = (who: string, span: Span) => busy.get(who)?.push(span);
	const rows = listSeries(app, me, { from, to, staff, resources });
	for (const { row, occurrence: one } of listRowOccurrences(app, rows, from, to)) {
		const { starts, ends } = one;
		// What is all day keeps nobody; a room that is booked for days is gone.
		if (starts !== null && ends !== null)
			for (const who of row.staff) take(who, { from: starts, to: ends });
		const whole = {
			from: starts ?? instantOf(one.firstDay, 0, zone),
			to: ends ?? instantOf(addDays(one.lastDay, 1), 0, zone)
		};
		for (const what of row.resources) take(what, whole);
	}
	for (const { staffId, from: first, to: last } of listAway(app, asked))
		take(staffId, {
			from: instantOf(first, 0, zone),
			to: instantOf(addDays(last, 1), 0, zone)
		});
	for (const hearing of listDueDates(app, me, { from, to, staff, whose: 'held' })) {
		if (hearing.from === null) continue;
		const starts = instantOf(hearing.day, hearing.from, zone);
		for (const who of hearing.staff)
			take(who, { from: starts, to: starts + HEARING_MINUTES * MINUTE_MS });
	}
	return [...busy].map(([who, spans]) => ({ id: who, busy: spans }));
}

/** The hours of each day that is worked, from now on. */
function listHours(
	app: Reader,
	asked: Asked,
	closed: Record<string, string>
): Map<PlainDate, Span> {
	const now = Date.parse(app.clock.now());
	const { zone } = app.clock;
	const hours = new Map<PlainDate, Span>();
	for (const one of listDays(asked)) {
		if (closed[one]) continue;
		const begins = instantOf(one, asked.firstHour * 60, zone);
		const until = instantOf(one, asked.lastHour * 60, zone);
		const step = asked.step * MINUTE_MS;
		const from = now <= begins ? begins : begins + Math.ceil((now - begins) / step) * step;
		if (from < until) hours.set(one, { from, to: until });
	}
	return hours;
}

function findCommonHours(app: Reader, me: Staff, asked: Asked): CommonHours {
	const rooms = listResources(app).filter(
		({ id: one, active, sort }) =>
			active && (asked.resource === 'any' ? sort === 'room' : one === asked.resource)
	);
	if (asked.resource && rooms.length === 0) throw new Refused('Choose a room.', 'resource');
	const taken = listTaken(
		app,
		me,
		asked,
		rooms.map(({ id: one }) => one)
	);
	const people = taken.filter(({ id: one }) => asked.staff.includes(one));
	const closed = listClosedDays(app, null, asked.from, asked.to);
	const hours = listHours(app, asked, closed);
	const step = asked.step * MINUTE_MS;
	const length = asked.minutes * MINUTE_MS;
	const isAny = asked.resource === 'any';
	const needed = isAny ? people : taken;
	const found: FreeTime[] = [];
	const reasons: string[] = [];
	for (const [one, span] of hours) {
		const times = listCommonHours({ needed, hours: [span], length, step }).flatMap((time) => {
			const free = rooms.filter(({ id: room }) => !listBusy(taken, time).includes(room));
			return rooms.length && free.length === 0 ? [] : [{ time, room: free[0] ?? null }];
		});
		if (times.length === 0) reasons.push(whyNot(app, one, { needed, span, length, step }));
		for (const { time, room } of times)
			found.push({
				day: one,
				from: dayOf(app, time.from).minutes,
				to: dayOf(app, time.from).minutes + asked.minutes,
				resource: room && { id: room.id, name: room.name }
			});
	}
	for (const [one, name] of Object.entries(closed))
		if (!/^(Satur|Sun)day$/.test(name)) reasons.push(`${formatDate(one as PlainDate)} is ${name}.`);
	return { times: spread(found), reasons };
}

/** Of each day the first few, so that other days are seen too. */
function spread(times: readonly FreeTime[]): FreeTime[] {
	const shown: FreeTime[] = [];
	const perDay = new Map<string, number>();
	for (const time of times) {
		const count = perDay.get(time.day) ?? 0;
		const last = shown.findLast(({ day: one }) => one === time.day);
		// Times that overlap the one before say nothing new.
		if (count >= 3 || (last && time.from < last.to)) continue;
		perDay.set(time.day, count + 1);
		shown.push(time);
		if (shown.length >= MOST_SHOWN) break;
	}
	return shown;
}

function whyNot(
	app: Reader,
	one: PlainDate,
	{
		needed,
		span,
		length,
		step
	}: { needed: readonly Needed[]; span: Span; length: number; step: number }
): string {
	const names = new Map<string, string>([
		...listColleagues(app).map(({ id: who, name }) => [who, name] as const),
		...listResources(app).map(({ id: what, name }) => [what, name] as const)
	]);
	const full = needed
		.filter(
			(who) => listCommonHours({ needed: [who], hours: [span], length, step }, 1).length === 0
		)
		.map(({ id: who }) => names.get(who) ?? '');
	const when = formatDate(one);
	return full.length ? `${when} is full for ${full.join(', ')}.` : `${when} has no common time.`;
}

/** The times, as the panel of the calendar asks for them. */
export const previewCommonHours = preview({
	action: 'calendar.read',
	input,
	run({ ctx, me, input: asked }): CommonHours {
		if (asked.to < asked.from) throw new Refused('The last day is before the first.', 'to');
		if (asked.to > addDays(asked.from, MOST_DAYS))
			throw new Refused(`At most ${MOST_DAYS} days.`, 'to');
		if (asked.lastHour <= asked.firstHour)
			throw new Refused('The last hour is after the first.', 'lastHour');
		return findCommonHours(ctx, me, asked);
	}
});
