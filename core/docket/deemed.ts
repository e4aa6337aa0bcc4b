/** Deemed service: the day on which a document counts as served, where a court has such a rule. */
import type { CourtCalendar } from '../dates/calendar.ts';
import { fromDay, parseTime, toDay, type DayNumber, type PlainDate } from '../dates/plain.ts';
import { formatTime } from '../format/dates.ts';
import type { Method } from '../rulebooks/method.ts';
import { CountError, inRange } from './amount.ts';
import type { Step } from './trace.ts';

/**
 * Deemed service (CPR 6.14, 6.26): the day on which a document counts as served; `by` is the way
 * whose rule goes for every way.
 */
export function deemedDay(
	method: Method,
	cal: CourtCalendar,
	sent: PlainDate,
	time: number | undefined,
	service: string,
	by?: string
): { date: PlainDate; step: Step } {
	const said = method.deemed?.kinds[service];
	const kind = said && by !== undefined ? method.deemed!.kinds[by] : said;
	if (!method.deemed || !said || !kind) throw new CountError(unknownService(method, service));
	const date = fromDay(servedOn(kind, cal, toDay(sent), time));
	return {
		date,
		step: {
			step: 'deemed',
			sent,
			time: time === undefined ? null : formatTime(time),
			date,
			say: said === kind ? kind.label : `${said.label}, ${kind.label}`,
			authority: kind.authority ?? method.deemed.authority
		}
	};
}

type Kind = NonNullable<Method['deemed']>['kinds'][string];

function servedOn(
	kind: Kind,
	cal: CourtCalendar,
	day: DayNumber,
	time: number | undefined
): DayNumber {
	const isBusinessDay = (one: DayNumber) => !cal.holiday(one, 1);
	const next = (one: DayNumber) => {
		let at = one;
		while (!isBusinessDay(at)) inRange(++at);
		return at;
	};
	if (kind.rule === 'second-day') return next(day + 2);
	if (kind.rule === 'second-business-day') return next(next(day + 1) + 1);
	if (!isBusinessDay(day)) return next(day + 1);
	if (time === undefined)
		throw new CountError(
			`a time (HH:MM) is needed: service ${kind.label} counts that day only before ${kind.before}`
		);
	return time < (parseTime(kind.before) ?? 0) ? day : next(day + 1);
}

/** What to say of a way of service that the book does not know. */
export function unknownService(method: Method, service: string): string {
	const known = Object.keys(method.deemed?.kinds ?? method.services?.kinds ?? {});
	return known.length
		? `"${service}" is not a way of service here: choose ${known.join(', ')}`
		: 'this rulebook adds nothing for service: leave it out';
}
