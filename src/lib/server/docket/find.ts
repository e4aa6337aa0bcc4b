/** What commands of the docket work on: found with its matter, or not there. */
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { maybeOne } from '#server/db/sql.ts';
import type { DocumentRow } from '#server/documents/rows.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { DeadlineRow, EventRow, WorkingMarkRow } from './rows.ts';

export function requireDeadline(
	ctx: Context,
	deadlineId: string
): { deadline: DeadlineRow; matter: MatterRow } {
	const deadline = maybeOne<DeadlineRow>(ctx.db, 'SELECT * FROM deadline WHERE id = @deadlineId', {
		deadlineId
	});
	if (!deadline) throw new NotFound('date');
	return { deadline, matter: matterOf(ctx, deadline.matter_id, 'date') };
}

export function requireEvent(
	ctx: Context,
	eventId: string
): { event: EventRow; matter: MatterRow } {
	const event = maybeOne<EventRow>(ctx.db, 'SELECT * FROM event WHERE id = @eventId', { eventId });
	if (!event) throw new NotFound('event');
	return { event, matter: matterOf(ctx, event.matter_id, 'event') };
}

/** Its matter; where that may not be seen, the thing itself is not there. */
function matterOf(ctx: Context, matterId: string, what: string): MatterRow {
	try {
		return requireMatter(ctx, matterId);
	} catch (error) {
		throw error instanceof NotFound ? new NotFound(what) : error;
	}
}

export type DocumentOnMatter = Pick<DocumentRow, 'id' | 'name' | 'number'>;
/**
 * A document of the matter, or nothing where none was chosen. @throws Refused where it is another
 * matter's
 */
export function requireDocumentOn(
	ctx: Context,
	matter: MatterRow,
	documentId: string | null,
	field: string
): DocumentOnMatter | null {
	if (documentId === null) return null;
	const document = maybeOne<DocumentOnMatter>(
		ctx.db,
		'SELECT id, name, number FROM document WHERE id = @documentId AND matter_id = @matterId',
		{ documentId, matterId: matter.id }
	);
	if (!document) throw new Refused('Choose a document of this matter.', field);
	return document;
}

/** Dates of one matter. @throws Refused where there are none, or of several matters */
export function requireDeadlines(
	ctx: Context,
	ids: readonly string[]
): { deadlines: DeadlineRow[]; matter: MatterRow } {
	const found = [...new Set(ids)].map((deadlineId) => requireDeadline(ctx, deadlineId));
	const [first] = found;
	if (!first) throw new Refused('Choose a date.');
	if (found.some(({ matter }) => matter.id !== first.matter.id))
		throw new Refused('These dates belong to different matters.');
	return { deadlines: found.map(({ deadline }) => deadline), matter: first.matter };
}

export function requireWorkingMark(ctx: Context, markId: string): WorkingMarkRow {
	const mark = maybeOne<WorkingMarkRow>(ctx.db, 'SELECT * FROM working_mark WHERE id = @markId', {
		markId
	});
	if (!mark) throw new NotFound('mark');
	return mark;
}
