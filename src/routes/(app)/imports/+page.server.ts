/** Imports: a file to begin with, those under way, those that were made. */
import { z } from 'zod';
import { MEGABYTE } from '#server/files/media.ts';
import { actionValue, callable } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { WHATS } from '#server/imports/fields.ts';
import { listBatches } from '#server/imports/queries.ts';
import { undoImport } from '#server/imports/run.ts';
import { beginAgain, beginWork, listWorks } from '#server/imports/works.ts';
import { id } from '#server/app/fields.ts';

export function load(event) {
	const me = requireAction(event, 'import.run');
	return {
		whats: WHATS,
		batches: listBatches(event.locals.app),
		works: listWorks(me).map((work) => ({
			id: work.id,
			what: work.what,
			fileName: work.fileName,
			state: work.state,
			done: work.done,
			total: work.total,
			faults: work.plan?.faults ?? 0
		}))
	};
}

const FILE_MEGABYTES = 30;
const begin = callable({
	action: 'import.run',
	input: z.object({
		what: z.enum(WHATS, { error: 'Choose what to import.' }),
		file: z
			.file({ error: 'Choose a file.' })
			.max(FILE_MEGABYTES * MEGABYTE, `That is too large: at most ${FILE_MEGABYTES} MB.`)
	}),
	run: (ctx, { what, file }) => ({ work: beginWork(ctx, what, file) })
});
const undo = callable({
	action: 'import.run',
	input: z.object({ batchId: id('an import') }),
	run: (ctx, { batchId }) => undoImport(ctx, batchId)
});
const again = callable({
	action: 'import.run',
	input: z.object({ batchId: id('an import') }),
	run: (ctx, { batchId }) => ({ work: beginAgain(ctx, batchId) })
});

export const actions = {
	begin: actionValue(begin),
	undo: actionValue(undo),
	again: actionValue(again)
};
