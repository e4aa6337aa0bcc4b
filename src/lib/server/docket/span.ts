/** Which days a month or a timeline shows. */
import { addDays, daysInMonth, plainDate, type PlainDate } from '#core/dates/plain.ts';

/** A month, `2026-11`; undefined where it is none. */
export const parseMonth = (typed: string | null): string | undefined =>
	/^\d{4}-(0[1-9]|1[0-2])$/.test(typed ?? '') ? (typed ?? undefined) : undefined;

/** A month is shown in whole weeks. */
const EDGE_DAYS = 6;
const BACK_DAYS = 30;
const AHEAD_DAYS = 150;

export function findSpan(
	view: 'month' | 'timeline',
	asked: {
		month: string;
		today: PlainDate;
		from?: string | undefined;
		to?: string | undefined;
	}
): { from: PlainDate; to: PlainDate } {
	const { month, today } = asked;
	if (view === 'month') {
		const last = daysInMonth(Number(month.slice(0, 4)), Number(month.slice(5)));
		return {
			from: addDays(plainDate(`${month}-01`), -EDGE_DAYS),
			to: addDays(plainDate(`${month}-${last}`), EDGE_DAYS)
		};
	}
	return {
		from: asked.from ? plainDate(asked.from) : addDays(today, -BACK_DAYS),
		to: asked.to ? plainDate(asked.to) : addDays(today, AHEAD_DAYS)
	};
}

/** The days of a matter's own dates, with some before and after. */
export function spanOfDates(
	dates: readonly PlainDate[],
	today: PlainDate
): { from: PlainDate; to: PlainDate } {
	const sorted = [...dates, today].sort();
	return { from: addDays(sorted[0] ?? today, -5), to: addDays(sorted.at(-1) ?? today, 20) };
}
