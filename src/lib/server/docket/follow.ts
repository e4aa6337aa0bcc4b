/** A date that was left where it stood is let follow its event after all. */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import { Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { recount } from './counting.ts';
import { moveWarnings } from './early-warnings.ts';
import { requireDeadline, requireEvent } from './find.ts';
import { dateMoved } from './messages.ts';
import { rescheduleDeadline } from './writing.ts';

/** Puts it on the day its rule gives now, with its tasks; a second person checks it. */
export const followEvent = matterCommand({
	name: 'let date follow its event',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date') }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, deadline, matter, record, notify }) {
		if (deadline.left_by === null) throw new Refused('This date follows its event.');
		const { event } = requireEvent(ctx, deadline.event_id);
		// What was left with a hearing that has no day would follow that hearing's old one.
		const fresh = deadline.rule_gives ? recount(ctx, event, deadline.rule) : undefined;
		if (!fresh)
			throw new Refused('No rule sets this date any more. Correct the event, or vacate the date.');
		const { date, time, trace } = fresh;
		const also = [
			...rescheduleDeadline(ctx, deadline, { date, time, trace }),
			...moveWarnings(ctx, deadline, null)
		];
		const more = also.length ? ` Also: ${also.join('; ')}.` : '';
		const words = `${deadline.title} follows ${event.text} again: from ${formatDate(deadline.date)} to ${formatDate(date)}.${more}`;
		record.audit({ deadline: deadline.id, from: deadline.date, to: date });
		record.log('date', words);
		return { to: date, told: notify(dateMoved(matter, words)) };
	}
});
