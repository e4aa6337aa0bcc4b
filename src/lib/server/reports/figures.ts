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
	const cells = countOpen(app, me);
	const sliceBy = (part: 'kind' | 'unit' | 'lawyer') => slicesOf(app, cells, part);
	return {
		kind: sliceBy('kind'),
		age: slicesOfAge(cells),
		unit: sliceBy('unit'),
		lawyer: sliceBy('lawyer'),
		months: months.map(({ key, name }) => ({
			name,
			opened: { name: key, n: opened(key), href: `/matters?who=all&opened=${key}` },
			closed: { name: key, n: closed(key), href: `/matters?who=all&closedIn=${key}` }
		})),
		open: sumOf(cells),
		high: sumOf(cells.filter(({ high }) => high)),
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

/** Open matters that are alike in all that is counted: how many there are. */
type Cell = {
	kind: string;
	unit: string;
	lawyer: string;
	high: 0 | 1;
	/** The youngest age of its part. */
	age: number;
	n: number;
};
const sumOf = (cells: readonly Cell[]): number => cells.reduce((sum, { n }) => sum + n, 0);

/** Every open matter is looked at once, whatever it is counted by. */
function countOpen({ db }: Reader, me: Staff): Cell[] {
	const parts = AGES.toReversed().map((from) => `WHEN age >= ${from} THEN ${from}`);
	return all(
		db,
		`WITH open AS MATERIALIZED (
			SELECT
				m.kind, m.unit_id AS unit, m.responsible_id AS lawyer, m.priority = 'high' AS high,
				${AGE_SQL} AS age
			FROM matter m
			WHERE ${OPEN} AND ${visible('m')}
		)
		SELECT kind, unit, lawyer, high, CASE ${parts.join(' ')} END AS age, count(*) AS n
		FROM open
		GROUP BY 1, 2, 3, 4, 5`,
		{ me: me.id }
	);
}

const TABLES = { kind: 'kind', unit: 'business_unit', lawyer: 'staff' } as const;

/** The largest first. */
function slicesOf({ db }: Reader, cells: readonly Cell[], by: keyof typeof TABLES): Slice[] {
	const names = all<{ id: string; name: string }>(db, `SELECT id, name FROM ${TABLES[by]}`);
	return names
		.map(({ id, name }) => ({
			name,
			n: sumOf(cells.filter((cell) => cell[by] === id)),
			href: `/matters?who=all&${by}=${encodeURIComponent(id)}`
		}))
		.filter(({ n }) => n > 0)
		.sort((one, other) => other.n - one.n || (one.name < other.name ? -1 : 1));
}

/** By the youngest age of each part. */
const slicesOfAge = (cells: readonly Cell[]): Slice[] =>
	AGES.map((from, index) => ({
		name: ageName(from, AGES[index + 1]),
		n: sumOf(cells.filter(({ age }) => age === from)),
		href: `/matters?who=all&age=${from}`
	}));

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
