/**
 * What there is to say against a date: past, near, a closed day, a hearing on the same day, someone
 * away.
 */
import { daysBetween, toDay, type PlainDate } from '#core/dates/plain.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { calendarFor } from './counting.ts';

/**
 * The warnings of a date on a matter, in words that go on after the date.
 * @param date.hearing whether others' hearings of the same lawyer count; `eventId` is the hearing
 * itself
 */
export function listWarnings(
	app: Application,
	matterId: string,
	date: { day: PlainDate; book: Rulebook; hearing?: boolean; eventId?: string }
): string[] {
	return [
		...nearness(app, date.day),
		...closedDay(app, date.book, date.day),
		...listAway(app, matterId, date.day).map((name) => `${name} is away`),
		...(date.hearing ? listOtherHearings(app, matterId, date.day, date.eventId ?? '') : [])
	];
}

function nearness(app: Application, day: PlainDate): string[] {
	const today = app.clock.today();
	if (day < today) return ['lies in the past'];
	return daysBetween(today, day) < 7 ? ['less than seven days off'] : [];
}

function closedDay(app: Application, book: Rulebook, day: PlainDate): string[] {
	const closed = calendarFor(app, book).closed(toDay(day), 1);
	if (!closed) return [];
	return closed.kind === 'office'
		? [`falls on a closure: ${closed.name}`]
		: [`falls on a day the court does not sit: ${closed.name}`];
}

const listAway = (app: Application, matterId: string, day: PlainDate): string[] =>
	all<{ name: string }>(
		app.db,
		`SELECT DISTINCT s.name
		FROM leave l
		JOIN staff s ON s.id = l.staff_id
		JOIN matter_team t ON t.staff_id = s.id AND t.matter_id = @matterId
		WHERE @day BETWEEN l.from_day AND l.to_day
		ORDER BY s.name`,
		{ matterId, day }
	).map((colleague) => colleague.name);

const listOtherHearings = (
	app: Application,
	matterId: string,
	day: PlainDate,
	eventId: string
): string[] =>
	all<{ text: string; title: string }>(
		app.db,
		`SELECT d.title AS text, x.title
		FROM deadline d
		JOIN matter x ON x.id = d.matter_id
		JOIN matter here ON here.id = @matterId
		WHERE d.sort <> 'deadline'
			AND d.state = 'docketed'
			AND d.date = @day
			AND d.event_id <> @eventId
			AND x.status <> 'closed'
			AND (x.id = here.id OR x.responsible_id = here.responsible_id)
			AND (x.restricted = 0 OR x.id = here.id)`,
		{ matterId, day, eventId }
	).map((hearing) => `another hearing that day: ${hearing.text}, ${hearing.title}`);
