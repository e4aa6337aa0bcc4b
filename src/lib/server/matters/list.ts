/**
 * The matter list: any column, derived or a fact; filter, group, sort; a page at a time or all of
 * it for export.
 */
import { dayAt } from '#core/dates/zone.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatFact } from '#core/kinds/fact.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all, scalar, type Params } from '#server/db/sql.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { findPersonName } from '#server/people/card.ts';
import { DEFAULT_COLUMNS, KIND_ORDER, listColumns, type Column } from './columns.ts';
import { filterSql, type MatterFilter } from './filter.ts';
import type { MatterRow } from './rows.ts';

/** Two and a half screens of them. */
export const PAGE = 30;
type Cell = string | number | null;
export type MatterListRow = Pick<
	MatterRow,
	'id' | 'number' | 'title' | 'kind' | 'status' | 'restricted' | 'priority'
> & {
	unit: string;
	unitId: string;
	/** Business units that share its cost. */
	units: number;
	/** Initials. */
	responsible: string;
	responsibleId: string;
	responsibleName: string;
	openedOn: PlainDate;
	lastActivity: PlainDate;
	group: string | null;
	nextId: string | null;
	nextTitle: string | null;
	nextDate: PlainDate | null;
	nextChecked: 0 | 1 | null;
	/** By column. */
	cells: Record<string, Cell>;
};
export type MatterPage = {
	rows: MatterListRow[];
	total: number;
	groups: { name: string; n: number }[];
};

type Columns = Readonly<Record<string, Column>>;

/** Matters as the filter says; all of them where `limit` is null. */
export function listMatters(
	app: Reader,
	me: Staff,
	filter: MatterFilter,
	limit: number | null = PAGE
): MatterPage {
	const kinds = listKinds(app);
	const columns = listColumns(kinds);
	const { where, params } = filterSql(app, me, filter, kinds);
	const grouped = filter.group && columns[filter.group]?.group ? filter.group : null;
	const page = {
		...params,
		limit: limit ?? -1,
		offset: limit === null ? 0 : limit * ((filter.page ?? 1) - 1)
	};
	const ids = all<{ id: string }>(
		app.db,
		`SELECT m.id
		FROM matter m
		WHERE ${where}
		ORDER BY ${orderSql(columns, grouped, filter.sort)}
		LIMIT @limit OFFSET @offset`,
		page
	).map(({ id }) => id);
	const groups = grouped ? countGroups(app, columns, grouped, where, params) : [];
	const total = grouped
		? groups.reduce((sum, { n }) => sum + n, 0)
		: scalar(app.db, `SELECT count(*) FROM matter m WHERE ${where}`, params);
	return {
		total,
		groups,
		rows: listRows(app, columns, ids, grouped, wantedColumns(columns, filter))
	};
}

/** The columns a filter asks for, of those there are. */
export const wantedColumns = (columns: Columns, { cols }: MatterFilter): string[] =>
	(cols ?? DEFAULT_COLUMNS).filter((key) => columns[key]);

/**
 * By group, then by the column that was chosen, then the newest first. What has no value comes
 * last.
 */
function orderSql(columns: Columns, grouped: string | null, sort = ''): string {
	const down = sort.startsWith('-');
	const sorted = columns[down ? sort.slice(1) : sort];
	const parts: string[] = [];
	if (grouped) {
		const group = grouped === 'kind' ? KIND_ORDER : orderOf(columns[grouped]);
		parts.push(`${group} IS NULL`, group);
	}
	if (sorted) {
		const order = orderOf(sorted);
		const collate = sorted.type === 'text' ? ' COLLATE NOCASE' : '';
		parts.push(`${order} IS NULL`, `${order}${collate} ${down ? 'DESC' : 'ASC'}`);
	}
	return [...parts, 'm.number DESC'].join(', ');
}
const orderOf = (column: Column | undefined): string => column?.order ?? column?.sql ?? 'NULL';

function countGroups(
	app: Reader,
	columns: Columns,
	grouped: string,
	where: string,
	params: Params
): MatterPage['groups'] {
	const rows = all<{ name: string | null; n: number }>(
		app.db,
		`SELECT ${columns[grouped]?.sql} AS name, count(*) AS n
		FROM matter m
		WHERE ${where}
		GROUP BY 1`,
		params
	);
	return rows.map(({ name, n }) => ({
		name: String(formatCell(app, columns, grouped, name) ?? ''),
		n
	}));
}

type Row = Omit<MatterListRow, 'cells' | 'lastActivity' | 'group'> & {
	lastActivity: string;
	group: string | null;
} & Record<`cell${number}`, Cell>;

/** These columns are of every row; they need no cell of their own. */
const OWN = ['number', 'title'];

function listRows(
	app: Reader,
	columns: Columns,
	ids: readonly string[],
	grouped: string | null,
	wanted: readonly string[]
): MatterListRow[] {
	const extra = wanted.filter((key) => !OWN.includes(key));
	const cellSql = (key: string) => columns[key]?.listed ?? columns[key]?.sql;
	const cells = extra.map((key, index) => `, ${cellSql(key)} AS cell${index}`).join('');
	const rows = all<Row>(
		app.db,
		`SELECT
			m.id, m.number, m.title, m.kind, m.status, m.restricted, m.priority,
			m.responsible_id AS responsibleId, m.unit_id AS unitId, u.name AS unit,
			s.initials AS responsible, s.name AS responsibleName, m.opened_on AS openedOn,
			${grouped ? columns[grouped]?.sql : 'NULL'} AS "group",
			(
				SELECT count(*)
				FROM split_share x
				WHERE x.split_id = (
					SELECT id
					FROM split y
					WHERE y.matter_id = m.id AND y.from_day <= today()
					ORDER BY y.from_day DESC
					LIMIT 1
				)
			) AS units,
			v.last_activity AS lastActivity, nd.id AS nextId, nd.title AS nextTitle,
			nd.date AS nextDate,
			CASE
				WHEN nd.id IS NULL THEN NULL
				ELSE nd.checked_by IS NOT NULL
			END AS nextChecked${cells}
		FROM matter m
		JOIN matter_derived v ON v.matter_id = m.id
		JOIN business_unit u ON u.id = m.unit_id
		JOIN staff s ON s.id = m.responsible_id
		LEFT JOIN deadline nd ON nd.id = v.next_deadline_id
		WHERE m.id IN (SELECT value FROM json_each(@ids))`,
		{ ids: JSON.stringify(ids) }
	);
	const byId = new Map(rows.map((row) => [row.id, row]));
	return ids.flatMap((id) => {
		const row = byId.get(id);
		return row ? [viewRow(app, columns, row, extra, grouped)] : [];
	});
}

function viewRow(
	app: Reader,
	columns: Columns,
	row: Row,
	extra: readonly string[],
	grouped: string | null
): MatterListRow {
	const cells: MatterListRow['cells'] = { number: row.number, title: row.title };
	for (const [index, key] of extra.entries()) {
		cells[key] = formatCell(app, columns, key, row[`cell${index}`] ?? null);
		delete row[`cell${index}`];
	}
	return {
		...row,
		lastActivity: dayAt(row.lastActivity, app.clock.zone),
		group: grouped && String(formatCell(app, columns, grouped, row.group) ?? ''),
		cells
	};
}

/** Dates, money and numbers stay as they are, to be formatted where they are shown. */
function formatCell(app: Reader, columns: Columns, key: string, value: Cell): Cell {
	if (key === 'activity') return dayAt(String(value), app.clock.zone);
	const fact = columns[key]?.fact;
	if (value === null || !fact || ['date', 'money', 'number'].includes(fact.type)) return value;
	return formatFact(fact, { value: String(value), more: '' }, (id) => findPersonName(app, id));
}
