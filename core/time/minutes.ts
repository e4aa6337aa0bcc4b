/** Time is whole minutes. Hours are written in tenths: an increment of six minutes. */
export const DAY_LIMIT = 24 * 60;

/** Rounds minutes up to the department's increment. */
export const roundUpMinutes = (minutes: number, increment: number): number =>
	Math.ceil(minutes / increment) * increment;
