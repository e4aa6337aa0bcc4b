/** The department's docket: as a list, a month, or a timeline. */
import { BATCH_ACTS, batchDeadlines, previewBatch } from '#server/docket/batch.ts';
import { readDocket } from '#server/docket/tasks.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';

export async function load(event) {
	const me = requireAction(event, 'docket.read');
	const shown = await readDocket(event.locals.app, me, event.url.search);
	return { ...shown, acts: BATCH_ACTS };
}

export const actions = {
	preview: action(previewBatch, { done: (rows) => ({ rows }) }),
	batch: actionValue(batchDeadlines)
};
