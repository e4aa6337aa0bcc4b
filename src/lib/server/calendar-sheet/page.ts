/** The calendar as somebody asks for it: which days, whose, and what stands on them. */
import { may } from '#core/access/table.ts';
import { DAY_COUNTS, listDays, spanOfView, VIEWS, type View } from '#core/calendar/views.ts';
import { parseDate, type PlainDate } from '#core/dates/plain.ts';
import { findMatter } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { findCalendarChoice } from '#server/appointments/choices.ts';
import { listResources } from '#server/appointments/resources.ts';
import { all } from '#server/db/sql.ts';
import { listClosedDays } from '#server/docket/days.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { listAway, listDueDates, listDueTasks, type DueItem } from './due.ts';
import { listCalendarItems } from './items.ts';

const USUAL_BOOK = 'us-federal';
/** More calendars than these are not laid over one another. */
const MOST_PEOPLE = 60;

type Person = { id: string; name: string; initials: string; group: string };
export type CalendarPlace = { view: View; day: PlainDate; count: number; who: string };

/** The part of an address that says what is looked at; what it does not say is as chosen before. */
export function readPlace(app: Reader, me: Staff, params: URLSearchParams): CalendarPlace {
	const choice = findCalendarChoice(app, me);
	const count = Number(params.get('days'));
	return {
		view: VIEWS.find((one) => one === params.get('view')) ?? choice.view,
		day: parseDate(params.get('day') ?? '') ?? app.clock.today(),
		count: DAY_COUNTS.find((one) => one === count) ?? choice.days,
		who: (params.get('who') ?? '').slice(0, 2000)
	};
}

/** Everyone whose calendar may be looked at, by office. */
function listPeople(app: Reader, me: Staff): Person[] {
	const offices = new Map(
		all<{ id: string; office: string }>(app.db, 'SELECT id, office FROM staff').map(
			({ id, office }) => [id, office]
		)
	);
	return listColleagues(app)
		.filter(({ id }) => id === me.id || may(me.role, 'calendar.read'))
		.map(({ id, name, initials }) => ({ id, name, initials, group: offices.get(id) ?? '' }));
}

export type Team = { id: string; name: string; members: string[] };
const listTeamsOf = ({ db }: Reader): Team[] =>
	all<{ id: string; name: string; members: string }>(
		db,
		`SELECT t.id, t.name, json_group_array(m.staff_id) AS members
		FROM team t
		JOIN team_member m ON m.team_id = t.id
		GROUP BY t.id
		ORDER BY t.name`
	).map(({ members, ...team }) => ({ ...team, members: JSON.parse(members) as string[] }));

/** "stf_a,stf_b", "office:New York", "team:tea_1", "all"; oneself where nobody is named. */
function choosePeople(who: string, people: readonly Person[], teams: readonly Team[], me: Staff) {
	const [sort, ...rest] = who.split(':');
	const name = rest.join(':');
	const members = teams.find(({ id }) => id === name)?.members ?? [];
	const chosen = people.filter(({ id, group }) => {
		if (who === 'all') return true;
		if (sort === 'office') return group === name;
		return sort === 'team' ? members.includes(id) : who.split(',').includes(id);
	});
	const found = chosen.length ? chosen : people.filter(({ id }) => id === me.id);
	return found.slice(0, MOST_PEOPLE);
}

/** Days on which a court of what is shown does not sit: why, and whose where not everyone's. */
function listClosed(app: Reader, due: readonly DueItem[], from: PlainDate, to: PlainDate) {
	const books = [...new Set([USUAL_BOOK, ...due.map(({ book }) => book).filter(Boolean)])];
	const closed: Record<string, { name: string; everywhere: boolean }> = {};
	const lists = books.map((book) => listClosedDays(app, book, from, to));
	for (const list of lists)
		for (const [day, name] of Object.entries(list))
			closed[day] ??= { name, everywhere: lists.every((other) => other[day] !== undefined) };
	return closed;
}

export function loadCalendar(app: Reader, me: Staff, place: CalendarPlace, number: string) {
	const { view, day, count, who } = place;
	const span = spanOfView(view, day, count);
	const people = listPeople(app, me);
	const teams = listTeamsOf(app);
	const matter = number ? findMatter(app.db, me, { number }) : undefined;
	const chosen = choosePeople(view === 'team' && who === '' ? 'all' : who, people, teams, me);
	const resources = listResources(app).filter(({ active }) => active);
	const staff = chosen.map(({ id }) => id);
	const shown = matter ? { matterId: matter.id } : {};
	const due = [
		...listDueDates(app, me, {
			...{ ...span, staff, ...shown },
			whose: chosen.length > 1 ? 'held' : 'concerned'
		}),
		...listDueTasks(app, me, { ...span, staff, ...shown, whose: 'held' })
	];
	const items = listCalendarItems(app, me, {
		...{ ...span, staff, ...shown },
		resources: view === 'team' ? resources.map(({ id }) => id) : []
	});
	return {
		view,
		day,
		count,
		who,
		days: listDays(span),
		people,
		teams: teams.map(({ id, name }) => ({ id, name })),
		offices: [...new Set(people.map(({ group }) => group))].filter(Boolean).sort(),
		chosen,
		resources: resources.map(({ id, name, seats, sort }) => ({ id, name, seats, sort })),
		matter: matter ? { id: matter.id, number: matter.number, title: matter.title } : null,
		items,
		due,
		away: listAway(app, { ...span, staff }),
		closed: listClosed(app, due, span.from, span.to),
		choice: findCalendarChoice(app, me)
	};
}
