/**
 * Imports, written down in pieces: begun, some rows at a time, ended. Who drives them is in run.ts.
 * Taking back goes the same way.
 */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import type { Recorder } from '#server/app/record.ts';
import { all, insert, maybeOne, remove, scalar, update } from '#server/db/sql.ts';
import { WHATS } from './fields.ts';
import type { StoredFile } from '#server/documents/store.ts';
import { findHanging } from './hanging.ts';
import type { Made, Place } from './made.ts';
import { removeMade } from './remove.ts';
import { linkParent, MAKERS } from './makers.ts';
import { DECISIONS } from './verdict.ts';
import { tellOfImport } from './tell.ts';
import type { ImportBatchRow, ImportMadeRow, ImportMappingRow } from './rows.ts';

/** Rows of one piece: some milliseconds of the server's loop. */
export const PIECE = 25;

/** The import. @throws NotFound, Refused where it is not where the caller thinks it is */
function requireBatch(
	ctx: Context,
	batchId: string,
	state: ImportBatchRow['state']
): ImportBatchRow {
	const batch = maybeOne<ImportBatchRow>(ctx.db, 'SELECT * FROM import_batch WHERE id = @batchId', {
		batchId
	});
	if (!batch) throw new NotFound('import');
	if (batch.state === state) return batch;
	if (batch.state === 'undone') throw new Refused('This import was taken back already.');
	throw new Refused('This import is being worked on. Wait until it is done.');
}

/** Begins an import and remembers which column was what. */
export const beginBatch = command({
	name: 'begin import',
	action: 'import.run',
	input: z.object({
		what: z.enum(WHATS, { error: 'Choose what to import.' }),
		fileName: z.string().max(300),
		header: z.array(z.string()),
		mapping: z.record(z.string(), z.string()),
		/** Its rows, kept so that it can be done anew. */
		sha256: z.string().length(64).nullish(),
		decisions: z.record(z.string(), z.enum(DECISIONS)).default({})
	}),
	run({ ctx, me, input, record }) {
		const { what, fileName, header, mapping, sha256, decisions } = input;
		const batchId = newId('imp');
		insert<ImportBatchRow>(ctx.db, 'import_batch', {
			id: batchId,
			what,
			file_name: fileName,
			rows: 0,
			made: 0,
			by: me.id,
			at: ctx.clock.now(),
			state: 'running',
			file_sha256: sha256 ?? null,
			decisions: JSON.stringify(decisions)
		});
		const key = { what, header: JSON.stringify(header) };
		remove<ImportMappingRow>(ctx.db, 'import_mapping', key);
		insert<ImportMappingRow>(ctx.db, 'import_mapping', {
			...key,
			mapping: JSON.stringify(mapping)
		});
		record.audit({ import: batchId, what, file: fileName });
		return { batchId };
	}
});

const rowSchema = z.object({
	n: z.number().int(),
	values: z.record(z.string(), z.string()),
	/** What was given beside it, taken in already. */
	file: z.custom<StoredFile>().optional()
});
const piece = {
	batchId: id('an import'),
	rows: z.array(rowSchema).min(1).max(PIECE)
};

/** Makes what some rows say. */
export const importRows = command({
	name: 'import rows',
	action: 'import.run',
	input: z.object(piece),
	run({ ctx, input: { batchId, rows }, record }) {
		const batch = requireBatch(ctx, batchId, 'running');
		const make = MAKERS[batch.what];
		const made = rows.flatMap(({ n, values, file }) =>
			withinRow(n, () => make(ctx, values, record, file))
		);
		noteMade(ctx, batch, made, rows.length);
		record.audit({ import: batchId, from: rows[0]?.n, rows: rows.length, made: made.length });
		return { made: made.length };
	}
});

/** Gives the imported cards their parents, when all of them are there. */
export const linkRows = command({
	name: 'link imported cards',
	action: 'import.run',
	input: z.object(piece),
	run({ ctx, input: { batchId, rows }, record }) {
		const batch = requireBatch(ctx, batchId, 'running');
		const made = rows.flatMap(({ n, values }) => withinRow(n, () => linkParent(ctx, values)));
		noteMade(ctx, batch, made, 0);
		record.audit({ import: batchId, from: rows[0]?.n, rows: rows.length, made: made.length });
		return { made: made.length };
	}
});

/** Says in which row something was refused. */
function withinRow(n: number, make: () => Made[]): Made[] {
	try {
		return make();
	} catch (error) {
		if (error instanceof Refused)
			throw new Refused(`Row ${n}: ${error.message} Nothing was imported.`);
		throw error;
	}
}

function noteMade(ctx: Context, batch: ImportBatchRow, made: readonly Made[], rows: number): void {
	for (const [index, { place, ref }] of made.entries())
		insert<ImportMadeRow>(ctx.db, 'import_made', {
			batch_id: batch.id,
			n: batch.made + index,
			place,
			ref
		});
	update<ImportBatchRow>(
		ctx.db,
		'import_batch',
		{ id: batch.id },
		{ made: batch.made + made.length, rows: batch.rows + rows }
	);
}

export const endBatch = command({
	name: 'end import',
	action: 'import.run',
	input: z.object({ batchId: id('an import') }),
	run({ ctx, input: { batchId }, record }) {
		const batch = requireBatch(ctx, batchId, 'running');
		const { rows, made } = batch;
		update<ImportBatchRow>(
			ctx.db,
			'import_batch',
			{ id: batchId },
			{ state: 'done', ended_at: ctx.clock.now() }
		);
		const told = tellOfImport(ctx, batch);
		record.audit({ import: batchId, rows, made, told });
		return { batchId, rows, made, cards: countCards(ctx, batch) };
	}
});

/** Cards that rows named and that were not there: parents, the other side, who is in a fact. */
const countCards = (ctx: Context, { id: batchId, what, rows }: ImportBatchRow): number =>
	scalar<number>(
		ctx.db,
		"SELECT count(*) FROM import_made WHERE batch_id = @batchId AND place = 'person'",
		{ batchId }
	) - (what === 'people' ? rows : 0);

/**
 * Begins to take an import back; also one that was cut off or failed. What hangs on it was asked
 * before.
 */
export const beginUndo = command({
	name: 'undo import',
	action: 'import.run',
	input: z.object({ batchId: id('an import'), unfinished: z.boolean().default(false) }),
	run({ ctx, input: { batchId, unfinished }, record }) {
		const { made } = requireBatch(ctx, batchId, unfinished ? 'running' : 'done');
		update<ImportBatchRow>(ctx.db, 'import_batch', { id: batchId }, { state: 'undoing' });
		record.audit({ import: batchId, made });
	}
});

/** What was made last goes first, and matters before the people on them. */
const ORDER = `CASE place
		WHEN 'matter' THEN 0
		WHEN 'cost_center' THEN 1
		WHEN 'business_unit' THEN 2
		ELSE 3
	END`;

/** Removes a piece of what an import made. On what something hangs by now, that stays. */
export const undoRows = command({
	name: 'take back rows',
	action: 'import.run',
	input: z.object({
		batchId: id('an import'),
		/** How many to pass over: those that stay. */
		kept: z.number().int().min(0)
	}),
	run({ ctx, input: { batchId, kept }, record }) {
		requireBatch(ctx, batchId, 'undoing');
		const made = all<ImportMadeRow & { place: Place }>(
			ctx.db,
			`SELECT *
			FROM import_made
			WHERE batch_id = @batchId
			ORDER BY ${ORDER}, n DESC
			LIMIT ${PIECE} OFFSET @kept`,
			{ batchId, kept }
		);
		const held = made.flatMap((item) => removeUnlessHeld(ctx, item, batchId, record) ?? []);
		const removed = made.length - held.length;
		record.audit({ import: batchId, removed, held });
		return { left: made.length, removed };
	}
});

/** @returns what holds it, where something does */
function removeUnlessHeld(
	ctx: Context,
	{ place, ref, n }: ImportMadeRow & { place: Place },
	batchId: string,
	record: Recorder
): string | null {
	const held = findHanging(ctx, { place, ref }, batchId);
	if (held) return held;
	removeMade(ctx, { place, ref }, record);
	remove<ImportMadeRow>(ctx.db, 'import_made', { batch_id: batchId, n });
	return null;
}

/** The import is taken back. Numbers it gave are not given again. */
export const endUndo = command({
	name: 'end undo of import',
	action: 'import.run',
	input: z.object({ batchId: id('an import') }),
	run({ ctx, input: { batchId }, record }) {
		requireBatch(ctx, batchId, 'undoing');
		const kept = scalar(ctx.db, 'SELECT count(*) FROM import_made WHERE batch_id = @batchId', {
			batchId
		});
		update<ImportBatchRow>(
			ctx.db,
			'import_batch',
			{ id: batchId },
			{ state: 'undone', undone_at: ctx.clock.now() }
		);
		record.audit({ import: batchId, kept });
		return { kept };
	}
});
