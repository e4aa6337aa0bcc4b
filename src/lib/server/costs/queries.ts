import { MONTHS } from '#core/dates/plain.ts';
import { journal, totals, type Line } from '#core/costs/run.ts';
import { may } from '#core/access/table.ts';
import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';
import { gather } from './commands.ts';
import type { PlainDate } from '#core/dates/plain.ts';

export type RunView = {
	id: string;
	number: string | null;
	from: PlainDate;
	to: PlainDate;
	state: string;
	madeBy: string;
	madeById: string;
	madeAt: string;
	approvedBy: string | null;
	approvedAt: string | null;
	reversedBy: string | null;
	reason: string;
	cents: number;
	minutes: number;
	lines: number;
	cutOff: string;
};
const SELECT = `SELECT r.id, r.number, r.period_from AS "from", r.period_to AS "to", r.state, a.name AS madeBy, r.made_by AS madeById, r.made_at AS madeAt, b.name AS approvedBy, r.approved_at AS approvedAt, c.name AS reversedBy, r.reason, r.cut_off AS cutOff,
 coalesce((SELECT sum(cents) FROM cost_line l WHERE l.run_id = r.id), 0) AS cents, coalesce((SELECT sum(minutes) FROM cost_line l WHERE l.run_id = r.id), 0) AS minutes, (SELECT count(*) FROM cost_line l WHERE l.run_id = r.id) AS lines
 FROM cost_run r JOIN staff a ON a.id = r.made_by LEFT JOIN staff b ON b.id = r.approved_by LEFT JOIN staff c ON c.id = r.reversed_by`;

/** "October" of a run that is one month, else its days. */
export function runTitle(r: { from: string; to: string }): string {
	const month = MONTHS[Number(r.to.slice(5, 7)) - 1]!;
	return r.from.slice(0, 7) === r.to.slice(0, 7) && r.from.endsWith('-01')
		? `${month} ${r.to.slice(0, 4)}`
		: `${r.from} to ${r.to}`;
}

export const mayRead = (me: Staff) => may(me.role, 'cost.read') || may(me.role, 'cost.approve');
export const runs = (w: World): RunView[] =>
	w.db
		.prepare<[], RunView>(
			`${SELECT} WHERE r.state <> 'discarded' ORDER BY r.period_to DESC, r.made_at DESC`
		)
		.all();
export const run = (w: World, id: string): RunView | undefined =>
	w.db.prepare<[string], RunView>(`${SELECT} WHERE r.id = ?`).get(id);

type StoredLine = Line & { id: string; rateSay: string; centsPerHour: number; late: boolean };
/** The lines of a run as they were shared. */
export function runLines(w: World, runId: string): StoredLine[] {
	const shares = new Map<string, Line['shares']>();
	for (const s of w.db
		.prepare<
			[string],
			{
				line_id: string;
				unit_id: string;
				cost_center_id: string | null;
				share: number;
				cents: number;
			}
		>(
			'SELECT s.* FROM cost_share s JOIN cost_line l ON l.id = s.line_id WHERE l.run_id = ? ORDER BY s.line_id, s.position'
		)
		.all(runId))
		shares.set(s.line_id, [
			...(shares.get(s.line_id) ?? []),
			{ unit: s.unit_id, costCenter: s.cost_center_id, share: s.share, cents: s.cents }
		]);
	return w.db
		.prepare<
			[string],
			{
				id: string;
				entry_id: string;
				matter_id: string;
				minutes: number;
				cents: number;
				cents_per_hour: number;
				rate_say: string;
				late: number;
			}
		>('SELECT * FROM cost_line WHERE run_id = ? ORDER BY id')
		.all(runId)
		.map((l) => ({
			id: l.id,
			entry: l.entry_id,
			matter: l.matter_id,
			minutes: l.minutes,
			cents: l.cents,
			centsPerHour: l.cents_per_hour,
			rateSay: l.rate_say,
			late: l.late === 1,
			shares: shares.get(l.id) ?? []
		}));
}

export type RunSheet = {
	rows: {
		number: string | null;
		title: string;
		minutes: number;
		cents: number;
		units: Record<string, number>;
	}[];
	byUnit: { id: string; name: string; hue: number; cents: number; before: number | null }[];
	total: number;
	minutes: number;
	agrees: boolean;
	lateLines: number;
	beforeTitle: string | null;
	unreleased: { minutes: number; people: number };
	heldBack: { number: string | null; title: string; why: 'no-split' | 'no-rate' }[];
};

/** Who a matter is to this viewer: a restricted matter keeps its cost without its name. */
function names(w: World, me: Staff): Map<string, { number: string | null; title: string }> {
	return new Map(
		w.db
			.prepare<unknown[], { id: string; number: string; title: string; seen: number }>(
				`SELECT m.id, m.number, m.title, ${visible('m')} AS seen FROM matter m`
			)
			.all({ me: me.id })
			.map((m) => [
				m.id,
				m.seen ? { number: m.number, title: m.title } : { number: null, title: 'Restricted matter' }
			])
	);
}

/** The sheet of a run: matters by business units, the totals, whether all agree, and what is left to warn of. */
export function runSheet(w: World, me: Staff, r: RunView): RunSheet {
	const lines = runLines(w, r.id);
	const t = totals(lines);
	const who = names(w, me);
	const units = w.db
		.prepare<[], { id: string; name: string; hue: number }>(
			'SELECT id, name, hue FROM business_unit ORDER BY position'
		)
		.all();
	const previous = w.db
		.prepare<[string, string], { id: string; from: string; to: string }>(
			`SELECT id, period_from AS "from", period_to AS "to" FROM cost_run WHERE state = 'approved' AND period_to < ? AND id <> ? ORDER BY period_to DESC LIMIT 1`
		)
		.get(r.from, r.id);
	const before = previous ? totals(runLines(w, previous.id)).byUnit : null;
	// Restricted matters that are not the viewer's are one row together.
	const rows = new Map<string, RunSheet['rows'][number]>();
	for (const [id, m] of t.byMatter) {
		const name = who.get(id)!;
		const key = name.number ?? 'restricted';
		const row = rows.get(key) ?? {
			number: name.number,
			title: name.number ? name.title : 'Restricted matters',
			minutes: 0,
			cents: 0,
			units: {}
		};
		row.minutes += m.minutes;
		row.cents += m.cents;
		for (const [u, c] of m.units) row.units[u] = (row.units[u] ?? 0) + c;
		rows.set(key, row);
	}
	const waiting = w.db
		.prepare<[string], { minutes: number; people: number }>(
			'SELECT coalesce(sum(minutes), 0) AS minutes, count(DISTINCT staff_id) AS people FROM time_entry WHERE released_at IS NULL AND matter_id IS NOT NULL AND day <= ?'
		)
		.get(r.to)!;
	return {
		rows: [...rows.values()].sort((a, b) =>
			a.number === null ? 1 : b.number === null ? -1 : b.cents - a.cents
		),
		byUnit: units.map((u) => ({
			...u,
			cents: t.byUnit.get(u.id) ?? 0,
			before: before ? (before.get(u.id) ?? 0) : null
		})),
		total: t.total,
		minutes: t.minutes,
		agrees: t.agrees,
		lateLines: lines.filter((l) => l.late).length,
		beforeTitle: previous ? runTitle(previous) : null,
		unreleased: waiting,
		heldBack:
			r.state === 'draft' || r.state === 'awaiting approval'
				? gather(w, r.from, r.to).heldBack.map((h) => ({
						...(who.get(h.matter) ?? { number: null, title: '' }),
						why: h.why
					}))
				: []
	};
}

/** What the next run would take: for the list's header. */
export function waitingTime(w: World): { minutes: number; entries: number } {
	return w.db
		.prepare<[], { minutes: number; entries: number }>(
			'SELECT coalesce(sum(t.minutes), 0) AS minutes, count(*) AS entries FROM time_entry t WHERE t.released_at IS NOT NULL AND t.matter_id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM cost_line c WHERE c.entry_id = t.id AND c.holds = 1)'
		)
		.get()!;
}

export type JournalRow = {
	date: string;
	run: string;
	account: string;
	businessUnit: string;
	costCenter: string;
	matter: string;
	debit: string;
	credit: string;
};
/** The journal of an approved run, for the ledger; debits equal credits. A reversed run gives the same lines turned round. */
export function journalRows(w: World, me: Staff, r: RunView): JournalRow[] {
	const who = names(w, me);
	const units = new Map(
		w.db
			.prepare<[], { id: string; name: string }>('SELECT id, name FROM business_unit')
			.all()
			.map((u) => [u.id, u.name])
	);
	const centers = new Map(
		w.db
			.prepare<[], { id: string; code: string }>('SELECT id, code FROM cost_center')
			.all()
			.map((c) => [c.id, c.code])
	);
	const money = (c: number) => (c === 0 ? '' : (c / 100).toFixed(2));
	const turned = r.state === 'reversed';
	const place = (j: { matter: string; account: string; debit: number }) =>
		`${who.get(j.matter)?.number ?? '~'} ${j.debit > 0 ? 0 : 1}`;
	return journal(runLines(w, r.id), 'legal')
		.sort((a, b) => (place(a) < place(b) ? -1 : place(a) > place(b) ? 1 : 0))
		.map((j) => ({
			date: r.to,
			run: r.number ?? 'draft',
			account: j.account,
			businessUnit: units.get(j.unit) ?? 'Legal department',
			costCenter: j.costCenter ? (centers.get(j.costCenter) ?? '') : '',
			matter: who.get(j.matter)?.number ?? 'restricted',
			debit: money(turned ? j.credit : j.debit),
			credit: money(turned ? j.debit : j.credit)
		}));
}

export type StatementLine = {
	number: string | null;
	title: string;
	share: string;
	minutes: number;
	cents: number;
	narratives: string[];
};
/** What one business unit receives: its matters with their work and its share. */
export function statement(
	w: World,
	me: Staff,
	r: RunView,
	unitId: string
): { lines: StatementLine[]; total: number } {
	const who = names(w, me);
	const texts = new Map(
		w.db
			.prepare<[string], { id: string; narrative: string; day: string }>(
				'SELECT t.id, t.narrative, t.day FROM time_entry t JOIN cost_line l ON l.entry_id = t.id WHERE l.run_id = ?'
			)
			.all(r.id)
			.map((t) => [t.id, t])
	);
	const out = new Map<string, StatementLine & { shares: Set<number> }>();
	let total = 0;
	for (const l of runLines(w, r.id)) {
		const mine = l.shares.filter((s) => s.unit === unitId);
		if (mine.length === 0) continue;
		const name = who.get(l.matter)!;
		const key = name.number ?? 'restricted';
		const line = out.get(key) ?? {
			number: name.number,
			title: name.title,
			share: '',
			minutes: 0,
			cents: 0,
			narratives: [],
			shares: new Set<number>()
		};
		const cents = mine.reduce((a, s) => a + s.cents, 0);
		line.cents += cents;
		line.minutes += l.minutes;
		line.shares.add(mine.reduce((a, s) => a + s.share, 0));
		const t = texts.get(l.entry);
		// Narratives of restricted matters stay inside the department.
		if (t && name.number && !line.narratives.includes(t.narrative))
			line.narratives.push(t.narrative);
		total += cents;
		out.set(key, line);
	}
	return {
		total,
		lines: [...out.values()]
			.map(({ shares, ...l }) => ({
				...l,
				share: [...shares]
					.sort((a, b) => b - a)
					.map((s) => `${s / 10_000} %`)
					.join(', ')
			}))
			.sort((a, b) => ((a.number ?? '~') < (b.number ?? '~') ? -1 : 1))
	};
}

/** What a matter has cost each business unit in approved runs; the caller has found the matter. */
export const allocatedTo = (w: World, matterId: string) =>
	w.db
		.prepare<[string], { name: string; hue: number; cents: number }>(
			"SELECT u.name, u.hue, sum(s.cents) AS cents FROM cost_share s JOIN cost_line l ON l.id = s.line_id JOIN cost_run r ON r.id = l.run_id JOIN business_unit u ON u.id = s.unit_id WHERE l.matter_id = ? AND r.state = 'approved' GROUP BY u.id ORDER BY u.position"
		)
		.all(matterId);
