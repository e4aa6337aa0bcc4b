/**
 * Files that are being imported: read and looked through by workers, so that one may leave and come
 * back. Only the latest few of each person are kept, until the server stops.
 */
import { actingStaff, type Context, type Staff } from '#server/app/application.ts';
import { Refused, toFailure, type Result } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { plural } from '#core/format/words.ts';
import { makeCsv } from '#server/files/workbook.ts';
import type { Field, What } from './fields.ts';
import type { Decisions, Plan } from './judge.ts';
import { findStored, takeFile, viewGiven, type GivenFiles } from './given.ts';
import { keptRows, listWanted, takeKept } from './index-files.ts';
import { cleanMapping, guessMapping, listFields, type Mapping } from './mapping.ts';
import { filePath } from '#core/documents/paths.ts';
import { mendRow } from './mend.ts';
import { findKept, findMapping } from './queries.ts';
import { runImport, type Imported, type ImportOrder } from './run.ts';
import type { Table } from './table.ts';
import { judgeTask, tableTask } from './tasks.ts';
import type { Decision } from './verdict.ts';

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
	/** Files given beside the rows, by path; or why one cannot be filed. */
	files: GivenFiles;
	/** By the number of a row, whether its name is that of the same person or of another. */
	decisions: Decisions;
	plan: Plan | null;
	batchId: string | null;
};

const KEPT = 5;
/** Rows of one index: the words of their files are held until all of them are filed. */
const DOCUMENTS = 2000;
const works = new Map<string, Work>();

/** Begins to look through a file; what becomes of it is asked for by the id. */
export function beginWork(
	ctx: Context,
	what: What,
	file: File,
	/** Of an import that is done anew: what was said of rows. */
	kept?: { decisions: Decisions }
): string {
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
		files: new Map(),
		decisions: kept?.decisions ?? {},
		plan: null,
		batchId: null
	};
	const mine = [...works.values()].filter(({ staffId }) => staffId === me.id);
	for (const { id } of mine.slice(0, Math.max(0, mine.length - KEPT + 1))) works.delete(id);
	works.set(work.id, work);
	void guarded(work, () => readFile(ctx, work, file, kept !== undefined));
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

async function readFile(ctx: Context, work: Work, file: File, isKept: boolean): Promise<void> {
	const data = new Uint8Array(await file.arrayBuffer());
	work.table = await ctx.work.run(tableTask, { data });
	const { head, rows } = work.table;
	if (work.what === 'documents' && rows.length > DOCUMENTS)
		throw new Refused(`At most ${DOCUMENTS} documents at once. Divide the index.`);
	work.mapping = guessMapping(fieldsOf(ctx, work), head, findMapping(ctx, work.what, head));
	if (isKept && work.what === 'documents') await takeKept(ctx, { ...work, table: work.table });
	await judge(ctx, work, work.table);
}

/** Takes in a file that a row names. */
export async function giveFile(
	ctx: Context,
	work: Work,
	path: string,
	file: File
): Promise<Result<undefined>> {
	try {
		if (!listWanted(work).includes(path)) throw new Refused('No row of the index names this file.');
		await takeFile(ctx, work.files, path, file);
		return { ok: true, value: undefined };
	} catch (error) {
		return toFailure(error);
	}
}

/** Looks through the rows once more, now that files were given. */
export const lookAgain = (ctx: Context, work: Work): void =>
	again(ctx, work, () => {
		// What is being looked through is done without them: it does not count any more.
		work.decisions = { ...work.decisions };
	});

async function judge(ctx: Context, work: Work, table: Table): Promise<void> {
	const { mapping, what, decisions } = work;
	const progress = new SharedArrayBuffer(4);
	work.state = 'judging';
	work.total = table.rows.length;
	work.done = 0;
	work.plan = null;
	const looking = setInterval(() => (work.done = Atomics.load(new Int32Array(progress), 0)), 200);
	try {
		const me = actingStaff(ctx).id;
		const today = ctx.clock.today();
		const files = what === 'documents' ? viewGiven(work.files) : undefined;
		const query = { me, today, files, what, table, mapping, decisions, progress };
		const plan = await ctx.work.run(judgeTask, query);
		// Something was chosen or mended meanwhile: that counts.
		if (work.mapping !== mapping || work.decisions !== decisions || work.table !== table) return;
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

export const fieldsOf = ({ db }: Pick<Context, 'db'>, { what }: Work): readonly Field[] =>
	listFields(db, what);

/** Puts a file away that is not being written. */
export function dropWork({ id, state }: Work): void {
	if (state !== 'writing') works.delete(id);
}

/** Looks through the rows once more, after something about them was changed. */
function again(ctx: Context, work: Work, change: (table: Table) => void): void {
	if (!work.table || work.state === 'writing' || work.state === 'done') return;
	change(work.table);
	const { table } = work;
	void guarded(work, () => judge(ctx, work, table));
}

/** Other columns for the fields: looked through anew. */
export const remap = (ctx: Context, work: Work, mapping: Mapping): void =>
	again(ctx, work, ({ head }) => {
		work.mapping = cleanMapping(fieldsOf(ctx, work), head, mapping);
	});

/** What somebody says of a row; null takes that back. */
export const decide = (ctx: Context, work: Work, n: number, decision: Decision | null): void =>
	again(ctx, work, () => {
		const { [n]: _, ...others } = work.decisions;
		work.decisions = decision ? { ...others, [n]: decision } : others;
	});

/** Values of one row put right in place; a field that had no column gets one. */
export const mend = (
	ctx: Context,
	work: Work,
	n: number,
	values: Readonly<Record<string, string>>
): void =>
	again(ctx, work, (table) => {
		Object.assign(work, mendRow(table, work.mapping, fieldsOf(ctx, work), n, values));
	});

/** The rows with a fault as a file, with all that is wrong in a column of its own. */
export function makeFaultsCsv({ plan, table }: Work): string {
	if (!plan || !table) throw new Refused('The rows are still being looked at.');
	const why = new Map(
		plan.rows.flatMap(({ n, fate, why: words }) => (fate === 'fault' ? [[n, words]] : []))
	);
	return makeCsv([
		['Row', 'What is wrong', ...table.head],
		...table.rows.flatMap(({ n, cells }) => {
			const words = why.get(n);
			return words === undefined ? [] : [[String(n), words, ...cells]];
		})
	]);
}

/** Looks through the rows of an import once more that was taken back. @throws Refused */
export function beginAgain(ctx: Context, batchId: string): string {
	const kept = findKept(ctx, batchId);
	if (!kept) throw new Refused('The rows of this import were not kept. Choose its file again.');
	const data = ctx.files.get(kept.sha256);
	const file = new File([new Uint8Array(data)], kept.fileName);
	return beginWork(ctx, kept.what, file, kept);
}

/** Imports what is new, if no row has a fault. */
export async function finishWork(ctx: Context, work: Work): Promise<Result<Imported>> {
	const { plan, table } = work;
	try {
		if (!plan || !table || work.state !== 'ready')
			throw new Refused('The rows are still being looked at.');
		if (plan.faults)
			throw new Refused(
				`${plural(plan.faults, 'row has a fault', 'rows have faults')}. Put them right here, or mend the file and choose it again: all rows or none.`
			);
		work.state = 'writing';
		work.done = 0;
		work.total = plan.made;
		const sha256 = ctx.files.put(Buffer.from(makeCsv(keptRows({ ...work, table }))));
		const order = { ...orderOf(work, plan, table), sha256 };
		const imported = await runImport(ctx, order, (done) => (work.done = done));
		work.state = 'done';
		work.batchId = imported.batchId;
		return { ok: true, value: imported };
	} catch (error) {
		if (work.state === 'writing') work.state = 'ready';
		return toFailure(error);
	}
}

const orderOf = (
	{ what, fileName, mapping, decisions, files }: Work,
	plan: Plan,
	table: Table
): Omit<ImportOrder, 'sha256'> => ({
	what,
	fileName,
	mapping,
	// The rows are kept one below the other: their numbers begin anew.
	decisions: Object.fromEntries(
		table.rows.flatMap(({ n }, at) => {
			const decision = decisions[n];
			return decision ? [[String(at + 2), decision]] : [];
		})
	),
	header: table.head,
	rows: plan.rows
		.filter(({ fate }) => fate === 'new')
		.map(({ n, values }) => ({
			n,
			values,
			...(what === 'documents' ? { file: findStored(files, filePath(values.file ?? '')) } : {})
		}))
});
