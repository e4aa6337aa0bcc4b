/** Proposals that are decided against: set aside with a reason, one or many of a matter. */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import { Refused } from '#server/app/errors.ts';
import { text } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { requireDeadlines } from './find.ts';
import { vacate } from './writing.ts';

export const setAsideDeadlines = matterCommand({
	name: 'set proposals aside',
	action: 'docket.enter',
	input: z.object({
		deadlineIds: z.array(z.string()).max(500).default([]),
		reason: text('The reason', 500)
	}),
	find: (ctx, { deadlineIds }) => requireDeadlines(ctx, deadlineIds),
	run({ ctx, deadlines, input, record }) {
		for (const deadline of deadlines) {
			if (deadline.state !== 'proposed')
				throw new Refused(`“${deadline.title}” is no proposal any more.`);
			vacate(ctx, deadline, input.reason, { set_aside: 1 });
		}
		record.audit({
			deadlines: deadlines.map(({ id, date }) => ({ id, date })),
			reason: input.reason
		});
		const list = deadlines.map(({ title, date }) => `${title} ${formatDate(date)}`);
		record.log('date', `Set aside: ${list.join('; ')}. ${input.reason}`);
		return { aside: deadlines.length };
	}
});
