/**
 * The department's working marks: words of its own on a date (waiting, pressing). They say how it
 * is worked on; no count and no reminder asks them.
 */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { exists, insert, scalar, update } from '#server/db/sql.ts';
import { requireWorkingMark } from './find.ts';
import type { WorkingMarkRow } from './rows.ts';

const MOST = 20;
const label = text('The mark', 30);

function refuseTaken(ctx: Context, wanted: string, but = ''): void {
	const taken = exists(
		ctx.db,
		`SELECT 1
		FROM working_mark
		WHERE lower(label) = lower(@wanted) AND retired = 0 AND id <> @but`,
		{ wanted, but }
	);
	if (taken) throw new Refused(`There is a mark “${wanted}” already.`, 'label');
}

export const addWorkingMark = command({
	name: 'add working mark',
	action: 'docket.closure',
	input: z.object({ label }),
	run({ ctx, input, record }) {
		refuseTaken(ctx, input.label);
		const count = scalar<number>(ctx.db, 'SELECT count(*) FROM working_mark WHERE retired = 0');
		if (count >= MOST) throw new Refused(`At most ${MOST} marks are offered.`, 'label');
		const position = scalar<number>(
			ctx.db,
			'SELECT coalesce(max(position), 0) + 1 FROM working_mark'
		);
		const markId = newId('mrk');
		const row = { id: markId, label: input.label, position, retired: 0 as const };
		insert<WorkingMarkRow>(ctx.db, 'working_mark', row);
		record.audit({ mark: markId, label: input.label });
		return { markId };
	}
});

/** Its new words stand on every date that has it. */
export const renameWorkingMark = command({
	name: 'rename working mark',
	action: 'docket.closure',
	input: z.object({ markId: id('a mark'), label }),
	run({ ctx, input, record }) {
		const mark = requireWorkingMark(ctx, input.markId);
		refuseTaken(ctx, input.label, mark.id);
		update<WorkingMarkRow>(ctx.db, 'working_mark', { id: mark.id }, { label: input.label });
		record.audit({ mark: mark.id, from: mark.label, to: input.label });
	}
});

/** Dates keep it, as a word that is not offered any more. */
export const retireWorkingMark = command({
	name: 'retire working mark',
	action: 'docket.closure',
	input: z.object({ markId: id('a mark') }),
	run({ ctx, input, record }) {
		const mark = requireWorkingMark(ctx, input.markId);
		if (mark.retired) throw new Refused(`“${mark.label}” is not offered any more as it is.`);
		update<WorkingMarkRow>(ctx.db, 'working_mark', { id: mark.id }, { retired: 1 });
		record.audit({ mark: mark.id, label: mark.label });
	}
});

/** Offers a mark again that was retired. */
export const offerWorkingMark = command({
	name: 'offer working mark',
	action: 'docket.closure',
	input: z.object({ markId: id('a mark') }),
	run({ ctx, input, record }) {
		const mark = requireWorkingMark(ctx, input.markId);
		refuseTaken(ctx, mark.label, mark.id);
		update<WorkingMarkRow>(ctx.db, 'working_mark', { id: mark.id }, { retired: 0 });
		record.audit({ mark: mark.id, label: mark.label });
	}
});
