/** Cost runs: made, sent, approved by a second person, reversed. */
import { z } from 'zod';
import { formatDate, formatMonth } from '#core/format/dates.ts';
import type { Context } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { day, id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { all, exists, insert, maybeOne, scalar, update } from '#server/db/sql.ts';
import { gatherCosts, type GatheredLine } from './gather.ts';
import type { CostLineRow, CostRunRow, CostShareRow } from './rows.ts';
import { fileStatements, makeStatements } from './statements.ts';

/**
 * Makes a draft run: gathers, prices and shares; its lines hold their entries until it is approved,
 * discarded or reversed.
 */
export const makeRun = command({
	name: 'make cost run',
	action: 'cost.run',
	input: z.object({ from: day('The first day'), to: day('The last day') }),
	run({ ctx, me, input, record }) {
		const { from, to } = input;
		if (to < from) throw new Refused('The last day is before the first.', 'to');
		if (to > ctx.clock.today())
			throw new Refused(
				`${formatDate(to)} has not come yet: a run ends today at the latest.`,
				'to'
			);
		const open = "SELECT 1 FROM cost_run WHERE state IN ('draft', 'awaiting approval')";
		if (exists(ctx.db, open))
			throw new Refused('There is a run that is not finished. Approve or discard it first.');
		const { lines, heldBack } = gatherCosts(ctx, from, to);
		if (lines.length === 0)
			throw new Refused(
				heldBack.length
					? 'Every released entry lacks a split or a rate.'
					: 'There is no released time up to this day that is not allocated already.',
				'to'
			);
		const runId = newId('run');
		insert<CostRunRow>(ctx.db, 'cost_run', {
			id: runId,
			period_from: from,
			period_to: to,
			cut_off: ctx.clock.today(),
			state: 'draft',
			made_by: me.id,
			made_at: ctx.clock.now()
		});
		for (const line of lines) insertLine(ctx, runId, line);
		record.audit({
			run: runId,
			from,
			to,
			lines: lines.length,
			cents: lines.reduce((sum, line) => sum + line.cents, 0),
			heldBack: heldBack.length
		});
		return { runId, lines: lines.length };
	}
});

function insertLine(ctx: Context, runId: string, line: GatheredLine): void {
	const lineId = newId('lin');
	insert<CostLineRow>(ctx.db, 'cost_line', {
		id: lineId,
		run_id: runId,
		entry_id: line.entry,
		matter_id: line.matter,
		minutes: line.minutes,
		cents_per_hour: line.centsPerHour,
		rate_say: line.rateLabel,
		cents: line.cents,
		late: line.late ? 1 : 0,
		holds: 1
	});
	for (const [position, { unit, costCenter, share, cents }] of line.shares.entries())
		insert<CostShareRow>(ctx.db, 'cost_share', {
			line_id: lineId,
			position,
			unit_id: unit,
			cost_center_id: costCenter,
			share,
			cents
		});
}

function requireRun(ctx: Context, runId: string): CostRunRow {
	const run = maybeOne<CostRunRow>(ctx.db, 'SELECT * FROM cost_run WHERE id = @runId', { runId });
	if (!run) throw new NotFound('cost run');
	return run;
}

const updateRun = (ctx: Context, { id }: CostRunRow, set: Partial<CostRunRow>): void =>
	void update<CostRunRow>(ctx.db, 'cost_run', { id }, set);

/** Its entries are free again. */
const freeEntries = (ctx: Context, run: CostRunRow): void =>
	void update<CostLineRow>(ctx.db, 'cost_line', { run_id: run.id }, { holds: null });

const sumByMatter = (ctx: Context, run: CostRunRow): { matterId: string; cents: number }[] =>
	all(
		ctx.db,
		`SELECT matter_id AS matterId, sum(cents) AS cents
		FROM cost_line
		WHERE run_id = @runId
		GROUP BY matter_id`,
		{ runId: run.id }
	);

export const discardRun = command({
	name: 'discard cost run',
	action: 'cost.run',
	input: z.object({ runId: id('a run') }),
	run({ ctx, input, record }) {
		const run = requireRun(ctx, input.runId);
		if (run.state !== 'draft' && run.state !== 'awaiting approval')
			throw new Refused('Only a run that is not approved can be discarded.');
		freeEntries(ctx, run);
		updateRun(ctx, run, { state: 'discarded' });
		record.audit({ run: run.id });
	}
});

export const sendRun = command({
	name: 'send cost run for approval',
	action: 'cost.run',
	input: z.object({ runId: id('a run') }),
	run({ ctx, input, record }) {
		const run = requireRun(ctx, input.runId);
		if (run.state !== 'draft') throw new Refused('Only a draft can be sent for approval.');
		updateRun(ctx, run, { state: 'awaiting approval' });
		record.audit({ run: run.id });
	}
});

/** The next number of the year in which the period ends. */
function nextNumber(ctx: Context, { period_to }: CostRunRow): string {
	const year = period_to.slice(0, 4);
	const given = scalar(ctx.db, 'SELECT count(*) FROM cost_run WHERE number LIKE @pattern', {
		pattern: `CR-${year}-%`
	});
	return `CR-${year}-${String(given + 1).padStart(2, '0')}`;
}

const refuseApproval = (run: CostRunRow, meId: string): void => {
	if (run.state !== 'awaiting approval')
		throw new Refused('Only a run that awaits approval can be approved.');
	if (run.made_by === meId) throw new Refused('You made this run: a second person approves it.');
};

/**
 * A second person approves: the run is numbered and locked, and each business unit's statement is
 * made and filed once.
 */
export const approveRun = preparedCommand({
	name: 'approve cost run',
	action: 'cost.approve',
	input: z.object({ runId: id('a run') }),
	async prepare({ ctx, me, input }) {
		const run = requireRun(ctx, input.runId);
		refuseApproval(run, me.id);
		const number = nextNumber(ctx, run);
		return { number, statements: await makeStatements(ctx, run, { number, by: me.name }) };
	},
	run({ ctx, me, input, prepared, record }) {
		const run = requireRun(ctx, input.runId);
		refuseApproval(run, me.id);
		const { number, statements } = prepared;
		if (number !== nextNumber(ctx, run))
			throw new Refused('Another run was approved meanwhile. Approve this one again.');
		updateRun(ctx, run, {
			state: 'approved',
			number,
			approved_by: me.id,
			approved_at: ctx.clock.now()
		});
		fileStatements(ctx, run.id, statements);
		record.audit({ run: run.id, number, statements: statements.length });
		const month = formatMonth(run.period_to);
		for (const { matterId, cents } of sumByMatter(ctx, run))
			record.logOn(
				matterId,
				'cost',
				`Allocated ${(cents / 100).toFixed(2)} in cost run ${number} (${month}).`
			);
		return { number };
	}
});

/** Reverses an approved run: its number stays, its entries are free again. */
export const reverseRun = command({
	name: 'reverse cost run',
	action: 'cost.approve',
	input: z.object({ runId: id('a run'), reason: text('The reason', 300) }),
	run({ ctx, me, input, record }) {
		const run = requireRun(ctx, input.runId);
		if (run.state !== 'approved') throw new Refused('Only an approved run can be reversed.');
		freeEntries(ctx, run);
		updateRun(ctx, run, {
			state: 'reversed',
			reversed_by: me.id,
			reversed_at: ctx.clock.now(),
			reason: input.reason
		});
		record.audit({ run: run.id, number: run.number, reason: input.reason });
		for (const { matterId } of sumByMatter(ctx, run))
			record.logOn(matterId, 'cost', `Cost run ${run.number} reversed: ${input.reason}`);
	}
});
