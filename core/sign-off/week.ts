/** The weeks of the sign-off: each begins on a Monday and looks some weeks ahead. */
import { addDays, toDay, weekday, type PlainDate } from '../dates/plain.ts';

/** How many weeks ahead dates are signed off, this one among them. */
const WEEKS_AHEAD = 4;
/** From this day of the week on (Monday is 1) somebody who has not signed off is asked again. */
const ASK_AGAIN_ON = 4;

/** The Monday of the week a day is in, and the last day whose dates are signed off in it. */
export function signOffWeek(day: PlainDate): { week: PlainDate; until: PlainDate } {
	const week = addDays(day, -((weekday(toDay(day)) + 6) % 7));
	return { week, until: addDays(week, WEEKS_AHEAD * 7 - 1) };
}

/** Which asking is due: the first from Monday on, the second from Thursday on. */
export const askRound = (day: PlainDate): 1 | 2 => {
	const number = weekday(toDay(day)) || 7;
	return number >= ASK_AGAIN_ON ? 2 : 1;
};

type Signed = { id: string; date: PlainDate };
/** Those of the dates that stand which a sign-off does not cover: new, or moved since. */
export function listUncovered<Date extends Signed>(
	standing: readonly Date[],
	signed: readonly Signed[]
): Date[] {
	const known = new Set(signed.map(({ id, date }) => `${id} ${date}`));
	return standing.filter(({ id, date }) => !known.has(`${id} ${date}`));
}
