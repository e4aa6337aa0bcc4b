/**
 * Figures of the department: open matters by kind, age, business unit and lawyer; opened and closed
 * by month; what was missed, and hearings. Each part names the list behind it.
 */
import { addDays, daysInMonth, MONTHS } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, scalar } from '#server/db/sql.ts';
import type { DocketFilter } from '#server/docket/docket-filter.ts';
import { listDeadlines } from '#server/docket/list.ts';
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
	return {
		kind: sliceBy(app, me, {
			column: 'm.kind',
			name: '(SELECT name FROM kind k WHERE k.id = m.kind)',
			filter: 'kind'
		}),
		age: AGES.map((from, index) => sliceOfAge(from, AGES[index + 1], count)),
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
		months: lastMonths(app.clock.today()).map(({ key, name }) => ({
			name,
			opened: sliceOfMonth(key, 'opened_on', 'opened', count),
			closed: sliceOfMonth(key, 'closed_on', 'closedIn', count)
		})),
		open: count(OPEN),
		high: count(`${OPEN} AND m.priority = 'high'`),
		quiet: count(`${OPEN} AND ${quietSql(app, listKinds(app))}`),
		...datesInFigures(app, me)
	};
}

/** Hearings within so many days stand in the figures. */
const HEARING_DAYS = 30;

/** As the docket lists them: each figure opens the dates it counts. */
function datesInFigures(app: Reader, me: Staff): Pick<Figures, 'missed' | 'hearings' | 'passed'> {
	const today = app.clock.today();
	const slice = (name: string, filter: DocketFilter): Slice => ({
		name,
		n: listDeadlines(app, me, { ...filter, per: 1 }).total,
		href: `/docket?${new URLSearchParams(filter as Record<string, string>).toString()}`
	});
	return {
		missed: lastMonths(today).map(({ key, name }) => {
			const last = daysInMonth(Number(key.slice(0, 4)), Number(key.slice(5)));
			const month = { from: `${key}-01`, to: `${key}-${last}` };
			return {
				name,
				open: slice(key, { show: 'unsettled', ...month }),
				settled: slice(key, { show: 'settled', ...month })
			};
		}),
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

type Count = (condition: string) => number;

function sliceOfAge(from: number, to: number | undefined, count: Count): Slice {
	const below = to === undefined ? '' : ` AND ${AGE_SQL} < ${to}`;
	return {
		name: ageName(from, to),
		n: count(`${OPEN} AND ${AGE_SQL} >= ${from}${below}`),
		href: `/matters?who=all&age=${from}`
	};
}

function ageName(from: number, to: number | undefined): string {
	if (to === undefined) return `over ${from / 365} years`;
	return from === 0 ? `under ${to} days` : `${from} to ${to - 1} days`;
}

function sliceOfMonth(
	key: string,
	column: 'opened_on' | 'closed_on',
	filter: 'opened' | 'closedIn',
	count: Count
): Slice {
	return {
		name: key,
		n: count(`m.${column} BETWEEN '${key}-01' AND '${key}-31'`),
		href: `/matters?who=all&${filter}=${key}`
	};
}

/** The last months up to this one, as YYYY-MM and as people write them. */
function lastMonths(today: string): { key: string; name: string }[] {
	const current = Number(today.slice(0, 4)) * 12 + Number(today.slice(5, 7)) - 1;
	return Array.from({ length: MONTHS_SHOWN }, (_, index) => {
		const number = current - MONTHS_SHOWN + 1 + index;
		const year = Math.floor(number / 12);
		const month = number % 12;
		return {
			key: `${year}-${String(month + 1).padStart(2, '0')}`,
			name: `${MONTHS[month]?.slice(0, 3)} ${year}`
		};
	});
}
