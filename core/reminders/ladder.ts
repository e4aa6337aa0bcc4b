/** The reminder ladder: the days before (and, below zero, after) a date on which it reminds. */

/**
 * Rungs of the last day and later cannot be muted, and are passed on where nobody has seen them.
 */
export const isLastRung = (ladder: readonly number[], rung: number): boolean =>
	rung <= 1 || rung === Math.min(...ladder);

/**
 * The rung a date stands on with so many days left: the nearest one reached; undefined before the
 * first.
 */
export const rungAt = (ladder: readonly number[], left: number): number | undefined => {
	const reached = ladder.filter((number) => number >= left);
	return reached.length ? Math.min(...reached) : undefined;
};

/**
 * Reads "30, 14, 7, 1, 0, +1" (days before, and with a plus after). Empty is no ladder of its own.
 */
export function parseLadder(typed: string): { ladder: number[] | null } | { error: string } {
	const parts = typed.split(/[\s,;]+/).filter(Boolean);
	if (parts.length === 0) return { ladder: null };
	const days: number[] = [];
	for (const part of parts) {
		if (!/^\+?\d{1,3}$/.test(part))
			return {
				error: `“${part}” is no day of a ladder: write days before like 30, 14, 7, 1, 0, and +1 for the day after.`
			};
		const n = Number(part.replace('+', '')) * (part.startsWith('+') ? -1 : 1);
		if (n > 365 || n < -30)
			return { error: 'A ladder goes from 365 days before to 30 days after.' };
		days.push(n === 0 ? 0 : n);
	}
	if (!days.some((day) => day >= 0 && day <= 7))
		return { error: 'A ladder reminds at least once in the last week: add 7, 3, 1 or 0.' };
	return { ladder: [...new Set(days)].sort((a, b) => b - a) };
}
/** A ladder as it is stored: the days as JSON; null where there is none of its own. */
export const readLadder = (json: string | null): number[] | null =>
	json === null ? null : (JSON.parse(json) as number[]);

export const formatLadder = (ladder: readonly number[]): string =>
	ladder.map((number) => (number < 0 ? `+${-number}` : String(number))).join(', ');
