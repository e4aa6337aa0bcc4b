/** Calendars of a house in memory, as the tests of appointments read and fill them. */
import { plainDate } from '#core/dates/plain.ts';
import { addAppointment } from '#server/appointments/commands.ts';
import { listCalendarItems, type CalendarItem } from '#server/calendar-sheet/items.ts';
import { good, type TestHouse } from './house.ts';

export const PLAN = { subject: 'Standing call', day: '2026-11-24', from: '10:00', to: '11:00' };

/** What somebody sees of a colleague's calendar until a day. */
const listShown = (house: TestHouse, login: string, whose: string, to: string): CalendarItem[] =>
	listCalendarItems(house, house.staff(login), {
		from: plainDate('2026-11-23'),
		to: plainDate(to),
		staff: [`stf_${whose}`]
	});

/** The calendars of a house, which is made anew for each test. */
export const calendarsOf = (house: () => TestHouse) => {
	const items = (login: string, whose = login, to = '2026-12-31') =>
		listShown(house(), login, whose, to);
	return {
		items,
		/** Each as "11-24 10-11 Standing call". */
		shown: (login: string, whose = login, to?: string): string[] =>
			items(login, whose, to).map(({ day, from, to: end, subject }) =>
				from === null
					? `${day.slice(5)} all day ${subject}`
					: `${day.slice(5)} ${from / 60}-${(end ?? 0) / 60} ${subject}`
			),
		add: (login: string, more: object = {}) =>
			good(addAppointment(house().as(login), { ...PLAN, ...more }))
	};
};
