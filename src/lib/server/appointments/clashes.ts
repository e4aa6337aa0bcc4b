/**
 * What an appointment would get in the way of: a resource that is taken is refused, a colleague who
 * is busy is said.
 */
import { findNextFree } from '#core/calendar/common-hours.ts';
import { listOccurrences, type Occurrence } from '#core/calendar/occurrences.ts';
import { addDays, type PlainDate } from '#core/dates/plain.ts';
import { clockAt, instantOf } from '#core/dates/zone.ts';
import { formatDate, formatTime } from '#core/format/dates.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { findStaff } from '#server/staff/queries.ts';
import { findResource } from './resources.ts';
import { listRowOccurrences, listSeries, type SpannedRow } from './series.ts';
import { seriesOf, type AppointmentState } from './state.ts';

/** An open series is looked at for so long from its beginning, or from today. */
const LOOKED_DAYS = 731;
/** A next free time is looked for within so many days. */
const NEXT_DAYS = 14;
const DAY_MS = 86_400_000;

type Taken = { row: SpannedRow; from: number; to: number };

/** An occurrence as moments; one that is all day takes its whole days. */
const spanOf = ({ starts, ends, firstDay, lastDay }: Occurrence, zone: string) => ({
	from: starts ?? instantOf(firstDay, 0, zone),
	to: ends ?? instantOf(addDays(lastDay, 1), 0, zone)
});

function spanToLookAt(ctx: Context, state: AppointmentState): [PlainDate, PlainDate] {
	const today = ctx.clock.today();
	const from = state.rule && state.day < today ? today : state.day;
	return [from, addDays(from, state.rule ? LOOKED_DAYS : state.more_days)];
}

/** What is taken of somebody or something, but by the appointment itself. */
function listTaken(
	ctx: Context,
	me: Staff,
	of: { staff?: string; resource?: string },
	[from, to]: [PlainDate, PlainDate],
	besides: ReadonlySet<string>
): Taken[] {
	const rows = listSeries(ctx, me, {
		from,
		to,
		staff: of.staff ? [of.staff] : [],
		resources: of.resource ? [of.resource] : []
	}).filter(({ id }) => !besides.has(id));
	return listRowOccurrences(ctx, rows, from, to).flatMap(({ row, occurrence }) => {
		// An all-day entry keeps nobody from anything; a thing that is booked for days is gone.
		if (of.staff && occurrence.starts === null) return [];
		return [{ row, ...spanOf(occurrence, ctx.clock.zone) }];
	});
}

type Span = { from: number; to: number };
const overlaps = (one: Span, other: Span): boolean => one.from < other.to && one.to > other.from;

function findClash(own: readonly Span[], taken: readonly Taken[]): [Span, Taken] | undefined {
	for (const one of own) {
		const other = taken.find((found) => overlaps(one, found));
		if (other) return [one, other];
	}
	return undefined;
}

const ownSpans = (ctx: Context, state: AppointmentState, [from, to]: [PlainDate, PlainDate]) =>
	listOccurrences([seriesOf(state)], from, to, ctx.clock.zone).map((one) =>
		spanOf(one, ctx.clock.zone)
	);

const formatMoment = (ctx: Context, moment: number): string => {
	const { date, minutes } = clockAt(moment, ctx.clock.zone);
	return `${formatDate(date)} ${formatTime(minutes)}`;
};

/**
 * @param besides the appointments of this change: they make room for one another
 * @throws Refused where a resource is taken, with by whom and when it is free next
 */
export function refuseTaken(
	ctx: Context,
	me: Staff,
	state: AppointmentState,
	besides: ReadonlySet<string>
): void {
	const looked = spanToLookAt(ctx, state);
	const own = state.resources.length ? ownSpans(ctx, state, looked) : [];
	for (const id of state.resources) {
		const resource = findResource(ctx, id);
		if (!resource?.active) throw new Refused('Choose a resource of the list.', 'resources');
		const taken = listTaken(ctx, me, { resource: id }, looked, besides);
		const clash = findClash(own, taken);
		if (!clash) continue;
		const [wanted, { row, to }] = clash;
		const whose = row.open ? `for “${row.subject}”` : `by ${nameOf(ctx, row.created_by)}`;
		const next = findNextFree(
			listTaken(ctx, me, { resource: id }, nextSpan(ctx, wanted.from), besides),
			{
				from: wanted.from,
				length: wanted.to - wanted.from,
				until: wanted.from + NEXT_DAYS * DAY_MS
			}
		);
		const free =
			next === undefined ? '' : ` It is free for as long from ${formatMoment(ctx, next)}.`;
		throw new Refused(
			`${resource.name} is taken ${whose} on ${formatMoment(ctx, wanted.from)}, until ${formatMoment(ctx, to)}.${free}`,
			'resources'
		);
	}
}

const nextSpan = (ctx: Context, from: number): [PlainDate, PlainDate] => {
	const { date } = clockAt(from, ctx.clock.zone);
	return [date, addDays(date, NEXT_DAYS)];
};
const nameOf = (ctx: Context, id: string): string => findStaff(ctx, id)?.name ?? 'a colleague';

/** Which colleagues are busy then, in words; of what one may not read, only that. */
export function listWarnings(
	ctx: Context,
	me: Staff,
	state: AppointmentState,
	besides: ReadonlySet<string>
): string[] {
	if (state.from_minute === null) return [];
	const looked = spanToLookAt(ctx, state);
	const own = ownSpans(ctx, state, looked);
	return state.staff.flatMap((staffId) => {
		const clash = findClash(own, listTaken(ctx, me, { staff: staffId }, looked, besides));
		if (!clash) return [];
		const [, { row, from }] = clash;
		const with_ = row.open ? `has “${row.subject}”` : 'is busy';
		const who = staffId === me.id ? 'You' : nameOf(ctx, staffId);
		const says = who === 'You' ? with_.replace(/^has/, 'have').replace(/^is/, 'are') : with_;
		return [`${who} ${says} on ${formatMoment(ctx, from)}.`];
	});
}
