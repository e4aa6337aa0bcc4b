/** How each person looks at the calendar, and whom they let keep their own. */
import { z } from 'zod';
import { DAY_COUNTS, VIEWS, type View } from '#core/calendar/views.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { insert, maybeOne, remove, run } from '#server/db/sql.ts';
import { findColleague } from '#server/staff/queries.ts';
import { listKeepers } from './keepers.ts';
import type { CalendarChoiceRow, CalendarKeeperRow } from './rows.ts';

export type CalendarChoice = {
	view: View;
	days: number;
	firstHour: number;
	lastHour: number;
	step: number;
};
const USUAL: CalendarChoice = { view: 'week', days: 5, firstHour: 8, lastHour: 19, step: 30 };
const STEPS = [15, 30];

/** What somebody chose, or what holds until they do. */
export function findCalendarChoice({ db }: Pick<Reader, 'db'>, me: Staff): CalendarChoice {
	const row = maybeOne<CalendarChoiceRow>(
		db,
		'SELECT * FROM calendar_choice WHERE staff_id = @me',
		{ me: me.id }
	);
	if (!row) return USUAL;
	return {
		view: VIEWS.find((view) => view === row.view) ?? USUAL.view,
		days: row.days,
		firstHour: row.first_hour,
		lastHour: row.last_hour,
		step: row.step
	};
}

const hour = (what: string) =>
	z.coerce.number({ error: what }).int(what).min(0, what).max(24, what);

/** View, hours and step. */
export const chooseCalendar = command({
	name: 'choose calendar view',
	action: 'calendar.own',
	input: z.object({
		view: z.enum(VIEWS),
		days: z.coerce.number().refine((value) => DAY_COUNTS.some((count) => count === value), {
			error: 'Three, five, seven or fourteen days.'
		}),
		firstHour: hour('The first hour: 0 to 23.'),
		lastHour: hour('The last hour: 1 to 24.'),
		step: z.coerce.number().refine((value) => STEPS.includes(value), {
			error: 'Steps of 15 or 30 minutes.'
		})
	}),
	run({ ctx, me, input, record }) {
		const { view, days, firstHour, lastHour, step } = input;
		if (lastHour <= firstHour) throw new Refused('The last hour is after the first.', 'lastHour');
		run(ctx.db, 'DELETE FROM calendar_choice WHERE staff_id = @me', { me: me.id });
		insert<CalendarChoiceRow>(ctx.db, 'calendar_choice', {
			...{ staff_id: me.id, view, days, step },
			...{ first_hour: firstHour, last_hour: lastHour }
		});
		record.audit({ view, days, firstHour, lastHour, step });
	}
});

/** Lets a colleague keep one's calendar. */
export const letKeep = command({
	name: 'let keep calendar',
	action: 'calendar.own',
	input: z.object({ keeperId: id('a colleague') }),
	run({ ctx, me, input, record }) {
		const keeper = findColleague(ctx, input.keeperId);
		if (!keeper || keeper.id === me.id) throw new Refused('Choose a colleague.', 'keeperId');
		const key = { staff_id: me.id, keeper_id: keeper.id };
		const isKnown = listKeepers(ctx, me).some(({ id: known }) => known === keeper.id);
		if (!isKnown) insert<CalendarKeeperRow>(ctx.db, 'calendar_keeper', key);
		record.audit({ keeper: keeper.id });
	}
});

/** Not any more. */
export const endKeeping = command({
	name: 'end keeping of calendar',
	action: 'calendar.own',
	input: z.object({ keeperId: id('a colleague') }),
	run({ ctx, me, input, record }) {
		const key = { staff_id: me.id, keeper_id: input.keeperId };
		remove<CalendarKeeperRow>(ctx.db, 'calendar_keeper', key);
		record.audit({ keeper: input.keeperId });
	}
});
