/**
 * Statements: what one business unit receives from a cost run. Made once at approval, for the unit
 * and not for whoever looks, filed by its hash, and the same for everyone who downloads it.
 */
import { formatShare } from '#core/format/money.ts';
import type { Application, Context } from '#server/app/application.ts';
import { departmentName } from '#server/app/department.ts';
import { all, insertOrIgnore, maybeOne } from '#server/db/sql.ts';
import { findUnit } from '#server/units/queries.ts';
import { formatRunTitle, listRunLines, type MatterName, type RunView } from './queries.ts';
import type { CostRunRow, CostStatementRow } from './rows.ts';
import type { Statement } from './statement-pdf.ts';
import { statementTask } from './tasks.ts';

type Unit = { id: string; name: string };
/** How far the run is: stands on the statement's head. */
type Standing = { number: string | null; by: string } | { reversed: string; number: string | null };

export type StatementLine = MatterName & {
	share: string;
	minutes: number;
	cents: number;
	narratives: string[];
};

/**
 * Restricted matters are named to no business unit; their narratives stay inside the department.
 */
function listStatementLines(
	app: Application,
	runId: string,
	unitId: string
): { lines: StatementLine[]; total: number } {
	const matters = new Map(
		all<MatterName & { id: string; restricted: 0 | 1 }>(
			app.db,
			'SELECT id, number, title, restricted FROM matter'
		).map(({ id, number, title, restricted }): [string, MatterName] => [
			id,
			restricted ? { number: null, title: 'Restricted matters' } : { number, title }
		])
	);
	const narratives = new Map(
		all<{ id: string; narrative: string }>(
			app.db,
			`SELECT t.id, t.narrative
			FROM time_entry t
			JOIN cost_line l ON l.entry_id = t.id
			WHERE l.run_id = @runId`,
			{ runId }
		).map(({ id, narrative }) => [id, narrative])
	);
	type Gathering = MatterName & {
		shares: Set<number>;
		minutes: number;
		cents: number;
		narratives: Set<string>;
	};
	const byMatter = new Map<string | null, Gathering>();
	for (const line of listRunLines(app, runId)) {
		const own = line.shares.filter((share) => share.unit === unitId);
		const matter = matters.get(line.matter);
		if (own.length === 0 || !matter) continue;
		const sum = byMatter.get(matter.number) ?? {
			...matter,
			shares: new Set(),
			minutes: 0,
			cents: 0,
			narratives: new Set()
		};
		sum.cents += own.reduce((cents, share) => cents + share.cents, 0);
		sum.minutes += line.minutes;
		sum.shares.add(own.reduce((whole, { share }) => whole + share, 0));
		const narrative = narratives.get(line.entry);
		if (narrative && matter.number) sum.narratives.add(narrative);
		byMatter.set(matter.number, sum);
	}
	const lines = [...byMatter.values()].map((sum) => ({
		...sum,
		share: [...sum.shares]
			.sort((a, b) => b - a)
			.map(formatShare)
			.join(', '),
		narratives: [...sum.narratives]
	}));
	lines.sort((a, b) => ((a.number ?? '~') < (b.number ?? '~') ? -1 : 1));
	return { lines, total: lines.reduce((sum, line) => sum + line.cents, 0) };
}

function describeStanding(standing: Standing | null): string {
	if (!standing) return 'Preview: not approved, nothing is booked.';
	if ('reversed' in standing) return `Cost run ${standing.number}, reversed: ${standing.reversed}`;
	return `Cost run ${standing.number}, approved by ${standing.by}.`;
}

function statementOf(
	app: Application,
	run: Pick<CostRunRow, 'id' | 'period_from' | 'period_to'>,
	unit: Unit,
	standing: Standing | null
): Statement {
	const { period_from: from, period_to: to } = run;
	return {
		department: departmentName(app),
		unit: unit.name,
		title: formatRunTitle({ from, to }),
		from,
		to,
		standing: describeStanding(standing),
		...listStatementLines(app, run.id, unit.id)
	};
}

const listUnitsOf = (app: Application, runId: string): Unit[] =>
	all(
		app.db,
		`SELECT DISTINCT u.id, u.name
		FROM cost_share s
		JOIN cost_line l ON l.id = s.line_id
		JOIN business_unit u ON u.id = s.unit_id
		WHERE l.run_id = @runId
		ORDER BY u.position`,
		{ runId }
	);

export type MadeStatement = { unitId: string; pdf: Uint8Array };

/** Makes the statements of a run that is about to be approved. */
export const makeStatements = (
	app: Application,
	run: CostRunRow,
	standing: { number: string; by: string }
): Promise<MadeStatement[]> =>
	Promise.all(
		listUnitsOf(app, run.id).map(async (unit) => ({
			unitId: unit.id,
			pdf: await app.work.run(statementTask, statementOf(app, run, unit, standing))
		}))
	);

/** Files them, in the transaction of the approval. One that is filed already stays. */
export function fileStatements(
	ctx: Context,
	runId: string,
	statements: readonly MadeStatement[]
): void {
	for (const { unitId, pdf } of statements)
		insertOrIgnore<CostStatementRow>(ctx.db, 'cost_statement', {
			run_id: runId,
			unit_id: unitId,
			sha256: ctx.files.put(pdf),
			made_at: ctx.clock.now()
		});
}

/**
 * The statement of a unit as a PDF: the filed one of a run that was approved; of one that is not, a
 * preview. Runs approved before statements were filed are filed when they are first asked for.
 * @returns undefined where there is no such unit
 */
export async function findStatement(
	ctx: Context,
	run: RunView,
	unitId: string
): Promise<{ unit: Unit; pdf: Uint8Array } | undefined> {
	const unit = findUnit(ctx, unitId);
	if (!unit) return undefined;
	const key = { runId: run.id, unitId };
	const filed = maybeOne<CostStatementRow>(
		ctx.db,
		'SELECT * FROM cost_statement WHERE run_id = @runId AND unit_id = @unitId',
		key
	);
	if (filed) return { unit, pdf: ctx.files.get(filed.sha256) };
	const row = { id: run.id, period_from: run.from, period_to: run.to };
	const pdf = await ctx.work.run(statementTask, statementOf(ctx, row, unit, standingOf(run)));
	if (run.state === 'approved' || run.state === 'reversed')
		fileStatements(ctx, run.id, [{ unitId, pdf }]);
	return { unit, pdf };
}

function standingOf({ state, number, approvedBy, reason }: RunView): Standing | null {
	if (state === 'approved') return { number, by: approvedBy ?? '' };
	return state === 'reversed' ? { number, reversed: reason } : null;
}
