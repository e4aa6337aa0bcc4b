/**
 * A date that was met after its day: it is settled by a second person's word, and stays among the
 * missed.
 */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Forbidden, Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { all, exists } from '#server/db/sql.ts';
import { queueMail, type Recipient } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { requireDeadline } from './find.ts';
import { metLate } from './messages.ts';
import type { DeadlineRow } from './rows.ts';
import { updateDeadline } from './writing.ts';

/** Whether a date was met after its day. */
export const isLate = ({ state, date, closed_on: on, sort }: DeadlineRow): boolean =>
	state === 'met' && sort === 'deadline' && on !== null && on > date;

/**
 * Whoever may give the second word on a matter's late dates: the supervisor of its responsible
 * lawyer, and the docket clerks; of a restricted matter only those on it.
 */
const JUDGES = `SELECT s.id, s.name, s.email
	FROM staff s
	JOIN matter m ON m.id = @matterId
	WHERE s.active = 1
		AND s.id <> @recordedBy
		AND (
			s.role = 'docket-clerk'
			OR s.id = (SELECT supervisor_id FROM staff WHERE id = m.responsible_id)
		)
		AND (
			m.restricted = 0
			OR EXISTS (SELECT 1 FROM matter_team t WHERE t.matter_id = m.id AND t.staff_id = s.id)
		)`;

/** Asks them for their word. */
export function askForWord(ctx: Context, matter: MatterRow, deadline: DeadlineRow): void {
	const judges = all<Recipient>(ctx.db, JUDGES, {
		matterId: matter.id,
		recordedBy: deadline.closed_by
	});
	const message = metLate(matter, deadline);
	for (const to of judges) queueMail(ctx, { matterId: matter.id, to, message });
}

const mayJudge = (ctx: Context, me: Staff, { matter_id, closed_by }: DeadlineRow): boolean =>
	exists(ctx.db, `SELECT 1 FROM (${JUDGES}) WHERE id = @me`, {
		matterId: matter_id,
		recordedBy: closed_by,
		me: me.id
	});

/** The second person's word on a date that was met late. */
export const judgeLateDeadline = matterCommand({
	name: 'give word on late date',
	action: 'docket.check',
	input: z.object({ deadlineId: id('a date'), words: text('Your word', 500) }),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, input, record }) {
		if (!isLate(deadline)) throw new Refused('This date was not met late.');
		if (deadline.late_by !== null) throw new Refused('A second person has given their word.');
		if (deadline.closed_by === me.id)
			throw new Refused('You recorded it: the word is for someone else.');
		if (!mayJudge(ctx, me, deadline)) throw new Forbidden();
		updateDeadline(ctx, deadline, {
			late_by: me.id,
			late_at: ctx.clock.now(),
			late_word: input.words
		});
		record.audit({ deadline: deadline.id, words: input.words });
		record.log(
			'date',
			`Met late: ${deadline.title}, due ${formatDate(deadline.date)}. ${me.name}: ${input.words}`
		);
	}
});
