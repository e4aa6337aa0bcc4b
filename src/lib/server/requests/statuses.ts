/** Where requests stand, in words the department keeps and sets. */
import { z } from 'zod';
import { requireMatter } from '#server/access/visibility.ts';
import type { Application, Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeId, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { all, exists, insert, maybeOne, scalar, update } from '#server/db/sql.ts';
import { requestStands } from './messages.ts';
import type { RequestStatusRow } from './rows.ts';
import { addWords, requireLiveRequest, tellWriter, updateRequest } from './writing.ts';

type Has = Pick<Application, 'db'>;

export type RequestStatusView = Pick<RequestStatusRow, 'id' | 'label' | 'retired'> & {
	uses: number;
};
export const listRequestStatuses = ({ db }: Has): RequestStatusView[] =>
	all(
		db,
		`SELECT
			t.id, t.label, t.retired,
			(SELECT count(*) FROM request r WHERE r.status_id = t.id) AS uses
		FROM request_status t
		ORDER BY t.retired, t.position`
	);

/** Those that are offered. */
export const listOfferedStatuses = ({ db }: Has): { id: string; label: string }[] =>
	all(db, 'SELECT id, label FROM request_status WHERE retired = 0 ORDER BY position');

/** Adds one, gives one other words, or offers it no more. */
export const saveRequestStatus = command({
	name: 'save request status',
	action: 'staff.edit',
	input: z.object({ statusId: maybeId, label: text('The words', 60), retired: flag }),
	run({ ctx, input: { statusId, label, retired }, record }) {
		const before = statusId ? requireStatus(ctx, statusId) : undefined;
		const taken = exists(
			ctx.db,
			'SELECT 1 FROM request_status WHERE label = @label AND id IS NOT @statusId',
			{ label, statusId }
		);
		if (taken) throw new Refused('These words are there already.', 'label');
		const set = { label, retired: retired ? 1 : 0 } as const;
		const ref = before?.id ?? newId('rst');
		if (before) update<RequestStatusRow>(ctx.db, 'request_status', { id: ref }, set);
		else
			insert<RequestStatusRow>(ctx.db, 'request_status', {
				...{ id: ref, ...set },
				position: scalar(ctx.db, 'SELECT coalesce(max(position), 0) + 1 FROM request_status')
			});
		record.audit({ status: ref, before: before ?? null, after: set });
	}
});

function requireStatus(ctx: Context, statusId: string): RequestStatusRow {
	const row = maybeOne<RequestStatusRow>(
		ctx.db,
		'SELECT * FROM request_status WHERE id = @statusId',
		{ statusId }
	);
	if (!row) throw new NotFound('status');
	return row;
}

/** Says where a request stands; its writer is told. */
export const setRequestStatus = command({
	name: 'set request status',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), statusId: id('where it stands') }),
	run({ ctx, input, record }) {
		const request = requireLiveRequest(ctx, input.requestId);
		if (request.matter_id) requireMatter(ctx, request.matter_id);
		const { id: status_id, label, retired } = requireStatus(ctx, input.statusId);
		if (retired) throw new Refused('These words are not offered any more.', 'statusId');
		if (request.status_id === status_id) throw new Refused('It says so already.', 'statusId');
		updateRequest(ctx, request, { status_id });
		addWords(ctx, request.id, 'state', `${label}.`);
		tellWriter(ctx, request, requestStands(request, label));
		record.audit({ request: request.id, status: [request.status_id, status_id] });
	}
});
