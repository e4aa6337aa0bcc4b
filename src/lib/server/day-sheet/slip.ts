/**
 * What must not slip: all that was missed and is not settled, hearings whose outcome is wanted,
 * dates the second check returned, all that is due today, and the dates that come next. Nothing
 * that is due is dropped; of what lies ahead so much is shown, and the rest is counted.
 */
import { addDays } from '#core/dates/plain.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { countCourtDaysTo, findLastDayWithin } from '#server/docket/days.ts';
import { countDeadlines, listDeadlines, type DeadlineView } from '#server/docket/list.ts';

/** Court days within which a date must not slip. */
const NEAR_DAYS = 5;
/** So many rows at least, where there are dates ahead. */
const SHOWN = 6;
/** More than this are past reading on one sheet. */
const MOST = 500;

type SlipRow = DeadlineView & { courtDays: number };
export type Slip = {
	rows: SlipRow[];
	missed: number;
	passed: number;
	/** The second check did not agree, and it is for the viewer to answer. */
	returned: number;
	today: number;
	/** Due within the next five court days, today among them. */
	near: number;
	/** Dates ahead that are not shown. */
	more: number;
};

export function listSlip(app: Reader, me: Staff): Slip {
	const today = app.clock.today();
	const mine = { who: 'mine', per: MOST };
	const missed = listDeadlines(app, me, { ...mine, show: 'unsettled' });
	const passed = listDeadlines(app, me, { ...mine, show: 'passed' });
	const returned = listDeadlines(app, me, { who: 'answers', per: MOST, show: 'returned' });
	const due = listDeadlines(app, me, { ...mine, from: today, to: today });
	const standing = unique([...missed.rows, ...passed.rows, ...returned.rows, ...due.rows]);
	const mineAhead = { who: 'mine', from: addDays(today, 1) };
	const near = countDeadlines(app, me, { ...mineAhead, to: findLastDayWithin(app, NEAR_DAYS) });
	// Of the dates ahead only returned ones stand already: more than these are never in the way.
	const ahead = listDeadlines(app, me, { ...mineAhead, per: SHOWN + returned.rows.length });
	const rest = ahead.rows.filter(({ id }) => !standing.some((row) => row.id === id));
	const shown = rest.slice(0, Math.max(SHOWN - standing.length, Math.min(near, SHOWN), 0));
	const returnedAhead = returned.total
		? countDeadlines(app, me, { ...mineAhead, show: 'returned' })
		: 0;
	const withDays = (rows: readonly DeadlineView[]): SlipRow[] =>
		rows.map((row) => ({ ...row, courtDays: countCourtDaysTo(app, null, row.date) }));
	return {
		rows: withDays([...standing, ...shown]),
		missed: missed.total,
		passed: passed.total,
		returned: returned.total,
		today: due.total,
		near: due.total + near,
		more: ahead.total - shown.length - returnedAhead
	};
}

const unique = (rows: readonly DeadlineView[]): DeadlineView[] => [
	...new Map(rows.map((row) => [row.id, row])).values()
];
