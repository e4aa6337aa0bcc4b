/**
 * The count: from a day, so many days, court days, weeks, months, years or hours, with service and roll, explained.
 * Source: the rules named in each rulebook's method; the common model of the rulebooks' documentation.
 */
import type { CourtCalendar, Direction, Reason } from '../dates/calendar.ts';
import { addMonths, fromDay, isWeekend, parseTime, sayTime, toDay, weekday, WEEKDAYS, type DayNumber, type PlainDate } from '../dates/plain.ts';
import { clockAt, instantOf } from '../dates/zone.ts';
import type { Method } from './method.ts';
import { sayAmount, type Named, type Step, type Unit } from './trace.ts';

export type Amount = { sign: Direction; n: number; unit: Unit };

export type CountRequest = {
	from: PlainDate;
	/** Minutes after midnight; needed for hours, and where deemed service depends on it. */
	time?: number;
	amount: Amount;
	service?: string;
	/** Whether the service extension applies where the method has one; true where not given. */
	extends?: boolean;
	/** What is done: an inaccessible office moves only a filing. */
	act?: 'file' | 'serve';
	roll?: 'usual' | 'towards' | 'none';
	/** Switches the short-period rule off. */
	everyDay?: boolean;
	/** What day zero is, for the sentence. */
	label?: string;
	/** The day is already the deemed one: no deemed service is worked out again. */
	deemed?: boolean;
};

/** A date with the steps that lead to it; `time` (HH:MM) only where the count gives one. */
export type Counted = { date: PlainDate; time: string | null; trace: Step[] };

/** A request that cannot be counted, in the user's words. */
export class CountError extends Error {}

const AMOUNT = /^([+-])(\d{1,6})(cd|d|w|m|y|h)$/;
const MOST: Record<Unit, number> = { d: 40_000, cd: 20_000, w: 5_000, m: 1_200, y: 100, h: 876_000 };

/** Reads "+21d", "-16cd", "+72h". Throws CountError with what is wrong. */
export function parseAmount(text: unknown): Amount {
	const m = typeof text === 'string' ? AMOUNT.exec(text.trim()) : null;
	if (!m) throw new CountError(`"${String(text)}" is not a count: write a sign, a whole number and d, cd, w, m, y or h, like +21d`);
	const unit = m[3] as Unit;
	const n = Number(m[2]);
	if (n > MOST[unit]) throw new CountError(`${sayAmount(n, unit)} is more than can be counted (at most ${MOST[unit]})`);
	return { sign: m[1] === '+' ? 1 : -1, n, unit };
}

const FIRST = toDay('1900-01-01' as PlainDate);
const LAST = toDay('2199-12-31' as PlainDate);
function inRange(d: DayNumber): DayNumber {
	if (d < FIRST || d > LAST) throw new CountError('the count leaves the years 1900 to 2199');
	return d;
}

const named = (d: DayNumber, r: Reason): Named => ({ date: fromDay(d), name: r.name });
const weekendOnly = (r: Reason) => r.kind === 'saturday' || r.kind === 'sunday';

/** Deemed service (CPR 6.14, 6.26): the day on which a document counts as served. */
export function deemedDay(method: Method, cal: CourtCalendar, sent: PlainDate, time: number | undefined, service: string): { date: PlainDate; step: Step } {
	const kind = method.deemed?.kinds[service];
	if (!method.deemed || !kind) throw new CountError(unknownService(method, service));
	const business = (d: DayNumber) => !cal.holiday(d, 1);
	const next = (d: DayNumber) => {
		let at = d;
		while (!business(at)) inRange(++at);
		return at;
	};
	const day = toDay(sent);
	let on: DayNumber;
	if (kind.rule === 'second-day') on = next(day + 2);
	else if (kind.rule === 'second-business-day') on = next(next(day + 1) + 1);
	else {
		const before = parseTime(kind.before) ?? 0;
		if (business(day) && time === undefined) throw new CountError(`a time (HH:MM) is needed: service ${kind.say} counts that day only before ${kind.before}`);
		on = business(day) && time! < before ? day : next(day + 1);
	}
	const date = fromDay(on);
	return { date, step: { step: 'deemed', sent, time: time === undefined ? null : sayTime(time), date, say: kind.say, authority: kind.authority ?? method.deemed.authority } };
}

function unknownService(method: Method, service: string): string {
	const known = Object.keys(method.deemed?.kinds ?? method.services?.kinds ?? {});
	return known.length ? `"${service}" is not a way of service here: choose ${known.join(', ')}` : 'this rulebook adds nothing for service: leave it out';
}

/** Counts. Throws CountError where the request makes no sense. */
export function count(method: Method, cal: CourtCalendar, req: CountRequest): Counted {
	const { sign, unit } = req.amount;
	const act = req.act ?? 'file';
	const roll = req.roll ?? 'usual';
	const dayWord = method.dayWord;
	const trace: Step[] = [];
	let from = req.from;

	if (req.service !== undefined && method.deemed && !req.deemed) {
		if (unit === 'h') throw new CountError('hours cannot be counted from a deemed day of service');
		const d = deemedDay(method, cal, from, req.time, req.service);
		trace.push(d.step);
		from = d.date;
	} else if (req.service !== undefined && !method.deemed && !method.services?.kinds[req.service]) {
		throw new CountError(unknownService(method, req.service));
	}
	if (unit === 'h' && req.time === undefined) throw new CountError('a count in hours needs a time (HH:MM)');

	const zero = toDay(from);
	const zeroStep: Step = { step: 'zero', date: from, time: unit === 'h' ? sayTime(req.time!) : null };
	if (req.label !== undefined) zeroStep.label = req.label;
	trace.push(zeroStep);

	// 1. The period itself.
	const last = period(method, cal, req, zero, act, trace);
	let at = last.day;

	// 2. Service and roll.
	const ext = extension(method, req, trace);
	const days = act === 'file' ? (d: DayNumber) => cal.closed(d, sign) : (d: DayNumber) => cal.holiday(d, sign);
	const way: Direction = roll === 'towards' ? 1 : sign;
	const rolls = roll !== 'none' && !(unit === 'h' && method.family === 'agency');
	// Before an extension is added "after the period would otherwise expire", an inaccessible office is not on the last day.
	if (ext?.when === 'after-roll' && rolls) at = rollFrom(method, cal, at, way, (d) => cal.holiday(d, sign), trace, act);
	if (ext) at = extend(cal, at, sign, ext, act, dayWord, trace);
	if (rolls) at = rollFrom(method, cal, at, way, days, trace, act);
	else {
		const closed = cal.closed(at, sign);
		if (closed && !(unit === 'h' && method.family === 'agency')) trace.push({ step: 'stays', date: fromDay(at), name: closed.name });
	}
	return { date: fromDay(at), time: last.time, trace };
}

function period(method: Method, cal: CourtCalendar, req: CountRequest, zero: DayNumber, act: 'file' | 'serve', trace: Step[]): { day: DayNumber; time: string | null } {
	const { sign, n, unit } = req.amount;
	const from = fromDay(zero);
	const skipped: Named[] = [];
	const inside: Named[] = [];
	let weekends = 0;
	let to = zero;
	let time: string | null = null;
	const clear = method.clearDays && sign === -1 && n > 0 && (unit === 'd' || unit === 'w' || unit === 'cd');
	const isShort = unit === 'd' && !req.everyDay && method.short !== undefined && n > 0 && (method.short.exactly !== undefined ? n === method.short.exactly : n <= method.short.upTo!);
	const walk = (days: number, closed: (d: DayNumber) => Reason | undefined) => {
		for (let left = days; left > 0; ) {
			to = inRange(to + sign);
			const reason = closed(to);
			if (!reason) left--;
			else if (weekendOnly(reason)) weekends++;
			else skipped.push(named(to, reason));
		}
	};
	if (unit === 'h') {
		const end = clockAt(instantOf(from, req.time!, method.zone) + sign * n * 3_600_000, method.zone);
		to = inRange(toDay(end.date));
		time = sayTime(end.minutes);
	} else if (unit === 'm' || unit === 'y') to = inRange(addMonths(zero, sign * n * (unit === 'y' ? 12 : 1)));
	else if (unit === 'cd') walk(n + (clear ? 1 : 0), act === 'file' ? (d) => cal.closed(d, sign) : (d) => cal.holiday(d, sign));
	else if (isShort) walk(n + (clear ? 1 : 0), (d) => cal.holiday(d, sign));
	else {
		to = inRange(zero + sign * ((unit === 'w' ? 7 * n : n) + (clear ? 1 : 0)));
		for (let d = zero + sign; d !== to && to !== zero; d += sign) {
			if (Math.abs(to - d) > 400) break; // years of holidays are not worth naming
			const reason = isWeekend(d) ? undefined : cal.holiday(d, sign);
			if (reason) inside.push(named(d, reason));
		}
	}
	const closed = (act === 'file' ? cal.closed(to, sign) : cal.holiday(to, sign))?.name ?? null;
	const step: Step = { step: 'counted', n: unit === 'w' && clear ? n * 7 : n, unit, direction: sign, from, to: fromDay(to), inside, skipped, weekends, closed, dayWord: method.dayWord };
	if (time !== null) step.toTime = time;
	if (isShort) step.short = method.short!.authority;
	if (clear) step.clear = true;
	trace.push(step);
	if (isShort && method.short!.cautious) trace.push({ step: 'cautious', text: 'weekends and holidays inside so short a period are left out in both directions.' });
	return { day: to, time };
}

type Extension = { say: string; n: number; unit: 'd' | 'cd'; when: 'after-roll' | 'before-roll'; authority: string };

function extension(method: Method, req: CountRequest, trace: Step[]): Extension | undefined {
	const s = method.services;
	if (req.service === undefined || !s) return undefined;
	const kind = s.kinds[req.service]!;
	if (req.extends === false) {
		if (kind.add !== null) trace.push({ step: 'no-service', text: `Service ${kind.say} adds nothing to this date.` });
		return undefined;
	}
	if (kind.add === null) {
		trace.push({ step: 'no-service', text: `Service ${kind.say} adds nothing (${s.authority}).` });
		return undefined;
	}
	if (req.amount.sign === -1) {
		if (s.backward === 'none') {
			trace.push({ step: 'no-service', text: `Service ${kind.say} adds nothing to a count backwards (${s.authority}).` });
			return undefined;
		}
		if (s.cautiousBackward) trace.push({ step: 'cautious', text: 'the notice is lengthened by the same days.' });
	}
	const unit = kind.add.endsWith('cd') ? 'cd' : 'd';
	return { say: kind.say, n: Number.parseInt(kind.add, 10), unit, when: s.added, authority: s.authority };
}

function extend(cal: CourtCalendar, at: DayNumber, sign: Direction, ext: Extension, act: 'file' | 'serve', dayWord: string, trace: Step[]): DayNumber {
	const closed = act === 'file' ? (d: DayNumber) => cal.closed(d, sign) : (d: DayNumber) => cal.holiday(d, sign);
	const skipped: Named[] = [];
	let weekends = 0;
	let to = at;
	if (ext.unit === 'd') to = inRange(at + sign * ext.n);
	else
		for (let left = ext.n; left > 0; ) {
			to = inRange(to + sign);
			const reason = closed(to);
			if (!reason) left--;
			else if (weekendOnly(reason)) weekends++;
			else skipped.push(named(to, reason));
		}
	trace.push({
		step: 'service', say: ext.say, n: ext.n, unit: ext.unit, direction: sign, from: fromDay(at), to: fromDay(to),
		skipped, weekends, authority: ext.authority, when: ext.when, closed: closed(to)?.name ?? null, dayWord
	});
	return to;
}

function rollFrom(method: Method, cal: CourtCalendar, at: DayNumber, way: Direction, closed: (d: DayNumber) => Reason | undefined, trace: Step[], act: 'file' | 'serve'): DayNumber {
	let to = at;
	const over: Named[] = [];
	for (let reason = closed(to); reason; reason = closed(to)) {
		over.push(named(to, reason));
		to = inRange(to + way);
	}
	if (to === at) return at;
	const office = act === 'file' && method.office && over.some((o) => cal.closed(toDay(o.date), way)?.kind === 'office');
	trace.push({ step: 'rolled', from: fromDay(at), to: fromDay(to), over, direction: way, authority: office ? method.office! : way === 1 ? method.roll.forward : method.roll.backward, dayWord: method.dayWord });
	if (way === -1 && method.roll.cautiousBackward) trace.push({ step: 'cautious', text: 'the date moves back rather than on.' });
	return to;
}

/**
 * The next given weekday strictly after a day; if it is not a court day, the next court day.
 * Source: Tex. R. Civ. P. 99(b).
 */
export function nextWeekday(method: Method, cal: CourtCalendar, from: PlainDate, day: number, authority: string): { date: PlainDate; trace: Step[] } {
	const start = toDay(from);
	const to = start + (((day - weekday(start) + 6) % 7) + 1);
	const trace: Step[] = [{ step: 'weekday', from, to: fromDay(to), name: WEEKDAYS[day]!, authority }];
	return { date: fromDay(rollFrom(method, cal, to, 1, (d) => cal.closed(d, 1), trace, 'file')), trace };
}
