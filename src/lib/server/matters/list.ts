/** The matter list: any column, derived or a fact; filter, group, sort; a page at a time or all of it for export. */
import { addDays } from '#core/dates/plain.ts';
import { dayAt, startOf } from '#core/dates/zone.ts';
import { fold } from '#core/people/names.ts';
import { sayFact, type Fact } from '#core/matters/kind.ts';
import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';
import { personName } from './facts.ts';
import { kinds, type KindRow } from './kinds.ts';

export type ColumnType = 'text' | 'date' | 'days' | 'hours' | 'money' | 'number';
type Column = { name: string; type: ColumnType; sql: string; group?: boolean };
/** The instant of the last line of the logbook; its day is of the department's zone. */
const ACTIVE = 'coalesce((SELECT max(l.at) FROM logbook l WHERE l.matter_id = m.id), m.created_at)';
const BASE = {
	number: { name: 'Number', type: 'text', sql: 'm.number' },
	title: { name: 'Matter', type: 'text', sql: 'm.title' },
	kind: {
		name: 'Kind',
		type: 'text',
		sql: '(SELECT k.name FROM kind k WHERE k.id = m.kind)',
		group: true
	},
	status: { name: 'Status', type: 'text', sql: 'm.status', group: true },
	priority: { name: 'Priority', type: 'text', sql: 'm.priority', group: true },
	unit: {
		name: 'Business unit',
		type: 'text',
		sql: '(SELECT u.name FROM business_unit u WHERE u.id = m.unit_id)',
		group: true
	},
	lawyer: {
		name: 'Lawyer',
		type: 'text',
		sql: '(SELECT s.name FROM staff s WHERE s.id = m.responsible_id)',
		group: true
	},
	originating: {
		name: 'Opened by',
		type: 'text',
		sql: '(SELECT s.name FROM staff s WHERE s.id = m.originating_id)',
		group: true
	},
	next: {
		name: 'Next date',
		type: 'date',
		sql: "CASE m.status WHEN 'closed' THEN NULL ELSE (SELECT min(d.date) FROM deadline d WHERE d.matter_id = m.id AND d.state = 'docketed') END"
	},
	hearing: {
		name: 'Next hearing',
		type: 'date',
		sql: "CASE m.status WHEN 'closed' THEN NULL ELSE (SELECT min(e.date) FROM event e WHERE e.matter_id = m.id AND e.ahead IN ('hearing','trial') AND e.date >= @today) END"
	},
	trial: {
		name: 'Days to trial',
		type: 'days',
		sql: "CASE m.status WHEN 'closed' THEN NULL ELSE (SELECT CAST(julianday(min(e.date)) - julianday(@today) AS INTEGER) FROM event e WHERE e.matter_id = m.id AND e.ahead = 'trial' AND e.date >= @today) END"
	},
	age: {
		name: 'Age',
		type: 'days',
		sql: 'CAST(julianday(coalesce(m.closed_on, @today)) - julianday(m.opened_on) AS INTEGER)'
	},
	activity: { name: 'Last activity', type: 'date', sql: ACTIVE },
	hours: {
		name: 'Hours',
		type: 'hours',
		sql: 'coalesce((SELECT sum(t.minutes) FROM time_entry t WHERE t.matter_id = m.id), 0)'
	},
	cost: {
		name: 'Cost',
		type: 'money',
		sql: 'coalesce((SELECT sum(c.cents) FROM cost_line c WHERE c.matter_id = m.id AND c.holds = 1), 0)'
	},
	opponent: {
		name: 'Other side',
		type: 'text',
		sql: "(SELECT group_concat(p.name, ', ') FROM matter_role r JOIN person p ON p.id = r.person_id WHERE r.matter_id = m.id AND r.role IN (SELECT json_extract(k.body, '$.roles[0].role') FROM kind k WHERE k.id = m.kind))"
	},
	opened: { name: 'Opened', type: 'date', sql: 'm.opened_on' },
	closed: { name: 'Closed', type: 'date', sql: 'm.closed_on' },
	retain: { name: 'Keep until', type: 'date', sql: 'm.retain_until' },
	tasks: {
		name: 'Open tasks',
		type: 'number',
		sql: "(SELECT count(*) FROM task t WHERE t.matter_id = m.id AND t.state = 'open')"
	},
	references: {
		name: 'Their numbers',
		type: 'text',
		sql: "(SELECT group_concat(r.whose || ' ' || r.number, '; ') FROM matter_reference r WHERE r.matter_id = m.id)"
	}
} as const satisfies Record<string, Column>;

/** Every column there is: the derived ones, and each fact of any kind. */
export function columns(
	w: Pick<World, 'db'>,
	all: readonly KindRow[] = kinds(w)
): Record<string, Column & { fact?: Fact }> {
	const out: Record<string, Column & { fact?: Fact }> = { ...BASE };
	for (const k of all)
		for (const f of k.facts) {
			const key = `fact:${f.key}`;
			if (f.retired || out[key]) continue;
			const v = `(SELECT f.value FROM matter_fact f WHERE f.matter_id = m.id AND f.fact = '${f.key}' AND f.row = 0)`;
			out[key] = {
				name: f.name,
				type:
					f.type === 'date'
						? 'date'
						: f.type === 'money'
							? 'money'
							: f.type === 'number'
								? 'number'
								: 'text',
				sql: f.type === 'money' || f.type === 'number' ? `CAST(${v} AS REAL)` : v,
				group: f.type === 'choice' || f.type === 'coded' || f.type === 'yesno',
				fact: f
			};
		}
	return out;
}

/** Open, and nothing in the logbook since the day its kind calls quiet began: a condition on `m`. */
export const quietSql = (w: Pick<World, 'clock'>, all: readonly KindRow[]): string =>
	`m.status = 'open' AND ${ACTIVE} < CASE m.kind ${all.map((k) => `WHEN '${k.id}' THEN '${startOf(addDays(w.clock.today(), -k.quietDays), w.clock.zone)}'`).join(' ')} ELSE '' END`;

export const PAGE = 60;
export const DEFAULT_COLUMNS = ['number', 'title', 'unit', 'lawyer', 'next', 'age', 'hours'];
export type MatterFilter = {
	who?: 'mine' | 'all';
	kind?: string;
	unit?: string;
	lawyer?: string;
	status?: string;
	priority?: string;
	q?: string;
	closed?: boolean;
	quiet?: boolean;
	old?: boolean;
	opened?: string;
	closedIn?: string;
	retained?: boolean;
	age?: string;
	cols?: string[];
	sort?: string;
	group?: string;
	page?: number;
};
/** The filter a query string means; what is not known is left out. */
export function readFilter(p: URLSearchParams): MatterFilter {
	const one = (k: string) => p.get(k)?.slice(0, 200) || undefined;
	const f: Record<string, unknown> = {
		who: p.get('who') === 'all' ? 'all' : 'mine',
		closed: p.get('closed') === '1',
		quiet: p.get('quiet') === '1',
		old: p.get('old') === '1',
		retained: p.get('retained') === '1',
		page: Math.max(1, Math.min(100_000, Math.floor(Number(p.get('page'))) || 1))
	};
	for (const k of [
		'kind',
		'unit',
		'lawyer',
		'status',
		'priority',
		'q',
		'opened',
		'closedIn',
		'age',
		'sort',
		'group'
	])
		if (one(k)) f[k] = one(k);
	// As it comes, the list stands by kind.
	if (!p.get('group') && !p.get('sort')) f.group = 'kind';
	const cols = p.get('cols')?.split(',').filter(Boolean).slice(0, 16);
	if (cols?.length) f.cols = cols;
	return f as MatterFilter;
}
/** Bands of age in days: their lower ends. */
export const AGES = [0, 90, 180, 365, 730] as const;

function where(
	w: World,
	me: Staff,
	f: MatterFilter,
	all: readonly KindRow[]
): { sql: string; p: Record<string, unknown> } {
	const cond = [visible('m')];
	const p: Record<string, unknown> = { me: me.id, today: w.clock.today() };
	if (f.who !== 'all')
		cond.push(
			`(m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me))`
		);
	for (const [k, col] of [
		['kind', 'm.kind'],
		['unit', 'm.unit_id'],
		['lawyer', 'm.responsible_id'],
		['status', 'm.status'],
		['priority', 'm.priority']
	] as const)
		if (f[k]) {
			cond.push(`${col} = @${k}`);
			p[k] = f[k];
		}
	if (!f.closed && f.status !== 'closed' && !f.closedIn && !f.retained && !f.opened)
		cond.push("m.status <> 'closed'");
	if (f.opened && /^\d{4}-\d\d$/.test(f.opened)) {
		cond.push("m.opened_on BETWEEN @opened || '-01' AND @opened || '-31'");
		p.opened = f.opened;
	}
	if (f.closedIn && /^\d{4}-\d\d$/.test(f.closedIn)) {
		cond.push("m.closed_on BETWEEN @closedIn || '-01' AND @closedIn || '-31'");
		p.closedIn = f.closedIn;
	}
	if (f.retained) cond.push("m.status = 'closed' AND m.retain_until < @today");
	if (f.age && AGES.includes(Number(f.age) as 0)) {
		const at = AGES.indexOf(Number(f.age) as 0);
		cond.push(`${BASE.age.sql} >= @ageFrom`);
		p.ageFrom = AGES[at];
		if (AGES[at + 1] !== undefined) {
			cond.push(`${BASE.age.sql} < @ageTo`);
			p.ageTo = AGES[at + 1];
		}
	}
	const threshold = (field: 'quietDays' | 'ageDays') =>
		`CASE m.kind ${all.map((k) => `WHEN '${k.id}' THEN ${k[field]}`).join(' ')} ELSE 99999 END`;
	if (f.quiet) cond.push(quietSql(w, all));
	if (f.old) cond.push(`m.status <> 'closed' AND ${BASE.age.sql} > ${threshold('ageDays')}`);
	if (f.q) {
		const words = fold(f.q).split(' ').filter(Boolean).slice(0, 8);
		if (words.length === 0) cond.push('0');
		else {
			cond.push(
				"m.id IN (SELECT s.ref FROM search x JOIN search_text s ON s.id = x.rowid WHERE search MATCH @match AND s.kind = 'matter')"
			);
			p.match = words.map((x) => `"${x}"*`).join(' ');
		}
	}
	return { sql: cond.join(' AND '), p };
}

export type MatterListRow = {
	id: string;
	number: string;
	title: string;
	kind: string;
	status: string;
	restricted: number;
	unit: string;
	units: number;
	responsible: string;
	responsibleName: string;
	openedOn: string;
	minutes: number;
	lastActivity: string;
	group: string | null;
	priority: string;
	responsibleId: string;
	unitId: string;
	nextId: string | null;
	nextTitle: string | null;
	nextDate: string | null;
	nextChecked: number | null;
	cells: Record<string, string | number | null>;
};
export type MatterPage = {
	rows: MatterListRow[];
	total: number;
	groups: { name: string; n: number }[];
};

/** Matters as the filter says. `per` null gives all of them. */
export function matterList(
	w: World,
	me: Staff,
	f: MatterFilter,
	per: number | null = PAGE
): MatterPage {
	const all = kinds(w),
		cols = columns(w, all);
	const { sql, p } = where(w, me, f, all);
	const group = f.group && cols[f.group]?.group ? f.group : null;
	const [sortKey, down] = f.sort?.startsWith('-') ? [f.sort.slice(1), true] : [f.sort ?? '', false];
	const sort = cols[sortKey] ? sortKey : '';
	// Kinds keep the order of their editor; other groups go by name.
	const groupSql =
		group === 'kind'
			? '(SELECT k.position FROM kind k WHERE k.id = m.kind)'
			: group === 'priority'
				? "CASE m.priority WHEN 'high' THEN 0 WHEN 'normal' THEN 1 ELSE 2 END"
				: group
					? cols[group]!.sql
					: '';
	const sortSql =
		sort === 'priority'
			? "CASE m.priority WHEN 'high' THEN 0 WHEN 'normal' THEN 1 ELSE 2 END"
			: sort
				? cols[sort]!.sql
				: '';
	const order = [
		group && `${groupSql} IS NULL, ${groupSql}`,
		sort &&
			(cols[sort]!.type === 'text'
				? `${sortSql} IS NULL, ${sortSql} COLLATE NOCASE ${down ? 'DESC' : 'ASC'}`
				: `${sortSql} IS NULL, ${sortSql} ${down ? 'DESC' : 'ASC'}`),
		'm.number DESC'
	]
		.filter(Boolean)
		.join(', ');
	const page = { ...p, limit: per ?? -1, offset: per === null ? 0 : per * ((f.page ?? 1) - 1) };
	const ids = w.db
		.prepare<unknown[], { id: string }>(
			`SELECT m.id FROM matter m WHERE ${sql} ORDER BY ${order} LIMIT @limit OFFSET @offset`
		)
		.all(page)
		.map((r) => r.id);
	const groups = group
		? w.db
				.prepare<unknown[], { name: string | null; n: number }>(
					`SELECT ${cols[group]!.sql} AS name, count(*) AS n FROM matter m WHERE ${sql} GROUP BY 1`
				)
				.all(p)
		: [];
	const total = group
		? groups.reduce((a, g) => a + g.n, 0)
		: w.db
				.prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM matter m WHERE ${sql}`)
				.get(p)!.n;
	const wanted = (f.cols ?? DEFAULT_COLUMNS).filter((c) => cols[c]);
	const extra = wanted.filter((c) => !['number', 'title'].includes(c));
	const rows = w.db
		.prepare<unknown[], Omit<MatterListRow, 'cells'> & Record<string, string | number | null>>(
			`SELECT m.id, m.number, m.title, m.kind, m.status, m.restricted, m.priority, m.responsible_id AS responsibleId, m.unit_id AS unitId, u.name AS unit, s.initials AS responsible, s.name AS responsibleName, m.opened_on AS openedOn, ${group ? cols[group]!.sql : 'NULL'} AS "group",
		 (SELECT count(*) FROM split_share x WHERE x.split_id = (SELECT id FROM split y WHERE y.matter_id = m.id AND y.from_day <= @today ORDER BY y.from_day DESC LIMIT 1)) AS units,
		 ${BASE.hours.sql} AS minutes, ${ACTIVE} AS lastActivity,
		 nd.id AS nextId, nd.title AS nextTitle, nd.date AS nextDate, CASE WHEN nd.id IS NULL THEN NULL ELSE nd.checked_by IS NOT NULL END AS nextChecked${extra.map((c, i) => `, ${cols[c]!.sql} AS c${i}`).join('')}
		 FROM matter m JOIN business_unit u ON u.id = m.unit_id JOIN staff s ON s.id = m.responsible_id
		 LEFT JOIN deadline nd ON nd.id = (SELECT d.id FROM deadline d WHERE d.matter_id = m.id AND d.state = 'docketed' AND m.status <> 'closed' ORDER BY d.date, d.id LIMIT 1)
		 WHERE m.id IN (SELECT value FROM json_each(@ids))`
		)
		.all({ today: p.today, ids: JSON.stringify(ids) });
	const at = new Map(ids.map((x, i) => [x, i]));
	const name = personName(w);
	const say = (c: string, v: string | number | null): string | number | null => {
		if (c === 'activity') return dayAt(String(v), w.clock.zone);
		const fact = cols[c]!.fact;
		return v === null || !fact || ['date', 'money', 'number'].includes(fact.type)
			? v
			: sayFact(fact, { value: String(v), more: '' }, name);
	};
	return {
		total,
		groups: groups.map((g) => ({
			name: g.name === null ? '' : String(say(group!, g.name)),
			n: g.n
		})),
		rows: rows
			.sort((a, b) => at.get(a.id)! - at.get(b.id)!)
			.map((r) => {
				const cells: MatterListRow['cells'] = { number: r.number, title: r.title };
				extra.forEach((c, i) => {
					cells[c] = say(c, r[`c${i}`] as string | number | null);
					delete r[`c${i}`];
				});
				return {
					...r,
					lastActivity: dayAt(r.lastActivity, w.clock.zone),
					group: group ? String(say(group, r.group) ?? '') : null,
					cells
				} as MatterListRow;
			})
	};
}

export type SavedView = {
	id: string;
	name: string;
	query: string;
	shared: number;
	mine: number;
	by: string;
};
export const savedViews = (w: World, me: Staff) =>
	w.db
		.prepare<unknown[], SavedView>(
			'SELECT v.id, v.name, v.query, v.shared, v.staff_id = @me AS mine, s.name AS "by" FROM saved_view v JOIN staff s ON s.id = v.staff_id WHERE v.staff_id = @me OR v.shared = 1 ORDER BY v.staff_id <> @me, v.name'
		)
		.all({ me: me.id });
