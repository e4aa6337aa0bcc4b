/**
 * What a cost run would take: everything released and not allocated up to a day, priced and shared.
 */
import { rateFor, type Rate } from '#core/costs/rates.ts';
import { shareItems, type Item, type Line, type Split } from '#core/costs/run.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import type { RateRow, SplitRow, SplitShareRow } from './rows.ts';

const listRates = (app: Application): Rate[] =>
	all<RateRow>(app.db, 'SELECT * FROM rate').map((row) => ({
		id: row.id,
		staff: row.staff_id,
		level: row.level,
		matter: row.matter_id,
		unit: row.unit_id,
		from: row.from_day,
		centsPerHour: row.cents_per_hour
	}));

/** The splits of these matters, each with its shares in their order. */
function listSplits(app: Application, matterIds: readonly string[]): Split[] {
	const rows = all<SplitRow & Pick<SplitShareRow, 'unit_id' | 'cost_center_id' | 'share'>>(
		app.db,
		`SELECT s.id, s.matter_id, s.from_day, x.unit_id, x.cost_center_id, x.share
		FROM split s
		JOIN split_share x ON x.split_id = s.id
		WHERE s.matter_id IN (SELECT value FROM json_each(@matterIds))
		ORDER BY s.id, x.position`,
		{ matterIds: JSON.stringify(matterIds) }
	);
	const splits = new Map<string, Split>();
	for (const { id, matter_id, from_day, unit_id, cost_center_id, share } of rows) {
		const split = splits.get(id) ?? { matter: matter_id, from: from_day, shares: [] };
		split.shares.push({ unit: unit_id, costCenter: cost_center_id, share });
		splits.set(id, split);
	}
	return [...splits.values()];
}

type Released = {
	id: string;
	staff_id: string;
	level: string;
	matter_id: string;
	unit_id: string;
	day: PlainDate;
	minutes: number;
};
type Priced = Item & { rateLabel: string; late: boolean };
export type GatheredLine = Line & { rateLabel: string; centsPerHour: number; late: boolean };
export type Gathered = {
	lines: GatheredLine[];
	/** What cannot be priced or shared, with its reason. */
	heldBack: { entry: string; matter: string; why: 'no-split' | 'no-rate' }[];
};

/** @param from entries of days before it are late */
export function gatherCosts(app: Application, from: PlainDate, to: PlainDate): Gathered {
	const rates = listRates(app);
	const items = new Map<string, Priced>();
	const unpriced: Gathered['heldBack'] = [];
	for (const entry of listReleased(app, to)) {
		const { id, staff_id, level, matter_id, unit_id, day, minutes } = entry;
		const query = { staff: staff_id, level, matter: matter_id, unit: unit_id, day };
		const found = rateFor(rates, query);
		if (!found) {
			unpriced.push({ entry: id, matter: matter_id, why: 'no-rate' });
			continue;
		}
		const { centsPerHour } = found.rate;
		const item = { entry: id, matter: matter_id, day, minutes, centsPerHour };
		items.set(id, { ...item, rateLabel: found.label, late: day < from });
	}
	const matters = new Set([...items.values()].map((item) => item.matter));
	const { lines, held } = shareItems([...items.values()], listSplits(app, [...matters]));
	return {
		lines: lines.flatMap((line) => {
			const item = items.get(line.entry);
			if (!item) return [];
			const { rateLabel, centsPerHour, late } = item;
			return [{ ...line, rateLabel, centsPerHour, late }];
		}),
		heldBack: [...unpriced, ...held]
	};
}

const listReleased = (app: Application, to: PlainDate): Released[] =>
	all(
		app.db,
		`SELECT t.id, t.staff_id, s.level, t.matter_id, m.unit_id, t.day, t.minutes
		FROM time_entry t
		JOIN staff s ON s.id = t.staff_id
		JOIN matter m ON m.id = t.matter_id
		WHERE t.released_at IS NOT NULL
			AND t.day <= @to
			AND NOT EXISTS (SELECT 1 FROM cost_line c WHERE c.entry_id = t.id AND c.holds = 1)
		ORDER BY m.number, t.day, t.id`,
		{ to }
	);
