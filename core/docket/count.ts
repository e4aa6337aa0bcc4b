/**
 * The count: from a day, so many days, court days, weeks, months, years or hours, with service and
 * roll, explained. Source: the rules named in each rulebook's method; the common model of the
 * rulebooks' documentation.
 */
import type { CourtCalendar, Direction, Reason } from '../dates/calendar.ts';
import {
	addMonths,
	fromDay,
	isWeekend,
	toDay,
	weekday,
	WEEKDAYS,
	type DayNumber,
	type PlainDate
} from '../dates/plain.ts';
import { clockAt, instantOf } from '../dates/zone.ts';
import { formatTime } from '../format/dates.ts';
import type { Method } from '../rulebooks/method.ts';
import { CountError, inRange, type Amount } from './amount.ts';
import { deemedDay, unknownService } from './deemed.ts';
import type { Named, Step } from './trace.ts';

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
	/** What a way of service adds here instead of what the method says, and by which rule. */
	adds?: { kinds: Readonly<Record<string, string | null>>; authority: string };
	/** What day zero is, for the sentence. */
	label?: string;
	/** The day is already the deemed one: no deemed service is worked out again. */
	deemed?: boolean;
};

/**
 * A date with the steps that lead to it, worked out when they are asked for; `time` (HH:MM) only
 * where the count gives one.
 */
export type Counted = {
	readonly date: PlainDate;
	readonly time: string | null;
	readonly trace: Step[];
};

const named = (day: DayNumber, reason: Reason): Named => ({
	date: fromDay(day),
	name: reason.name
});
const weekendOnly = (reason: Reason) => reason.kind === 'saturday' || reason.kind === 'sunday';

/**
 * Where each part of a count ended, in day numbers: all the arithmetic there is. `explain` makes
 * the steps from it.
 */
type Path = {
	deemed: Step | null;
	from: PlainDate;
	zero: DayNumber;
	end: DayNumber;
	time: string | null;
	short: boolean;
	clear: boolean;
	ext: Extension | null;
	first: DayNumber;
	extended: DayNumber;
	last: DayNumber;
	rolls: boolean;
};

/** Counts. Throws CountError where the request makes no sense. */
export function count(method: Method, cal: CourtCalendar, req: CountRequest): Counted {
	return new Walked(method, cal, req, walk(method, cal, req));
}

class Walked implements Counted {
	readonly date: PlainDate;
	readonly time: string | null;
	readonly #of: { method: Method; cal: CourtCalendar; req: CountRequest; path: Path };
	#trace: Step[] | undefined;
	constructor(method: Method, cal: CourtCalendar, req: CountRequest, path: Path) {
		this.date = fromDay(path.last);
		this.time = path.time;
		this.#of = { method, cal, req, path };
	}
	get trace(): Step[] {
		return (this.#trace ??= explain(this.#of.method, this.#of.cal, this.#of.req, this.#of.path));
	}
}

/**
 * Whether a count of court days skips an inaccessible clerk's office: it gives nobody time inside a
 * count, so only backwards, and only for a filing (cautious reading; common model 8), but for a
 * court whose law makes it a holiday for acts at its office (Code Civ. Proc. 12b).
 */
const skipsOffice = (method: Method, { act = 'file', amount }: CountRequest): boolean =>
	act === 'file' && (amount.sign === -1 || method.officeInside);

function walk(method: Method, cal: CourtCalendar, req: CountRequest): Path {
	const { sign, n, unit } = req.amount;
	const office = (req.act ?? 'file') === 'file';
	const skips = skipsOffice(method, req);
	let from = req.from;
	let deemed: Step | null = null;
	if (req.service !== undefined && method.deemed && !req.deemed) {
		if (unit === 'h') throw new CountError('hours cannot be counted from a deemed day of service');
		const item = deemedDay(method, cal, from, req.time, req.service);
		deemed = item.step;
		from = item.date;
	} else if (req.service !== undefined && !method.deemed && !method.services?.kinds[req.service]) {
		throw new CountError(unknownService(method, req.service));
	}
	if (unit === 'h' && req.time === undefined)
		throw new CountError('a count in hours needs a time (HH:MM)');

	// 1. The period itself.
	const zero = toDay(from);
	const clear =
		method.clearDays && sign === -1 && n > 0 && (unit === 'd' || unit === 'w' || unit === 'cd');
	const short =
		unit === 'd' &&
		!req.everyDay &&
		method.short !== undefined &&
		n > 0 &&
		(method.short.exactly !== undefined ? n === method.short.exactly : n <= method.short.upTo!);
	let time: string | null = null;
	let end: DayNumber;
	if (unit === 'h') {
		const clock = clockAt(
			instantOf(from, req.time!, method.zone) + sign * n * 3_600_000,
			method.zone
		);
		end = inRange(toDay(clock.date));
		time = formatTime(clock.minutes);
	} else if (unit === 'm' || unit === 'y')
		end = inRange(addMonths(zero, sign * n * (unit === 'y' ? 12 : 1)));
	else if (short && method.short?.exactly !== undefined)
		// Only days between day zero and the last day are left out: the last one is rolled, at the end.
		end = inRange(cal.nth(zero, n - 1, sign, false) + sign);
	else if (unit === 'cd' || short)
		end = inRange(cal.nth(zero, n + (clear ? 1 : 0), sign, skips && !short));
	else end = inRange(zero + sign * ((unit === 'w' ? 7 * n : n) + (clear ? 1 : 0)));

	// 2. Service and roll.
	const way: Direction = req.roll === 'towards' ? 1 : sign;
	const rolls = req.roll !== 'none' && !(unit === 'h' && method.family === 'agency');
	const ext = extension(method, req);
	// Before an extension is added "after the period would otherwise expire", an inaccessible office
	// is not on the last day.
	const first = ext?.when === 'after-roll' && rolls ? rollTo(cal, end, way, sign, false) : end;
	const extended = !ext
		? first
		: ext.unit === 'd'
			? inRange(first + sign * ext.n)
			: inRange(cal.nth(first, ext.n, sign, skips));
	return {
		deemed,
		from,
		zero,
		end,
		time,
		short,
		clear,
		ext,
		first,
		extended,
		last: rolls ? rollTo(cal, extended, way, sign, office) : extended,
		rolls
	};
}

/**
 * From a day on (or back) to the first that is not shut; the direction of the count says which
 * holidays there are.
 */
function rollTo(
	cal: CourtCalendar,
	from: DayNumber,
	way: Direction,
	sign: Direction,
	office: boolean
): DayNumber {
	let at = from;
	while (cal.shut(at, sign, office)) at = inRange(at + way);
	return at;
}

/** The steps of a count that was walked: the same days, named. */
function explain(method: Method, cal: CourtCalendar, req: CountRequest, path: Path): Step[] {
	const { sign, n, unit } = req.amount;
	const act = req.act ?? 'file';
	const dayWord = method.dayWord;
	const way: Direction = req.roll === 'towards' ? 1 : sign;
	const trace: Step[] = path.deemed ? [path.deemed] : [];
	const why = (day: DayNumber, office: boolean) =>
		office ? cal.closed(day, sign) : cal.holiday(day, sign);
	const zero: Step = {
		step: 'zero',
		date: path.from,
		time: unit === 'h' ? formatTime(req.time!) : null
	};
	if (req.label !== undefined) zero.label = req.label;
	trace.push(zero);

	const jumped = (from: DayNumber, to: DayNumber, office: boolean) => {
		const skipped: Named[] = [];
		let weekends = 0;
		for (let day = from + sign; day !== to + sign && from !== to; day += sign) {
			const reason = why(day, office);
			if (reason && weekendOnly(reason)) weekends++;
			else if (reason) skipped.push(named(day, reason));
		}
		return { skipped, weekends };
	};
	const byOpenDays = unit === 'cd' || path.short;
	const skips = skipsOffice(method, req);
	const lastSkipped =
		path.short && method.short?.exactly !== undefined ? path.end - sign : path.end;
	const { skipped, weekends } = byOpenDays
		? jumped(path.zero, lastSkipped, skips && !path.short)
		: { skipped: [], weekends: 0 };
	const inside: Named[] = [];
	if (!byOpenDays && (unit === 'd' || unit === 'w'))
		for (let day = path.zero + sign; day !== path.end && path.end !== path.zero; day += sign) {
			if (Math.abs(path.end - day) > 400) break; // years of holidays are not worth naming
			const reason = isWeekend(day) ? undefined : cal.holiday(day, sign);
			if (reason) inside.push(named(day, reason));
		}
	const step: Step = {
		step: 'counted',
		n: unit === 'w' && path.clear ? n * 7 : n,
		unit,
		direction: sign,
		from: path.from,
		to: fromDay(path.end),
		inside,
		skipped,
		weekends,
		closed: why(path.end, act === 'file')?.name ?? null,
		dayWord
	};
	if (path.time !== null) step.toTime = path.time;
	if (path.short) step.short = method.short!.authority;
	if (path.clear) step.clear = true;
	trace.push(step);
	if (path.short && method.short!.cautious)
		trace.push({
			step: 'cautious',
			text: 'weekends and holidays inside so short a period are left out in both directions.'
		});

	const note = serviceNote(method, req);
	if (note) trace.push(note);
	if (path.ext && path.first !== path.end)
		trace.push(...rolled(method, cal, path.end, path.first, way, sign, act, false));
	if (path.ext) {
		const item = path.ext;
		trace.push({
			step: 'service',
			say: item.label,
			n: item.n,
			unit: item.unit,
			direction: sign,
			from: fromDay(path.first),
			to: fromDay(path.extended),
			...(item.unit === 'cd'
				? jumped(path.first, path.extended, skips)
				: { skipped: [], weekends: 0 }),
			authority: item.authority,
			when: item.when,
			closed: why(path.extended, act === 'file')?.name ?? null,
			dayWord
		});
	}
	if (path.last !== path.extended)
		trace.push(...rolled(method, cal, path.extended, path.last, way, sign, act, act === 'file'));
	if (!path.rolls) {
		const closed = cal.closed(path.last, sign);
		if (closed && !(unit === 'h' && method.family === 'agency'))
			trace.push({ step: 'stays', date: fromDay(path.last), name: closed.name });
	}
	return trace;
}

type Extension = {
	label: string;
	n: number;
	unit: 'd' | 'cd';
	when: 'after-roll' | 'before-roll';
	authority: string;
};

/** What the way of service adds to this count, or null. */
function extension(method: Method, req: CountRequest): Extension | null {
	const item = method.services;
	if (req.service === undefined || !item || req.extends === false) return null;
	const kind = item.kinds[req.service]!;
	const own = req.adds && req.service in req.adds.kinds;
	const add = own ? req.adds!.kinds[req.service]! : kind.add;
	if (add === null || (req.amount.sign === -1 && item.backward === 'none')) return null;
	return {
		label: kind.label,
		n: Number.parseInt(add, 10),
		unit: add.endsWith('cd') ? 'cd' : 'd',
		when: item.added,
		authority: own ? req.adds!.authority : item.authority
	};
}

/** What is said of service beside the days it adds. */
function serviceNote(method: Method, req: CountRequest): Step | null {
	const item = method.services;
	if (req.service === undefined || !item) return null;
	const { label, add } = item.kinds[req.service]!;
	const adds = req.adds && req.service in req.adds.kinds ? req.adds.kinds[req.service]! : add;
	if (req.extends === false)
		return add === null
			? null
			: { step: 'no-service', text: `Service ${label} adds nothing to this date.` };
	if (adds === null)
		return { step: 'no-service', text: `Service ${label} adds nothing (${item.authority}).` };
	if (req.amount.sign === 1) return null;
	if (item.backward === 'none')
		return {
			step: 'no-service',
			text: `Service ${label} adds nothing to a count backwards (${item.authority}).`
		};
	return item.cautiousBackward
		? { step: 'cautious', text: 'the notice is lengthened by the same days.' }
		: null;
}

function rolled(
	method: Method,
	cal: CourtCalendar,
	from: DayNumber,
	to: DayNumber,
	way: Direction,
	sign: Direction,
	act: 'file' | 'serve',
	office: boolean
): Step[] {
	const over: Named[] = [];
	for (let day = from; day !== to; day += way)
		over.push(named(day, (office ? cal.closed(day, sign) : cal.holiday(day, sign))!));
	const byOffice =
		act === 'file' &&
		method.office &&
		over.some((item) => cal.closed(toDay(item.date), way)?.kind === 'office');
	const steps: Step[] = [
		{
			step: 'rolled',
			from: fromDay(from),
			to: fromDay(to),
			over,
			direction: way,
			authority: byOffice ? method.office! : way === 1 ? method.roll.forward : method.roll.backward,
			dayWord: method.dayWord
		}
	];
	if (way === -1 && method.roll.cautiousBackward)
		steps.push({ step: 'cautious', text: 'the date moves back rather than on.' });
	return steps;
}

/**
 * The next given weekday strictly after a day; if it is not a court day, the next court day.
 * Source: Tex. R. Civ. P. 99(b).
 */
export function nextWeekday(
	method: Method,
	cal: CourtCalendar,
	from: PlainDate,
	day: number,
	authority: string
): { date: PlainDate; trace: Step[] } {
	const start = toDay(from);
	const to = start + (((day - weekday(start) + 6) % 7) + 1);
	const end = rollTo(cal, to, 1, 1, true);
	const trace: Step[] = [
		{ step: 'weekday', from, to: fromDay(to), name: WEEKDAYS[day]!, authority }
	];
	if (end !== to) trace.push(...rolled(method, cal, to, end, 1, 1, 'file', true));
	return { date: fromDay(end), trace };
}
