/**
 * Files that are being imported: read and looked through by workers, so that one may leave and come
 * back. Only the latest few of each person are kept, until the server stops.
 */
import { actingStaff, type Context, type Staff } from '#server/app/application.ts';
import { Refused, toFailure, type Result } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { plural } from '#core/format/words.ts';
import { cleanMapping, guessMapping, type Mapping, type What } from './fields.ts';
import type { Plan } from './judge.ts';
import { findMapping } from './queries.ts';
import { runImport, type Imported } from './run.ts';
import type { Table } from './table.ts';
import { judgeTask, tableTask } from './tasks.ts';

export type Work = {
	id: string;
	staffId: string;
	what: What;
	fileName: string;
	state: 'reading' | 'judging' | 'ready' | 'writing' | 'failed' | 'done';
	/** Rows worked off, of so many. */
	done: number;
	total: number;
	fault: string;
	table: Table | null;
	mapping: Mapping;
	plan: Plan | null;
	batchId: string | null;
};

const KEPT = 5;
const works = new Map<string, Work>();

/** Begins to look through a file; what becomes of it is asked for by the id. */
export function beginWork(ctx: Context, what: What, file: File): string {
	const me = actingStaff(ctx);
	const work: Work = {
		id: newId('wrk'),
		staffId: me.id,
		what,
		fileName: file.name,
		state: 'reading',
		done: 0,
		total: 0,
		fault: '',
		table: null,
		mapping: {},
		plan: null,
		batchId: null
	};
	const mine = [...works.values()].filter(({ staffId }) => staffId === me.id);
	for (const { id } of mine.slice(0, Math.max(0, mine.length - KEPT + 1))) works.delete(id);
	works.set(work.id, work);
	void guarded(work, () => readFile(ctx, work, file));
	return work.id;
}

/** A step of which nobody waits for the end: what goes wrong is told where the work is shown. */
async function guarded(work: Work, step: () => Promise<void>): Promise<void> {
	try {
		await step();
	} catch (error) {
		work.state = 'failed';
		work.fault = error instanceof Refused ? error.message : 'The file could not be read.';
	}
}

async function readFile(ctx: Context, work: Work, file: File): Promise<void> {
	const data = new Uint8Array(await file.arrayBuffer());
	work.table = await ctx.work.run(tableTask, { data });
	const { head } = work.table;
	work.mapping = guessMapping(work.what, head, findMapping(ctx, work.what, head));
	await judge(ctx, work, work.table);
}

async function judge(ctx: Context, work: Work, table: Table): Promise<void> {
	const { mapping, what } = work;
	const progress = new SharedArrayBuffer(4);
	work.state = 'judging';
	work.total = table.rows.length;
	work.done = 0;
	work.plan = null;
	const looking = setInterval(() => (work.done = Atomics.load(new Int32Array(progress), 0)), 200);
	try {
		const me = actingStaff(ctx).id;
		const today = ctx.clock.today();
		const query = { me, today, what, table, mapping, progress };
		const plan = await ctx.work.run(judgeTask, query);
		// Another mapping was chosen meanwhile: that one counts.
		if (work.mapping !== mapping) return;
		work.plan = plan;
		work.done = plan.rows.length;
		work.state = 'ready';
	} finally {
		clearInterval(looking);
	}
}

export function findWork(me: Staff, id: string): Work | undefined {
	const work = works.get(id);
	return work?.staffId === me.id ? work : undefined;
}

/** One's own files under way, the latest first. */
export const listWorks = (me: Staff): Work[] =>
	[...works.values()]
		.filter(({ staffId, state }) => staffId === me.id && state !== 'done')
		.reverse();

/** Other columns for the fields: looked through anew. */
export function remap(ctx: Context, work: Work, mapping: Mapping): void {
	const { table } = work;
	if (!table || work.state === 'writing' || work.state === 'done') return;
	work.mapping = cleanMapping(work.what, table.head, mapping);
	void guarded(work, () => judge(ctx, work, table));
}

/** Imports what is new, if no row has a fault. */
export async function finishWork(ctx: Context, work: Work): Promise<Result<Imported>> {
	const { plan, table } = work;
	try {
		if (!plan || !table || work.state !== 'ready')
			throw new Refused('The rows are still being looked at.');
		if (plan.faults)
			throw new Refused(
				`${plural(plan.faults, 'row has a fault', 'rows have faults')}. Mend the file and choose it again: all rows or none.`
			);
		work.state = 'writing';
		work.done = 0;
		work.total = plan.made;
		const imported = await runImport(ctx, orderOf(work, plan, table), (done) => (work.done = done));
		work.state = 'done';
		work.batchId = imported.batchId;
		return { ok: true, value: imported };
	} catch (error) {
		if (work.state === 'writing') work.state = 'ready';
		return toFailure(error);
	}
}

const orderOf = ({ what, fileName, mapping }: Work, plan: Plan, table: Table) => ({
	what,
	fileName,
	mapping,
	header: table.head,
	rows: plan.rows.filter(({ fate }) => fate === 'new').map(({ n, values }) => ({ n, values }))
});
