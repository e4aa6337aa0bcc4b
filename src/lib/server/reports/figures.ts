/**
 * Figures of the department: open matters by kind, age, business unit and lawyer; opened and closed
 * by month; what was missed, and hearings. Each part names the list behind it.
 */
import { addDays, daysInMonth, MONTHS } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, scalar } from '#server/db/sql.ts';
import type { DocketFilter } from '#server/docket/docket-filter.ts';
import { countDeadlines, countDeadlinesByMonth } from '#server/docket/list.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { AGE_SQL } from '#server/matters/columns.ts';
import { AGES, quietSql } from '#server/matters/filter.ts';

/** A number of matters, and the list that shows them. */
type Slice = { name: string; n: number; href: string };
export type Figures = {
	kind: Slice[];
	age: Slice[];
	unit: Slice[];
	lawyer: Slice[];
	months: { name: string; opened: Slice; closed: Slice }[];
	open: number;
	quiet: number;
	high: number;
	/** Missed dates by the month of their day: those that are settled, and those that are not. */
	missed: { name: string; settled: Slice; open: Slice }[];
	/** Hearings and their like within the next days, and those whose outcome is wanted. */
	hearings: Slice;
	passed: Slice;
};

const OPEN = "m.status <> 'closed'";
const MONTHS_SHOWN = 12;

export function makeFigures(app: Reader, me: Staff): Figures {
	const count = (condition: string) => countMatters(app, me, condition);
	const months = lastMonths(app.clock.today());
	const opened = countByMonth(app, me, 'opened_on', months);
	const closed = countByMonth(app, me, 'closed_on', months);
	return {
		kind: sliceBy(app, me, {
			column: 'm.kind',
			name: '(SELECT name FROM kind k WHERE k.id = m.kind)',
			filter: 'kind'
		}),
		age: slicesOfAge(app, me),
		unit: sliceBy(app, me, {
			column: 'm.unit_id',
			name: '(SELECT name FROM business_unit u WHERE u.id = m.unit_id)',
			filter: 'unit'
		}),
		lawyer: sliceBy(app, me, {
			column: 'm.responsible_id',
			name: '(SELECT name FROM staff s WHERE s.id = m.responsible_id)',
			filter: 'lawyer'
		}),
		months: months.map(({ key, name }) => ({
			name,
			opened: { name: key, n: opened(key), href: `/matters?who=all&opened=${key}` },
			closed: { name: key, n: closed(key), href: `/matters?who=all&closedIn=${key}` }
		})),
		open: count(OPEN),
		high: count(`${OPEN} AND m.priority = 'high'`),
		quiet: count(`${OPEN} AND ${quietSql(app, listKinds(app))}`),
		...datesInFigures(app, me, months)
	};
}

/** Hearings within so many days stand in the figures. */
const HEARING_DAYS = 30;

/** As the docket lists them: each figure opens the dates it counts. */
function datesInFigures(
	app: Reader,
	me: Staff,
	months: readonly Month[]
): Pick<Figures, 'missed' | 'hearings' | 'passed'> {
	const today = app.clock.today();
	const slice = (name: string, filter: DocketFilter, n = countDeadlines(app, me, filter)) => ({
		...{ name, n },
		href: `/docket?${new URLSearchParams(filter as Record<string, string>).toString()}`
	});
	const span = spanOf(months);
	const open = countDeadlinesByMonth(app, me, { show: 'unsettled', ...span });
	const settled = countDeadlinesByMonth(app, me, { show: 'settled', ...span });
	return {
		missed: months.map(({ key, name, ...month }) => ({
			name,
			open: slice(key, { show: 'unsettled', ...month }, open.get(key) ?? 0),
			settled: slice(key, { show: 'settled', ...month }, settled.get(key) ?? 0)
		})),
		hearings: slice('hearings', {
			show: 'hearings',
			from: today,
			to: addDays(today, HEARING_DAYS)
		}),
		passed: slice('passed', { show: 'passed' })
	};
}

const countMatters = ({ db }: Reader, me: Staff, condition: string): number =>
	scalar(db, `SELECT count(*) FROM matter m WHERE ${condition} AND ${visible('m')}`, {
		me: me.id
	});

function sliceBy(
	{ db }: Reader,
	me: Staff,
	by: { column: string; name: string; filter: string }
): Slice[] {
	const rows = all<{ id: string; name: string; n: number }>(
		db,
		`SELECT ${by.column} AS id, ${by.name} AS name, count(*) AS n
		FROM matter m
		WHERE ${OPEN} AND ${visible('m')}
		GROUP BY 1
		ORDER BY n DESC, name`,
		{ me: me.id }
	);
	return rows.map(({ id, name, n }) => ({
		name,
		n,
		href: `/matters?who=all&${by.filter}=${encodeURIComponent(id)}`
	}));
}

/** Matters by the youngest age of each part. */
function slicesOfAge({ db }: Reader, me: Staff): Slice[] {
	const parts = AGES.toReversed().map((from) => `WHEN age >= ${from} THEN ${from}`);
	const rows = all<{ part: number; n: number }>(
		db,
		`WITH aged AS MATERIALIZED (
			SELECT ${AGE_SQL} AS age
			FROM matter m
			WHERE ${OPEN} AND ${visible('m')}
		)
		SELECT CASE ${parts.join(' ')} END AS part, count(*) AS n
		FROM aged
		GROUP BY 1`,
		{ me: me.id }
	);
	return AGES.map((from, index) => ({
		name: ageName(from, AGES[index + 1]),
		n: rows.find(({ part }) => part === from)?.n ?? 0,
		href: `/matters?who=all&age=${from}`
	}));
}

function ageName(from: number, to: number | undefined): string {
	if (to === undefined) return `over ${from / 365} years`;
	return from === 0 ? `under ${to} days` : `${from} to ${to - 1} days`;
}

/** How many matters have their day in each of these months. */
function countByMonth(
	{ db }: Reader,
	me: Staff,
	column: 'opened_on' | 'closed_on',
	months: readonly Month[]
): (key: string) => number {
	const rows = all<{ key: string; n: number }>(
		db,
		`SELECT substr(m.${column}, 1, 7) AS key, count(*) AS n
		FROM matter m
		WHERE m.${column} BETWEEN @from AND @to AND ${visible('m')}
		GROUP BY 1`,
		{ me: me.id, ...spanOf(months) }
	);
	return (month) => rows.find(({ key }) => key === month)?.n ?? 0;
}

/** As YYYY-MM and as people write it, with its first and last day. */
type Month = { key: string; name: string; from: string; to: string };

const spanOf = (months: readonly Month[]) => ({
	from: months[0]?.from ?? '',
	to: months.at(-1)?.to ?? ''
});

/** The last months up to this one. */
function lastMonths(today: string): Month[] {
	const current = Number(today.slice(0, 4)) * 12 + Number(today.slice(5, 7)) - 1;
	return Array.from({ length: MONTHS_SHOWN }, (_, index) => {
		const number = current - MONTHS_SHOWN + 1 + index;
		const year = Math.floor(number / 12);
		const month = number % 12;
		const key = `${year}-${String(month + 1).padStart(2, '0')}`;
		return {
			key,
			name: `${MONTHS[month]?.slice(0, 3)} ${year}`,
			from: `${key}-01`,
			to: `${key}-${daysInMonth(year, month + 1)}`
		};
	});
}
