/** A court's calendar: weekends, holidays and closures, asked in the direction of the count. */
import { Holidays, type HolidayRule } from './holidays.ts';
import {
	FIRST_DATE,
	fromDay,
	LAST_DATE,
	toDay,
	weekday,
	type DayNumber,
	type PlainDate
} from './plain.ts';

/**
 * A closure the department enters for a court: a declared holiday counts as a holiday for every
 * act; an inaccessible clerk's office moves only a filing, and only when it is the last day
 * (counting.md, common model 8).
 */
export type Closure = {
	date: PlainDate;
	kind: 'holiday' | 'office';
	name?: string;
	/** The book it was entered for; without it, the book that is counted. */ book?: string;
};

export type Direction = 1 | -1;

/** The direction of a count, where a holiday is one in no other. */
export type OneWay = 'forward' | 'backward';

/** Why a day is not a court day. */
export type Reason = { kind: 'saturday' | 'sunday' | 'holiday' | 'office'; name: string };

const FIRST = toDay(FIRST_DATE as PlainDate);
const LAST = toDay(LAST_DATE as PlainDate);
const UNKNOWN = 255;
/** In which counts a day is shut. */
const FORWARD = 1;
const BACKWARD = 2;
const bitOf = (direction: Direction): number => (direction === 1 ? FORWARD : BACKWARD);
const SATURDAY: Reason = { kind: 'saturday', name: 'Saturday' };
const SUNDAY: Reason = { kind: 'sunday', name: 'Sunday' };

export class CourtCalendar {
	readonly #always: Holidays;
	readonly #forward: Holidays;
	readonly #backward: Holidays;
	readonly #closures: Map<DayNumber, Closure>;
	readonly #reasons = new Map<string, Reason>();
	/**
	 * For each day the counts in which it is shut, as bits; UNKNOWN until it was asked. Shared with
	 * the same calendar with closures.
	 */
	readonly #shut: Uint8Array;

	/**
	 * @param always holidays in every count
	 * @param forwardOnly holidays in forward counts only (Fed. R. Civ. P. 6(a)(6)(C): holidays of the
	 * state)
	 * @param backwardOnly holidays in backward counts only (cautious: Tex. Gov. Code 662.021)
	 */
	constructor(
		always: Holidays | readonly HolidayRule[],
		forwardOnly: Holidays | readonly HolidayRule[] = [],
		backwardOnly: Holidays | readonly HolidayRule[] = [],
		closures: readonly Closure[] = [],
		shut?: Uint8Array
	) {
		this.#always = always instanceof Holidays ? always : new Holidays(always);
		this.#forward = forwardOnly instanceof Holidays ? forwardOnly : new Holidays(forwardOnly);
		this.#backward = backwardOnly instanceof Holidays ? backwardOnly : new Holidays(backwardOnly);
		this.#closures = new Map(closures.map((closure) => [toDay(closure.date), closure]));
		this.#shut = shut ?? new Uint8Array(LAST - FIRST + 1).fill(UNKNOWN);
	}

	/** The same calendar with closures; the holidays computed so far are shared. */
	with(closures: readonly Closure[]): CourtCalendar {
		if (closures.length === 0) return this;
		return new CourtCalendar(this.#always, this.#forward, this.#backward, closures, this.#shut);
	}

	/**
	 * Whether a count in this direction passes over a day: the same as `holiday` (or, with `office`,
	 * `closed`) without the reason.
	 */
	shut(day: DayNumber, direction: Direction, office: boolean): boolean {
		const known = this.#shut[day - FIRST];
		return (
			((known === undefined || known === UNKNOWN ? this.#learn(day) : known) & bitOf(direction)) !==
				0 ||
			(this.#closures.size > 0 && this.#closing(day, office))
		);
	}

	/**
	 * The nth day from one on which the court sits; past the years 1900 to 2199 it gives up and says
	 * the day it reached.
	 */
	nth(from: DayNumber, n: number, direction: Direction, office: boolean): DayNumber {
		const shut = this.#shut;
		const bit = bitOf(direction);
		const closures = this.#closures.size > 0;
		let at = from;
		for (let left = n; left > 0 && at >= FIRST && at <= LAST;) {
			at += direction;
			let known = shut[at - FIRST];
			if (known === UNKNOWN || known === undefined) known = this.#learn(at);
			if ((known & bit) === 0 && !(closures && this.#closing(at, office))) left--;
		}
		return at;
	}

	#learn(day: DayNumber): number {
		const weight = weekday(day);
		const known =
			weight === 0 || weight === 6 || this.#always.name(day) !== undefined
				? FORWARD | BACKWARD
				: (this.#forward.name(day) === undefined ? 0 : FORWARD) |
					(this.#backward.name(day) === undefined ? 0 : BACKWARD);
		if (day >= FIRST && day <= LAST) this.#shut[day - FIRST] = known;
		return known;
	}

	#closing(day: DayNumber, office: boolean): boolean {
		const closure = this.#closures.get(day);
		return closure !== undefined && (office || closure.kind === 'holiday');
	}

	/**
	 * Weekend, holiday or declared holiday, for a count in this direction; undefined on a day the law
	 * lets count as a court day.
	 */
	holiday(day: DayNumber, direction: Direction): Reason | undefined {
		const weight = weekday(day);
		const name =
			this.#always.name(day) ?? (direction === 1 ? this.#forward : this.#backward).name(day);
		if (name !== undefined) return this.#reason('holiday', name);
		if (weight === 6) return SATURDAY;
		if (weight === 0) return SUNDAY;
		const closure = this.#closures.size > 0 ? this.#closures.get(day) : undefined;
		return closure?.kind === 'holiday'
			? this.#reason('holiday', closure.name ?? 'declared holiday')
			: undefined;
	}

	/** Why the court does not sit on a day; inaccessible offices included. */
	closed(day: DayNumber, direction: Direction = 1): Reason | undefined {
		const reason = this.holiday(day, direction);
		if (reason) return reason;
		const closure = this.#closures.size > 0 ? this.#closures.get(day) : undefined;
		return closure
			? this.#reason('office', closure.name ?? "clerk's office inaccessible")
			: undefined;
	}

	/**
	 * The holidays of a year by day, without weekends and closures; `only` where they count in one
	 * direction.
	 */
	holidaysOf(year: number): { date: PlainDate; name: string; only: OneWay | null }[] {
		const always = this.#always.year(year);
		const more = (holidays: Holidays, only: OneWay) =>
			[...holidays.year(year)]
				.filter(([day]) => !always.has(day))
				.map(([day, name]) => ({ day, name, only }));
		return [
			...[...always].map(([day, name]) => ({ day, name, only: null })),
			...more(this.#forward, 'forward'),
			...more(this.#backward, 'backward')
		]
			.sort((a, b) => a.day - b.day)
			.map(({ day, ...x }) => ({ date: fromDay(day), ...x }));
	}

	#reason(kind: 'holiday' | 'office', name: string): Reason {
		const key = kind + name;
		let reason = this.#reasons.get(key);
		if (!reason) this.#reasons.set(key, (reason = { kind, name }));
		return reason;
	}
}
