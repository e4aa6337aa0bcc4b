/** Figures for the overview: open matters by kind, age, business unit and lawyer; opened and closed by month. Each part names the list behind it. */
import { MONTHS } from '#core/dates/plain.ts';
import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';
import { kinds } from './kinds.ts';
import { AGES, quietSql } from './list.ts';

export type Slice = { name: string; n: number; href: string };
export type Overview = {
	kind: Slice[];
	age: Slice[];
	unit: Slice[];
	lawyer: Slice[];
	months: { name: string; opened: Slice; closed: Slice }[];
	open: number;
	quiet: number;
	high: number;
};

export function overview(w: World, me: Staff): Overview {
	const p = { me: me.id, today: w.clock.today() };
	const open = `FROM matter m WHERE m.status <> 'closed' AND ${visible('m')}`;
	const by = (col: string, name: string, key: string) =>
		w.db
			.prepare<unknown[], { id: string; name: string; n: number }>(
				`SELECT ${col} AS id, ${name} AS name, count(*) AS n ${open} GROUP BY 1 ORDER BY n DESC, name`
			)
			.all(p)
			.map((r): Slice => ({
				name: r.name,
				n: r.n,
				href: `/matters?who=all&${key}=${encodeURIComponent(r.id)}`
			}));
	const age = AGES.map((from, i): Slice => {
		const to = AGES[i + 1];
		const n = w.db
			.prepare<unknown[], { n: number }>(
				`SELECT count(*) AS n ${open} AND julianday(@today) - julianday(m.opened_on) >= @from ${to === undefined ? '' : 'AND julianday(@today) - julianday(m.opened_on) < @to'}`
			)
			.get({ ...p, from, to: to ?? 0 })!.n;
		return {
			name:
				to === undefined
					? `over ${from / 365} years`
					: from === 0
						? `under ${to} days`
						: `${from} to ${to - 1} days`,
			n,
			href: `/matters?who=all&age=${from}`
		};
	});
	const year = Number(p.today.slice(0, 4)),
		month = Number(p.today.slice(5, 7));
	const months = Array.from({ length: 12 }, (_, i) => {
		const at = year * 12 + month - 12 + i;
		const key = `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}`;
		const n = (col: string) =>
			w.db
				.prepare<unknown[], { n: number }>(
					`SELECT count(*) AS n FROM matter m WHERE m.${col} BETWEEN @a AND @b AND ${visible('m')}`
				)
				.get({ me: me.id, a: `${key}-01`, b: `${key}-31` })!.n;
		return {
			name: `${MONTHS[at % 12]!.slice(0, 3)} ${Math.floor(at / 12)}`,
			opened: { name: key, n: n('opened_on'), href: `/matters?who=all&opened=${key}` },
			closed: { name: key, n: n('closed_on'), href: `/matters?who=all&closedIn=${key}` }
		};
	});
	const one = (sql: string) => w.db.prepare<unknown[], { n: number }>(sql).get(p)!.n;
	return {
		kind: by('m.kind', '(SELECT name FROM kind k WHERE k.id = m.kind)', 'kind'),
		age,
		unit: by('m.unit_id', '(SELECT name FROM business_unit u WHERE u.id = m.unit_id)', 'unit'),
		lawyer: by(
			'm.responsible_id',
			'(SELECT name FROM staff s WHERE s.id = m.responsible_id)',
			'lawyer'
		),
		months,
		open: one(`SELECT count(*) AS n ${open} AND @today IS NOT NULL`),
		high: one(`SELECT count(*) AS n ${open} AND m.priority = 'high' AND @today IS NOT NULL`),
		quiet: one(`SELECT count(*) AS n ${open} AND ${quietSql(w, kinds(w))} AND @today IS NOT NULL`)
	};
}
