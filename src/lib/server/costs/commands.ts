import { z } from 'zod';
import { date as plain, MONTHS, sayDate, type PlainDate } from '#core/dates/plain.ts';
import { rateFor, type Rate } from '#core/costs/rates.ts';
import { shareItems, type Item, type Line, type Split } from '#core/costs/run.ts';
import { command, NotFound, Refused, staffOf, type Ctx, type World } from '../command.ts';
import { day, id, text } from '../fields.ts';
import { newId } from '../ids.ts';

export const allRates = (w: World): Rate[] =>
	w.db
		.prepare<
			[],
			{
				id: string;
				staff_id: string | null;
				level: string | null;
				matter_id: string | null;
				unit_id: string | null;
				from_day: string;
				cents_per_hour: number;
			}
		>('SELECT * FROM rate')
		.all()
		.map((r) => ({
			id: r.id,
			staff: r.staff_id,
			level: r.level,
			matter: r.matter_id,
			unit: r.unit_id,
			from: r.from_day as PlainDate,
			centsPerHour: r.cents_per_hour
		}));

export function allSplits(w: World, matterIds: readonly string[]): Split[] {
	const rows = w.db
		.prepare<
			[string],
			{
				id: string;
				matter_id: string;
				from_day: string;
				unit_id: string;
				cost_center_id: string | null;
				share: number;
			}
		>(
			'SELECT s.id, s.matter_id, s.from_day, x.unit_id, x.cost_center_id, x.share FROM split s JOIN split_share x ON x.split_id = s.id WHERE s.matter_id IN (SELECT value FROM json_each(?)) ORDER BY s.id, x.position'
		)
		.all(JSON.stringify(matterIds));
	const out = new Map<string, Split>();
	for (const r of rows) {
		const s = out.get(r.id) ?? { matter: r.matter_id, from: r.from_day as PlainDate, shares: [] };
		s.shares.push({ unit: r.unit_id, costCenter: r.cost_center_id, share: r.share });
		out.set(r.id, s);
	}
	return [...out.values()];
}

type Released = {
	id: string;
	staff_id: string;
	level: string;
	matter_id: string;
	unit_id: string;
	day: string;
	minutes: number;
	narrative: string;
};
export type Gathered = {
	lines: (Line & { rateSay: string; centsPerHour: number; late: boolean })[];
	heldBack: { entry: string; matter: string; why: 'no-split' | 'no-rate' }[];
};

/** Everything released and not allocated, up to the end of the period, priced and shared; what cannot be is held back with its reason. */
export function gather(w: World, from: PlainDate, to: PlainDate): Gathered {
	const rates = allRates(w);
	const items: (Item & { rateSay: string; late: boolean })[] = [];
	const heldBack: Gathered['heldBack'] = [];
	const rows = w.db
		.prepare<[string], Released>(
			`SELECT t.id, t.staff_id, s.level, t.matter_id, m.unit_id, t.day, t.minutes, t.narrative FROM time_entry t JOIN staff s ON s.id = t.staff_id JOIN matter m ON m.id = t.matter_id
		 WHERE t.released_at IS NOT NULL AND t.day <= ? AND NOT EXISTS (SELECT 1 FROM cost_line c WHERE c.entry_id = t.id AND c.holds = 1) ORDER BY m.number, t.day, t.id`
		)
		.all(to);
	for (const r of rows) {
		const found = rateFor(rates, {
			staff: r.staff_id,
			level: r.level,
			matter: r.matter_id,
			unit: r.unit_id,
			day: r.day as PlainDate
		});
		if (!found) heldBack.push({ entry: r.id, matter: r.matter_id, why: 'no-rate' });
		else
			items.push({
				entry: r.id,
				matter: r.matter_id,
				day: r.day as PlainDate,
				minutes: r.minutes,
				centsPerHour: found.rate.centsPerHour,
				rateSay: found.say,
				late: r.day < from
			});
	}
	const { lines, held } = shareItems(items, allSplits(w, [...new Set(items.map((i) => i.matter))]));
	const byEntry = new Map(items.map((i) => [i.entry, i]));
	return {
		lines: lines.map((l) => ({
			...l,
			rateSay: byEntry.get(l.entry)!.rateSay,
			centsPerHour: byEntry.get(l.entry)!.centsPerHour,
			late: byEntry.get(l.entry)!.late
		})),
		heldBack: [...heldBack, ...held]
	};
}

const sayMonth = (d: PlainDate) => `${MONTHS[Number(d.slice(5, 7)) - 1]} ${d.slice(0, 4)}`;

/** Makes a draft run: gathers, prices and shares; its lines hold their entries until it is approved, discarded or reversed. */
export const makeRun = command({
	name: 'make cost run',
	action: 'cost.run',
	input: z.object({ from: day('The first day'), to: day('The last day') }),
	run(ctx, i, scribe) {
		if (i.to < i.from) throw new Refused('The last day is before the first.', 'to');
		if (i.to > ctx.clock.today())
			throw new Refused(`${sayDate(i.to)} has not come yet: a run ends today at the latest.`, 'to');
		const open = ctx.db
			.prepare<[], { n: number }>(
				"SELECT count(*) AS n FROM cost_run WHERE state IN ('draft','awaiting approval')"
			)
			.get()!.n;
		if (open > 0)
			throw new Refused('There is a run that is not finished. Approve or discard it first.');
		const { lines, heldBack } = gather(ctx, i.from, i.to);
		if (lines.length === 0)
			throw new Refused(
				heldBack.length
					? 'Every released entry lacks a split or a rate.'
					: 'There is no released time up to this day that is not allocated already.',
				'to'
			);
		const runId = newId('run');
		ctx.db
			.prepare(
				"INSERT INTO cost_run (id, period_from, period_to, cut_off, state, made_by, made_at) VALUES (?, ?, ?, ?, 'draft', ?, ?)"
			)
			.run(runId, i.from, i.to, ctx.clock.today(), staffOf(ctx).id, ctx.clock.now());
		const addLine = ctx.db.prepare(
			'INSERT INTO cost_line (id, run_id, entry_id, matter_id, minutes, cents_per_hour, rate_say, cents, late, holds) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, 1)'
		);
		const addShare = ctx.db.prepare(
			'INSERT INTO cost_share (line_id, position, unit_id, cost_center_id, share, cents) VALUES (?, ?, ?, ?, ?, ?)'
		);
		for (const l of lines) {
			const lineId = newId('lin');
			addLine.run(
				lineId,
				runId,
				l.entry,
				l.matter,
				l.minutes,
				l.centsPerHour,
				l.rateSay,
				l.cents,
				l.late ? 1 : 0
			);
			l.shares.forEach((s, n) => addShare.run(lineId, n, s.unit, s.costCenter, s.share, s.cents));
		}
		scribe.note({
			run: runId,
			from: i.from,
			to: i.to,
			lines: lines.length,
			cents: lines.reduce((a, l) => a + l.cents, 0),
			heldBack: heldBack.length
		});
		return { runId, lines: lines.length };
	}
});

type RunRow = {
	id: string;
	number: string | null;
	period_from: string;
	period_to: string;
	state: string;
	made_by: string;
};
function theRun(ctx: Ctx, runId: string): RunRow {
	const r = ctx.db.prepare<[string], RunRow>('SELECT * FROM cost_run WHERE id = ?').get(runId);
	if (!r) throw new NotFound('cost run');
	return r;
}
const letGo = (ctx: Ctx, runId: string) =>
	ctx.db.prepare('UPDATE cost_line SET holds = NULL WHERE run_id = ?').run(runId);

function logMatters(ctx: Ctx, runId: string, log: (matterId: string, cents: number) => void): void {
	for (const m of ctx.db
		.prepare<[string], { matter_id: string; cents: number }>(
			'SELECT matter_id, sum(cents) AS cents FROM cost_line WHERE run_id = ? GROUP BY matter_id'
		)
		.all(runId))
		log(m.matter_id, m.cents);
}

export const discardRun = command({
	name: 'discard cost run',
	action: 'cost.run',
	input: z.object({ runId: id('a run') }),
	run(ctx, i, scribe) {
		const r = theRun(ctx, i.runId);
		if (r.state !== 'draft' && r.state !== 'awaiting approval')
			throw new Refused('Only a run that is not approved can be discarded.');
		letGo(ctx, r.id);
		ctx.db.prepare("UPDATE cost_run SET state = 'discarded' WHERE id = ?").run(r.id);
		scribe.note({ run: r.id });
	}
});

export const sendRun = command({
	name: 'send cost run for approval',
	action: 'cost.run',
	input: z.object({ runId: id('a run') }),
	run(ctx, i, scribe) {
		const r = theRun(ctx, i.runId);
		if (r.state !== 'draft') throw new Refused('Only a draft can be sent for approval.');
		ctx.db.prepare("UPDATE cost_run SET state = 'awaiting approval' WHERE id = ?").run(r.id);
		scribe.note({ run: r.id });
	}
});

/** A second person approves: the run is numbered and locked. */
export const approveRun = command({
	name: 'approve cost run',
	action: 'cost.approve',
	input: z.object({ runId: id('a run') }),
	run(ctx, i, scribe) {
		const r = theRun(ctx, i.runId);
		const me = staffOf(ctx);
		if (r.state !== 'awaiting approval')
			throw new Refused('Only a run that awaits approval can be approved.');
		if (r.made_by === me.id) throw new Refused('You made this run: a second person approves it.');
		const n =
			ctx.db
				.prepare<[string], { n: number }>(
					"SELECT count(*) AS n FROM cost_run WHERE number LIKE 'CR-' || ? || '-%'"
				)
				.get(r.period_to.slice(0, 4))!.n + 1;
		const number = `CR-${r.period_to.slice(0, 4)}-${String(n).padStart(2, '0')}`;
		ctx.db
			.prepare(
				"UPDATE cost_run SET state = 'approved', number = ?, approved_by = ?, approved_at = ? WHERE id = ?"
			)
			.run(number, me.id, ctx.clock.now(), r.id);
		scribe.note({ run: r.id, number });
		logMatters(ctx, r.id, (m, cents) =>
			scribe.log(
				m,
				'cost',
				`Allocated ${(cents / 100).toFixed(2)} in cost run ${number} (${sayMonth(plain(r.period_to))}).`
			)
		);
		return { number };
	}
});

/** Reverses an approved run: its number stays, its entries are free again. */
export const reverseRun = command({
	name: 'reverse cost run',
	action: 'cost.approve',
	input: z.object({ runId: id('a run'), reason: text('The reason', 300) }),
	run(ctx, i, scribe) {
		const r = theRun(ctx, i.runId);
		if (r.state !== 'approved') throw new Refused('Only an approved run can be reversed.');
		letGo(ctx, r.id);
		ctx.db
			.prepare(
				"UPDATE cost_run SET state = 'reversed', reversed_by = ?, reversed_at = ?, reason = ? WHERE id = ?"
			)
			.run(staffOf(ctx).id, ctx.clock.now(), i.reason, r.id);
		scribe.note({ run: r.id, number: r.number, reason: i.reason });
		logMatters(ctx, r.id, (m) =>
			scribe.log(m, 'cost', `Cost run ${r.number} reversed: ${i.reason}`)
		);
	}
});
