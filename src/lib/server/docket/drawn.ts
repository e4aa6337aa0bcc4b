/**
 * Dates as a month or a timeline draws them: many at once, and of each only what is seen. A list
 * asks for far more of far fewer.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Sort } from '#core/docket/occasion.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import type { DocketFilter } from './docket-filter.ts';
import { FULL_TITLE, sourceOf, stateOn, type DeadlineState } from './list.ts';
import type { DeadlineRow } from './rows.ts';

/** More dates than this are not drawn at once; the screen says so. */
export const DAYS_LIMIT = 2500;

export type DrawnDate = {
	id: string;
	matterNumber: string;
	matterTitle: string;
	eventDate: PlainDate;
	/** With what it is of. */
	title: string;
	/** Where there is little room. */
	short: string;
	date: PlainDate;
	sort: Sort;
	state: DeadlineState;
	checked: boolean;
	/** It does not follow what sets it any more. */
	adrift: boolean;
	workingMark: string | null;
};

type Row = Omit<DrawnDate, 'state' | 'checked' | 'adrift'> & {
	state: DeadlineRow['state'];
	checked: 0 | 1;
	adrift: 0 | 1;
	closedOn: PlainDate | null;
};

/** The dates of a span of days, the first of them where there are too many to draw. */
export function listDrawnDates(
	app: Reader,
	me: Staff,
	filter: DocketFilter & { from: string; to: string }
): DrawnDate[] {
	const { from, params } = sourceOf(app, me, filter);
	const rows = all<Row>(
		app.db,
		`SELECT
			d.id, m.number AS matterNumber, m.title AS matterTitle,
			e.date AS eventDate, ${FULL_TITLE} AS title,
			coalesce(nullif(d.short, ''), d.title) AS short, d.date, d.sort, d.state,
			d.checked_by IS NOT NULL AS checked, d.left_by IS NOT NULL AS adrift,
			d.closed_on AS closedOn,
			(SELECT w.label FROM working_mark w WHERE w.id = d.working_mark_id) AS workingMark
		${from}
		ORDER BY d.date, d.id
		LIMIT @limit`,
		{ ...params, limit: DAYS_LIMIT }
	);
	const today = app.clock.today();
	return rows.map(({ closedOn, ...row }) => ({
		...row,
		state: stateOn({ ...row, closedOn }, today),
		checked: row.checked === 1,
		adrift: row.adrift === 1
	}));
}
