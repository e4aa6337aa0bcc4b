/**
 * What must not slip: all that was missed and is not settled, hearings whose outcome is wanted, all
 * that is due today, and the dates that come next. Nothing that is due is dropped; of what lies
 * ahead so much is shown, and the rest is counted.
 */
import { addDays } from '#core/dates/plain.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { countCourtDaysTo } from '#server/docket/days.ts';
import { listDeadlines, type DeadlineView } from '#server/docket/list.ts';

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
	today: number;
	/** Due within the next five court days, today among them. */
	near: number;
	/** Dates ahead that are not shown. */
	more: number;
};

export function listSlip(app: Application, me: Staff): Slip {
	const today = app.clock.today();
	const mine = { who: 'mine', per: MOST };
	const missed = listDeadlines(app, me, { ...mine, show: 'unsettled' });
	const passed = listDeadlines(app, me, { ...mine, show: 'passed' });
	const due = listDeadlines(app, me, { ...mine, from: today, to: today });
	const ahead = listDeadlines(app, me, { who: 'mine', from: addDays(today, 1) });
	const withDays = (rows: readonly DeadlineView[]): SlipRow[] =>
		rows.map((row) => ({ ...row, courtDays: countCourtDaysTo(app, null, row.date) }));
	const next = withDays(ahead.rows);
	const near = next.filter(({ courtDays }) => courtDays <= NEAR_DAYS);
	const standing = [...missed.rows, ...passed.rows, ...due.rows];
	const room = Math.max(0, SHOWN - standing.length);
	const shown = next.slice(0, Math.max(room, Math.min(near.length, SHOWN)));
	return {
		rows: [...withDays(standing), ...shown],
		missed: missed.total,
		passed: passed.total,
		today: due.total,
		near: due.total + near.length,
		more: ahead.total - shown.length
	};
}
