/** Something the server cannot do is tried at once, or settled by a person in another way. */
import { z } from 'zod';
import type { Context, Staff } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { maybeText, text } from '#server/app/fields.ts';
import { one, update } from '#server/db/sql.ts';
import { listFailures } from './queries.ts';
import type { JobFailureRow } from './rows.ts';

const which = { job: text('The job', 60), row: maybeText('The row', 200) };
type Which = { job: string; row: string };

/** The failure, where it concerns this person. */
function requireFailure(ctx: Context, me: Staff, { job, row }: Which): JobFailureRow {
	const found = listFailures(ctx, me).find((other) => other.job === job && other.row === row);
	if (!found) throw new NotFound('failure');
	return one(ctx.db, 'SELECT * FROM job_failure WHERE job = @job AND row_id = @row', { job, row });
}

const keyOf = ({ job, row_id }: JobFailureRow) => ({ job, row_id });

/** Has it tried with the next pass, in a moment. */
export const retryFailure = command({
	name: 'try failure again',
	action: 'matter.read',
	input: z.object(which),
	run({ ctx, me, input, record }) {
		const failure = requireFailure(ctx, me, input);
		update<JobFailureRow>(ctx.db, 'job_failure', keyOf(failure), { next_try: ctx.clock.now() });
		if (failure.matter_id) record.onMatter(failure.matter_id);
		record.audit({ job: failure.job, row: failure.row_id });
	}
});

/** It is not tried any more; how it was settled stands in the matter's logbook. */
export const settleFailure = command({
	name: 'settle failure',
	action: 'matter.read',
	input: z.object({ ...which, reason: text('How it was settled', 500) }),
	run({ ctx, me, input, record }) {
		const failure = requireFailure(ctx, me, input);
		if (!failure.matter_id && !failure.staff_id)
			throw new Refused('This concerns the whole house and goes on being tried.');
		update<JobFailureRow>(ctx.db, 'job_failure', keyOf(failure), {
			settled_at: ctx.clock.now(),
			settled_by: me.id,
			reason: input.reason
		});
		record.audit({ job: failure.job, row: failure.row_id, reason: input.reason });
		if (!failure.matter_id) return;
		record.onMatter(failure.matter_id);
		record.logOn(
			failure.matter_id,
			'matter',
			`${failure.what}: did not work (${failure.error}). Settled: ${input.reason}`,
			failure.path
		);
	}
});
