/**
 * The occurrences of appointments in a span of days. An appointment has the clock of its own zone:
 * at ten it is at ten before and after a change of clocks, and ends by the clock too. All-day ones
 * are days without a clock, the same in every zone.
 */
import { addDays, type PlainDate } from '../dates/plain.ts';
import { clockAt, instantOf } from '../dates/zone.ts';
import { expandRecurrence, type Recurrence } from './recurrence.ts';

export type Series = {
	id: string;
	/** Its first day. */
	day: PlainDate;
	/** Minutes after midnight; null where it is all day. */
	from: number | null;
	/** So many days after its day it ends. */
	moreDays: number;
	/** Minutes after midnight on its last day. */
	to: number | null;
	zone: string;
	rule: Recurrence | null;
	/** Days on which it is not, or is another appointment instead. */
	except: ReadonlySet<PlainDate>;
};

export type Occurrence = {
	id: string;
	/** Its day as its series has it: by it one occurrence is named. */
	day: PlainDate;
	/** Its days as the viewer's clock has them. */
	firstDay: PlainDate;
	lastDay: PlainDate;
	/** Milliseconds since 1970; null where it is all day. */
	starts: number | null;
	ends: number | null;
};

/** Two zones are never further apart than this. */
const ZONE_DAYS = 1;

/** Those that touch the days of a span in the viewer's zone, in order of time. */
export function listOccurrences(
	series: readonly Series[],
	from: PlainDate,
	to: PlainDate,
	zone: string
): Occurrence[] {
	const found = series.flatMap((one) =>
		listDays(one, addDays(from, -one.moreDays - ZONE_DAYS), addDays(to, ZONE_DAYS))
			.map((day) => occurrenceOn(one, day, zone))
			.filter(({ firstDay, lastDay }) => firstDay <= to && lastDay >= from)
	);
	return found.sort(compareOccurrences);
}

function listDays({ day, rule, except }: Series, from: PlainDate, to: PlainDate): PlainDate[] {
	const days = rule ? expandRecurrence(rule, day, from, to) : day >= from && day <= to ? [day] : [];
	return except.size === 0 ? days : days.filter((one) => !except.has(one));
}

/** One occurrence, by the day that its series has for it. */
export function occurrenceOn(one: Series, day: PlainDate, zone: string): Occurrence {
	const lastDay = addDays(day, one.moreDays);
	if (one.from === null || one.to === null)
		return { id: one.id, day, firstDay: day, lastDay, starts: null, ends: null };
	const starts = instantOf(day, one.from, one.zone);
	const ends = instantOf(lastDay, one.to, one.zone);
	return {
		...{ id: one.id, day, starts, ends },
		firstDay: clockAt(starts, zone).date,
		// What ends at midnight does not touch the day that begins then.
		lastDay: clockAt(Math.max(starts, ends - 1), zone).date
	};
}

/** All-day ones first, then by the clock; what begins at once by its id. */
function compareOccurrences(one: Occurrence, other: Occurrence): number {
	if (one.firstDay !== other.firstDay) return one.firstDay < other.firstDay ? -1 : 1;
	const [mine, theirs] = [one.starts ?? -Infinity, other.starts ?? -Infinity];
	if (mine !== theirs) return mine - theirs;
	return one.id < other.id ? -1 : 1;
}
