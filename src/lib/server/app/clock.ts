/** The clock of the department. */
import { plainDate } from '#core/dates/plain.ts';
import { clockAt, instantOf } from '#core/dates/zone.ts';
import type { Clock } from './application.ts';

const MINUTE = 60_000;

/**
 * A clock in a zone. `start` (KITE_TODAY) sets it for the demo and the tests: a day keeps the
 * present time of day, `2026-11-23T10:00` sets that too; it runs on from there.
 */
export function makeClock(zone: string, start?: string): Clock {
	const shift = start === undefined ? 0 : shiftTo(start, zone);
	const instant = () => Date.now() + shift;
	return {
		now: () => new Date(instant()).toISOString(),
		today: () => clockAt(instant(), zone).date,
		zone
	};
}

function shiftTo(start: string, zone: string): number {
	const real = Date.now();
	const [, day, hours, minutes] = /^(\d{4}-\d\d-\d\d)(?:T(\d\d):(\d\d))?$/.exec(start) ?? [];
	if (day === undefined) return 0;
	const minutesOfDay =
		hours === undefined ? clockAt(real, zone).minutes : Number(hours) * 60 + Number(minutes);
	return instantOf(plainDate(day), minutesOfDay, zone) - Math.floor(real / MINUTE) * MINUTE;
}
