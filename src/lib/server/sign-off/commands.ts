/** Somebody's word on their dates: seen and right, or what is not. Kept as it was given. */
import { z } from 'zod';
import { plural } from '#core/format/words.ts';
import { signOffWeek } from '#core/sign-off/week.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { day, flag, id, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { insert } from '#server/db/sql.ts';
import { giveBack } from '#server/docket/deadlines.ts';
import { requireDeadline } from '#server/docket/find.ts';
import { listOwnDates } from './queries.ts';
import type { SignOffDateRow, SignOffRow } from './rows.ts';

const signedDate = z.object({
	id: id('a date'),
	/** As it was shown. */
	date: day('The day'),
	/** It is not right, and what is not. */
	wrong: flag,
	words: maybeText('What is not right', 500)
});

export const signOff = command({
	name: 'sign off dates',
	action: 'docket.read',
	input: z.object({ dates: z.array(signedDate).max(2000).default([]) }),
	run({ ctx, me, input, record }) {
		const standing = listOwnDates(ctx, me);
		const shown = new Map(input.dates.map((date) => [date.id, date]));
		for (const { id: deadlineId, title, date } of standing) {
			const seen = shown.get(deadlineId);
			if (!seen) throw new Refused(`“${title}” has come meanwhile: look at it too.`);
			if (seen.wrong && seen.words === '')
				throw new Refused(`Say what is not right of “${title}”.`, 'dates');
			if (seen.date !== date) throw new Refused(`“${title}” has moved meanwhile: look again.`);
		}
		if (standing.length < shown.size)
			throw new Refused('A date is no longer yours, or no longer stands: look again.');
		const signOffId = newId('sgn');
		const { week, until } = signOffWeek(ctx.clock.today());
		insert<SignOffRow>(ctx.db, 'sign_off', {
			id: signOffId,
			staff_id: me.id,
			week,
			until,
			at: ctx.clock.now()
		});
		for (const { id: deadlineId, date, words, wrong } of shown.values()) {
			insert<SignOffDateRow>(ctx.db, 'sign_off_date', {
				sign_off_id: signOffId,
				deadline_id: deadlineId,
				date,
				words: wrong ? words : ''
			});
			if (!wrong) continue;
			const { deadline, matter } = requireDeadline(ctx, deadlineId);
			record.logOn(matter.id, 'date', giveBack(ctx, me, matter, deadline, words));
		}
		const not = [...shown.values()].filter(({ wrong }) => wrong);
		record.audit({ week, dates: shown.size, wrong: not.map((date) => date.id) });
		return { right: plural(shown.size - not.length, 'date'), wrong: not.length };
	}
});
