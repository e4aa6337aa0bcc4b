/** One day of everybody, as rulers. */
import { parseDate, type PlainDate } from '#core/dates/plain.ts';
import { may } from '#core/access/table.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { listAway, listDueDates, type AwayItem, type DueItem } from './due.ts';
import { listCalendarItems, type CalendarItem } from './items.ts';

export type TeamDay = {
	day: PlainDate;
	people: { id: string; name: string }[];
	items: CalendarItem[];
	due: DueItem[];
	away: AwayItem[];
};

/** null where the day is none. */
export function loadTeamDay(app: Reader, me: Staff, text: string): TeamDay | null {
	const day = parseDate(text);
	if (!day) return null;
	const people = listColleagues(app).filter(
		({ id }) => id === me.id || may(me.role, 'calendar.read')
	);
	const staff = people.map(({ id }) => id);
	const span = { from: day, to: day, staff };
	return {
		day,
		people: people.map(({ id, name }) => ({ id, name })),
		items: listCalendarItems(app, me, span),
		due: listDueDates(app, me, { ...span, whose: 'held' }),
		away: listAway(app, span)
	};
}
