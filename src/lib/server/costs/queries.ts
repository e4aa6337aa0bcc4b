/** Cost runs as their screens show them: lists, the sheet of one, its journal. */
import { may } from '#core/access/table.ts';
import { journal, totals, type Line } from '#core/costs/run.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatMonth } from '#core/format/dates.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne, one } from '#server/db/sql.ts';
import { listCostCenters, listUnits } from '#server/units/queries.ts';
import { gatherCosts, type Gathered } from './gather.ts';
import type { CostLineRow, CostRunRow, CostShareRow } from './rows.ts';

export type RunView = {
	id: string;
	number: string | null;
	from: PlainDate;
	to: PlainDate;
	state: CostRunRow['state'];
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
	cutOff: PlainDate;
};
const SELECT = `SELECT
		r.id, r.number, r.period_from AS "from", r.period_to AS "to", r.state, a.name AS madeBy,
		r.made_by AS madeById, r.made_at AS madeAt, b.name AS approvedBy, r.approved_at AS approvedAt,
		c.name AS reversedBy, r.reason, r.cut_off AS cutOff,
		coalesce((SELECT sum(cents) FROM cost_line l WHERE l.run_id = r.id), 0) AS cents,
		coalesce((SELECT sum(minutes) FROM cost_line l WHERE l.run_id = r.id), 0) AS minutes,
		(SELECT count(*) FROM cost_line l WHERE l.run_id = r.id) AS lines
	FROM cost_run r
	JOIN staff a ON a.id = r.made_by
	LEFT JOIN staff b ON b.id = r.approved_by
	LEFT JOIN staff c ON c.id = r.reversed_by`;

/** "October 2026" of a run that begins with a month and ends in it, else its days. */
export const formatRunTitle = ({ from, to }: { from: PlainDate; to: PlainDate }): string =>
	from.slice(0, 7) === to.slice(0, 7) && from.endsWith('-01')
		? formatMonth(to)
		: `${from} to ${to}`;

export const mayReadCosts = (me: Staff): boolean =>
	may(me.role, 'cost.read') || may(me.role, 'cost.approve');

export const listRuns = (app: Application): RunView[] =>
	all(app.db, `${SELECT} WHERE r.state <> 'discarded' ORDER BY r.period_to DESC, r.made_at DESC`);

export const findRun = (app: Application, id: string): RunView | undefined =>
	maybeOne(app.db, `${SELECT} WHERE r.id = @id`, { id });

type StoredLine = Line & { id: string; rateLabel: string; centsPerHour: number; late: boolean };

/** The lines of a run as they were shared. */
export function listRunLines(app: Application, runId: string): StoredLine[] {
	const shares = new Map<string, Line['shares']>();
	const stored = all<CostShareRow>(
		app.db,
		`SELECT s.*
		FROM cost_share s
		JOIN cost_line l ON l.id = s.line_id
		WHERE l.run_id = @runId
		ORDER BY s.line_id, s.position`,
		{ runId }
	);
	for (const { line_id, unit_id, cost_center_id, share, cents } of stored) {
		const line = shares.get(line_id) ?? [];
		line.push({ unit: unit_id, costCenter: cost_center_id, share, cents });
		shares.set(line_id, line);
	}
	const lines = all<CostLineRow>(
		app.db,
		'SELECT * FROM cost_line WHERE run_id = @runId ORDER BY id',
		{ runId }
	);
	return lines.map((line) => ({
		id: line.id,
		entry: line.entry_id,
		matter: line.matter_id,
		minutes: line.minutes,
		cents: line.cents,
		centsPerHour: line.cents_per_hour,
		rateLabel: line.rate_say,
		late: line.late === 1,
		shares: shares.get(line.id) ?? []
	}));
}

export type MatterName = { number: string | null; title: string };
const RESTRICTED: MatterName = { number: null, title: 'Restricted matters' };

/** Who a matter is to this viewer: a restricted matter keeps its cost without its name. */
function listMatterNames(app: Application, me: Staff): Map<string, MatterName> {
	const rows = all<{ id: string; number: string; title: string; seen: number }>(
		app.db,
		`SELECT m.id, m.number, m.title, ${visible('m')} AS seen FROM matter m`,
		{ me: me.id }
	);
	return new Map(
		rows.map(({ id, number, title, seen }) => [id, seen ? { number, title } : RESTRICTED])
	);
}

type SheetRow = MatterName & {
	minutes: number;
	cents: number;
	units: Record<string, number>;
};
export type RunSheet = {
	rows: SheetRow[];
	byUnit: { id: string; name: string; hue: number; cents: number; before: number | null }[];
	total: number;
	minutes: number;
	agrees: boolean;
	lateLines: number;
	beforeTitle: string | null;
	unreleased: { minutes: number; people: number };
	heldBack: (MatterName & { why: Gathered['heldBack'][number]['why'] })[];
};

/**
 * The sheet of a run: matters by business units, the totals, whether all agree, and what is left to
 * warn of.
 */
export function findRunSheet(app: Application, me: Staff, run: RunView): RunSheet {
	const lines = listRunLines(app, run.id);
	const sums = totals(lines);
	const names = listMatterNames(app, me);
	const previous = findPreviousRun(app, run);
	const before = previous && totals(listRunLines(app, previous.id)).byUnit;
	const isOpen = run.state === 'draft' || run.state === 'awaiting approval';
	const heldBack = isOpen ? gatherCosts(app, run.from, run.to).heldBack : [];
	return {
		rows: sheetRows(sums.byMatter, names),
		byUnit: listUnits(app).map((unit) => ({
			...unit,
			cents: sums.byUnit.get(unit.id) ?? 0,
			before: before ? (before.get(unit.id) ?? 0) : null
		})),
		total: sums.total,
		minutes: sums.minutes,
		agrees: sums.agrees,
		lateLines: lines.filter((line) => line.late).length,
		beforeTitle: previous ? formatRunTitle(previous) : null,
		unreleased: sumUnreleased(app, run.to),
		heldBack: heldBack.map(({ matter, why }) => ({ ...(names.get(matter) ?? RESTRICTED), why }))
	};
}

/** Restricted matters that are not the viewer's are one row together, the last. */
function sheetRows(
	byMatter: ReturnType<typeof totals>['byMatter'],
	names: ReadonlyMap<string, MatterName>
): SheetRow[] {
	const rows = new Map<string | null, SheetRow>();
	for (const [matterId, sum] of byMatter) {
		const name = names.get(matterId) ?? RESTRICTED;
		const row = rows.get(name.number) ?? { ...name, minutes: 0, cents: 0, units: {} };
		row.minutes += sum.minutes;
		row.cents += sum.cents;
		for (const [unit, cents] of sum.units) row.units[unit] = (row.units[unit] ?? 0) + cents;
		rows.set(name.number, row);
	}
	const last = (row: SheetRow) => (row.number === null ? 1 : 0);
	return [...rows.values()].sort((a, b) => last(a) - last(b) || b.cents - a.cents);
}

const findPreviousRun = (
	app: Application,
	run: RunView
): { id: string; from: PlainDate; to: PlainDate } | undefined =>
	maybeOne(
		app.db,
		`SELECT id, period_from AS "from", period_to AS "to"
		FROM cost_run
		WHERE state = 'approved' AND period_to < @from AND id <> @id
		ORDER BY period_to DESC
		LIMIT 1`,
		{ from: run.from, id: run.id }
	);

const sumUnreleased = (app: Application, upTo: PlainDate): { minutes: number; people: number } =>
	one(
		app.db,
		`SELECT coalesce(sum(minutes), 0) AS minutes, count(DISTINCT staff_id) AS people
		FROM time_entry
		WHERE released_at IS NULL AND matter_id IS NOT NULL AND day <= @upTo`,
		{ upTo }
	);

/** What the next run would take: for the list's header. */
export const sumWaitingTime = (app: Application): { minutes: number; entries: number } =>
	one(
		app.db,
		`SELECT coalesce(sum(t.minutes), 0) AS minutes, count(*) AS entries
		FROM time_entry t
		WHERE t.released_at IS NOT NULL
			AND t.matter_id IS NOT NULL
			AND NOT EXISTS (SELECT 1 FROM cost_line c WHERE c.entry_id = t.id AND c.holds = 1)`
	);

export type JournalRow = {
	date: PlainDate;
	run: string;
	account: string;
	businessUnit: string;
	costCenter: string;
	matter: string;
	debit: string;
	credit: string;
};

/**
 * The journal of a run, for the ledger; debits equal credits. A reversed run gives the same lines
 * turned round.
 */
export function listJournalRows(app: Application, me: Staff, run: RunView): JournalRow[] {
	const names = listMatterNames(app, me);
	const units = new Map(listUnits(app).map(({ id, name }) => [id, name]));
	const centers = new Map(listCostCenters(app).map(({ id, code }) => [id, code]));
	const amount = (cents: number) => (cents === 0 ? '' : (cents / 100).toFixed(2));
	const turned = run.state === 'reversed';
	const order = ({ matter, debit }: { matter: string; debit: number }) =>
		`${names.get(matter)?.number ?? '~'} ${debit > 0 ? 0 : 1}`;
	const lines = journal(listRunLines(app, run.id), 'legal');
	lines.sort((a, b) => (order(a) < order(b) ? -1 : order(a) > order(b) ? 1 : 0));
	return lines.map(({ account, unit, costCenter, matter, debit, credit }) => ({
		date: run.to,
		run: run.number ?? 'draft',
		account,
		businessUnit: units.get(unit) ?? 'Legal department',
		costCenter: costCenter ? (centers.get(costCenter) ?? '') : '',
		matter: names.get(matter)?.number ?? 'restricted',
		debit: amount(turned ? credit : debit),
		credit: amount(turned ? debit : credit)
	}));
}

/** What a matter has cost each business unit in approved runs; the caller has found the matter. */
export const sumAllocated = (
	app: Application,
	matterId: string
): { name: string; hue: number; cents: number }[] =>
	all(
		app.db,
		`SELECT u.name, u.hue, sum(s.cents) AS cents
		FROM cost_share s
		JOIN cost_line l ON l.id = s.line_id
		JOIN cost_run r ON r.id = l.run_id
		JOIN business_unit u ON u.id = s.unit_id
		WHERE l.matter_id = @matterId AND r.state = 'approved'
		GROUP BY u.id
		ORDER BY u.position`,
		{ matterId }
	);
