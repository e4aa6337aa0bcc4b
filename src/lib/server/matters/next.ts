/** What is next on a matter that was found: dates, hearings, tasks and facts, by their day. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import type { DeadlineRow } from '#server/docket/rows.ts';

type Has = Pick<Application, 'db'>;
export type NextEntry = {
	what: 'date' | 'task' | 'fact';
	id: string;
	title: string;
	/** Of what: the event of a date, who has a task. */
	about: string;
	date: PlainDate;
	time: string | null;
	/** Of a date. */
	sort: DeadlineRow['sort'];
	checked: boolean;
	isLeft: boolean;
};

const SHOWN = 7;
type DateRow = Pick<NextEntry, 'id' | 'title' | 'about' | 'date' | 'time' | 'sort'> & {
	checked: 0 | 1;
	isLeft: 0 | 1;
};

const listDates = ({ db }: Has, matterId: string): NextEntry[] =>
	all<DateRow>(
		db,
		`SELECT
			d.id, d.title, d.date, coalesce(d.hand_time, d.time) AS time, d.sort,
			CASE WHEN d.sort = 'deadline' AND d.book <> '' THEN e.text ELSE '' END AS about,
			d.checked_by IS NOT NULL AS checked, d.left_by IS NOT NULL AS isLeft
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		WHERE d.matter_id = @matterId AND d.state = 'docketed'
		ORDER BY d.date, time, d.id
		LIMIT ${SHOWN}`,
		{ matterId }
	).map(({ checked, isLeft, ...date }) => ({
		...{ what: 'date', checked: checked === 1, isLeft: isLeft === 1 },
		...date
	}));

const listTasks = ({ db }: Has, matterId: string): NextEntry[] =>
	all<Pick<NextEntry, 'id' | 'title' | 'about' | 'date'>>(
		db,
		`SELECT t.id, t.subject AS title, s.name AS about, t.due AS date
		FROM task t
		JOIN staff s ON s.id = t.assignee_id
		WHERE t.matter_id = @matterId AND t.state = 'open' AND t.due IS NOT NULL
		ORDER BY t.due, t.id
		LIMIT ${SHOWN}`,
		{ matterId }
	).map((task) => ({
		...{ what: 'task', time: null, sort: 'deadline', checked: false, isLeft: false },
		...task
	}));

type FactDate = { key: string; name: string; value: string };
/** Dates among the facts that lie ahead: the end of a term, an option, a limitation. */
const listFacts = (facts: readonly FactDate[], today: PlainDate): NextEntry[] =>
	facts
		.filter(({ value }) => value >= today)
		.map(({ key, name, value }) => ({
			...{ what: 'fact', id: key, title: name, about: '', date: value as PlainDate },
			...{ time: null, sort: 'deadline', checked: false, isLeft: false }
		}));

/** In the order of their days; what is late comes first, and of one day the time decides. */
export function listNext(
	app: Pick<Application, 'db' | 'clock'>,
	matterId: string,
	facts: readonly FactDate[]
): NextEntry[] {
	const key = ({ date, time, what }: NextEntry) => `${date} ${time ?? '99'} ${what}`;
	return [
		...listDates(app, matterId),
		...listTasks(app, matterId),
		...listFacts(facts, app.clock.today())
	]
		.sort((one, other) => (key(one) < key(other) ? -1 : 1))
		.slice(0, SHOWN);
}
