/** Dates get one of the department's working marks, or lose it. */
import { z } from 'zod';
import { plural } from '#core/format/words.ts';
import { Refused } from '#server/app/errors.ts';
import { maybeId } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { requireDeadlines, requireWorkingMark } from './find.ts';
import { updateDeadline } from './writing.ts';

/** Puts a mark on dates of one matter, in the place of any they had; an empty one takes it off. */
export const markDeadlines = matterCommand({
	name: 'mark deadlines',
	action: 'docket.change',
	input: z.object({ deadlineIds: z.array(z.string()).max(500).default([]), markId: maybeId }),
	find: (ctx, { deadlineIds }) => requireDeadlines(ctx, deadlineIds),
	run({ ctx, deadlines, input, record }) {
		const mark = input.markId === null ? null : requireWorkingMark(ctx, input.markId);
		if (mark?.retired) throw new Refused(`“${mark.label}” is not offered any more.`, 'markId');
		const changed = deadlines.filter((deadline) => deadline.working_mark_id !== (mark?.id ?? null));
		for (const deadline of changed)
			updateDeadline(ctx, deadline, { working_mark_id: mark?.id ?? null });
		record.audit({
			deadlines: changed.map((deadline) => ({
				deadline: deadline.id,
				from: deadline.working_mark_id
			})),
			to: mark?.id ?? null
		});
		const [first] = changed;
		if (!first) return { marked: 0 };
		const what = changed.length === 1 ? first.title : plural(changed.length, 'date');
		record.log('date', mark ? `${what}: marked “${mark.label}”.` : `${what}: mark taken off.`);
		return { marked: changed.length };
	}
});
