/** Drives imports and their undoing piece by piece, so that nobody waits for them. */
import { contextFor, type Application, type Context } from '#server/app/application.ts';
import { Refused, valueOf } from '#server/app/errors.ts';
import { pause } from '#server/app/pause.ts';
import { all } from '#server/db/sql.ts';
import { findStaff } from '#server/staff/queries.ts';
import {
	beginBatch,
	beginUndo,
	endBatch,
	endUndo,
	importRows,
	linkRows,
	PIECE,
	undoRows
} from './commands.ts';
import type { StoredFile } from '#server/documents/store.ts';
import type { What } from './fields.ts';
import type { Decisions } from './judge.ts';
import type { Mapping, Values } from './mapping.ts';
import { findHanging } from './hanging.ts';
import type { Made } from './made.ts';
import type { ImportBatchRow } from './rows.ts';

export type ImportOrder = {
	what: What;
	fileName: string;
	header: string[];
	mapping: Mapping;
	/** Where its rows are kept, and what was said of some. */
	sha256?: string;
	decisions?: Decisions;
	rows: { n: number; values: Values; file?: StoredFile | undefined }[];
};
export type Imported = {
	batchId: string;
	rows: number;
	made: number;
	/** Cards that its rows named and that were not there. */
	cards: number;
};

/** Words of a document are many, and all of them go into the search. */
const DOCUMENT_PIECE = 3;

/** In pieces of some rows, with a pause after each. */
async function inPieces<Row>(
	rows: readonly Row[],
	each: (piece: Row[]) => void,
	size = PIECE
): Promise<void> {
	for (let from = 0; from < rows.length; from += size) {
		each(rows.slice(from, from + size));
		await pause();
	}
}

/**
 * Imports rows: all of them or none. What was made before a row was refused is taken back.
 * @param onProgress how many rows were made
 * @throws Refused
 */
export async function runImport(
	ctx: Context,
	{ rows, ...order }: ImportOrder,
	onProgress: (done: number) => void = () => undefined
): Promise<Imported> {
	if (rows.length === 0) throw new Refused('No row is new: there is nothing to import.');
	const { batchId } = valueOf(beginBatch(ctx, order));
	let done = 0;
	try {
		const each = (piece: ImportOrder['rows']) => {
			valueOf(importRows(ctx, { batchId, rows: piece }));
			onProgress((done += piece.length));
		};
		await inPieces(rows, each, order.what === 'documents' ? DOCUMENT_PIECE : PIECE);
		const children = order.what === 'people' ? rows.filter(({ values }) => values.parent) : [];
		await inPieces(children, (piece) => void valueOf(linkRows(ctx, { batchId, rows: piece })));
		return valueOf(endBatch(ctx, { batchId }));
	} catch (error) {
		valueOf(beginUndo(ctx, { batchId, unfinished: true }));
		await takeBack(ctx, batchId);
		throw error;
	}
}

export type Undone = {
	removed: number;
	/** What was put to use meanwhile and stays. */
	kept: number;
};

/** How many of the things that hold an import are named. */
const NAMED = 5;

/**
 * Takes a whole import back, or says what hangs on it.
 * @throws Refused
 */
export async function undoImport(ctx: Context, batchId: string): Promise<Undone> {
	const held: string[] = [];
	await inPieces(listMade(ctx, batchId), (piece) => {
		for (const made of piece) held.push(findHanging(ctx, made, batchId) ?? '');
	});
	const reasons = held.filter(Boolean);
	if (reasons.length) {
		const more = reasons.length > NAMED ? `; and ${reasons.length - NAMED} more` : '';
		const named = reasons.slice(0, NAMED).join('; ');
		throw new Refused(`Something hangs on this import: ${named}${more}. Nothing was taken back.`);
	}
	valueOf(beginUndo(ctx, { batchId }));
	return takeBack(ctx, batchId);
}

const listMade = ({ db }: Context, batchId: string): Made[] =>
	all(db, 'SELECT place, ref FROM import_made WHERE batch_id = @batchId ORDER BY n', { batchId });

/** Removes what is left of an import that is being undone. */
async function takeBack(ctx: Context, batchId: string): Promise<Undone> {
	let removed = 0;
	let kept = 0;
	for (;;) {
		const piece = valueOf(undoRows(ctx, { batchId, kept }));
		removed += piece.removed;
		kept += piece.left - piece.removed;
		if (piece.left < PIECE) break;
		await pause();
	}
	valueOf(endUndo(ctx, { batchId }));
	return { removed, kept };
}

/**
 * Takes back what a stop of the server left halfway, before anything else begins; how many imports.
 */
export async function resumeImports(app: Application): Promise<number> {
	const halfway = all<ImportBatchRow>(
		app.db,
		"SELECT * FROM import_batch WHERE state IN ('running', 'undoing')"
	);
	for (const { id, by, state } of halfway) {
		const staff = findStaff(app, by);
		if (!staff) continue;
		const ctx = contextFor(app, staff);
		if (state === 'running') valueOf(beginUndo(ctx, { batchId: id, unfinished: true }));
		await takeBack(ctx, id);
	}
	return halfway.length;
}
