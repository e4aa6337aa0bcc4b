/** A court's calendar: weekends, holidays and closures, asked in the direction of the count. */
import { Holidays, type HolidayRule } from './holidays.ts';
import { toDay, weekday, type DayNumber, type PlainDate } from './plain.ts';

/**
 * A closure the department enters for a court: a declared holiday counts as a holiday for every act; an inaccessible
 * clerk's office moves only a filing, and only when it is the last day (counting.md, common model 8).
 */
export type Closure = { date: PlainDate; kind: 'holiday' | 'office'; name?: string };

export type Direction = 1 | -1;

/** Why a day is not a court day. */
export type Reason = { kind: 'saturday' | 'sunday' | 'holiday' | 'office'; name: string };

const SATURDAY: Reason = { kind: 'saturday', name: 'Saturday' };
const SUNDAY: Reason = { kind: 'sunday', name: 'Sunday' };

export class CourtCalendar {
	readonly #always: Holidays;
	readonly #forward: Holidays;
	readonly #closures: Map<DayNumber, Closure>;
	readonly #reasons = new Map<string, Reason>();

	/**
	 * @param always holidays in every count
	 * @param forwardOnly holidays in forward counts only (Fed. R. Civ. P. 6(a)(6)(C): holidays of the state)
	 */
	constructor(always: Holidays | readonly HolidayRule[], forwardOnly: Holidays | readonly HolidayRule[] = [], closures: readonly Closure[] = []) {
		this.#always = always instanceof Holidays ? always : new Holidays(always);
		this.#forward = forwardOnly instanceof Holidays ? forwardOnly : new Holidays(forwardOnly);
		this.#closures = new Map(closures.map((c) => [toDay(c.date), c]));
	}

	/** The same calendar with closures; the holidays computed so far are shared. */
	with(closures: readonly Closure[]): CourtCalendar {
		return closures.length === 0 ? this : new CourtCalendar(this.#always, this.#forward, closures);
	}

	/** Weekend, holiday or declared holiday, for a count in this direction; undefined on a day the law lets count as a court day. */
	holiday(d: DayNumber, direction: Direction): Reason | undefined {
		const w = weekday(d);
		const name = this.#always.name(d) ?? (direction === 1 ? this.#forward.name(d) : undefined);
		if (name !== undefined) return this.#reason('holiday', name);
		if (w === 6) return SATURDAY;
		if (w === 0) return SUNDAY;
		const closure = this.#closures.size > 0 ? this.#closures.get(d) : undefined;
		return closure?.kind === 'holiday' ? this.#reason('holiday', closure.name ?? 'declared holiday') : undefined;
	}

	/** Why the court does not sit on a day; inaccessible offices included. */
	closed(d: DayNumber, direction: Direction = 1): Reason | undefined {
		const reason = this.holiday(d, direction);
		if (reason) return reason;
		const closure = this.#closures.size > 0 ? this.#closures.get(d) : undefined;
		return closure ? this.#reason('office', closure.name ?? "clerk's office inaccessible") : undefined;
	}

	#reason(kind: 'holiday' | 'office', name: string): Reason {
		const key = kind + name;
		let r = this.#reasons.get(key);
		if (!r) this.#reasons.set(key, (r = { kind, name }));
		return r;
	}
}
