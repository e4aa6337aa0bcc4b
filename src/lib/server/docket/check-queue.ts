/**
 * The queue of the second check: by event, since one paper proves all of an event's dates. An event
 * is opened as one sheet, with each of its dates counted anew.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, maybeOne, one } from '#server/db/sql.ts';
import { factSql } from '#server/matters/sql.ts';
import { UNCHECKED } from './docket-filter.ts';
import { findCheckItem, type CheckItem } from './matter-docket.ts';

/** A docketed date that nobody has checked, in a matter that is open and may be seen. */
const WAITS = `${UNCHECKED}
	AND m.status <> 'closed'
	AND ${visible('m')}`;

/** What is checked on one sheet: an event, or a scheduling order with the events of its table. */
const SHEET = 'coalesce(e.schedule_id, e.id)';

export type CheckEvent = {
	id: string;
	event: string;
	date: PlainDate;
	matterNumber: string;
	matterTitle: string;
	court: string;
	/** Initials of the responsible lawyer. */
	responsible: string;
	/** The nearest of its dates that waits. */
	due: PlainDate;
	waiting: number;
	/** Those the viewer may check: docketed by somebody else, and not returned. */
	mine: number;
	returned: number;
};

/** Events with dates that wait, the nearest first, so many to a page. */
export function listCheckEvents(
	{ db }: Application,
	me: Staff,
	{ page, per }: { page: number; per: number }
): { events: CheckEvent[]; total: number; dates: number } {
	const params = { me: me.id };
	const { total, dates } = one<{ total: number; dates: number }>(
		db,
		`SELECT count(DISTINCT ${SHEET}) AS total, count(*) AS dates
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		WHERE ${WAITS}`,
		params
	);
	const events = all<CheckEvent>(
		db,
		`SELECT
			e.id, e.text || CASE WHEN e.name <> '' THEN ' (' || e.name || ')' ELSE '' END AS event,
			e.date, m.number AS matterNumber, m.title AS matterTitle,
			${factSql('m', 'court')} AS court, s.initials AS responsible,
			w.due, w.waiting, w.mine, w.returned
		FROM (
			SELECT
				${SHEET} AS event_id, min(d.date) AS due, count(*) AS waiting,
				sum(d.docketed_by <> @me AND d.returned_by IS NULL) AS mine,
				count(d.returned_by) AS returned
			FROM deadline d
			JOIN event e ON e.id = d.event_id
			JOIN matter m ON m.id = d.matter_id
			WHERE ${WAITS}
			GROUP BY 1
			ORDER BY min(d.date), 1
			LIMIT @per OFFSET @offset
		) w
		JOIN event e ON e.id = w.event_id
		JOIN matter m ON m.id = e.matter_id
		JOIN staff s ON s.id = m.responsible_id
		ORDER BY w.due, e.id`,
		{ ...params, per, offset: per * (page - 1) }
	);
	return { events, total, dates };
}

/** Every docketed date of an event or a scheduling order on one sheet, by its day. */
export type CheckSheet = { eventId: string; items: CheckItem[] };

/**
 * The sheet of an event, or of the event a date hangs on: its docketed dates, and the named date
 * whatever its state. Undefined where it is not there, or not for this person.
 */
export function findCheckSheet(
	app: Application,
	me: Staff,
	key: { eventId: string | null; deadlineId: string | null }
): CheckSheet | undefined {
	const eventId = key.eventId ?? findEventOf(app, me, key.deadlineId);
	if (!eventId) return undefined;
	const ids = all<{ id: string }>(
		app.db,
		`SELECT d.id
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		WHERE (e.id = @eventId OR e.schedule_id = @eventId)
			AND (d.state = 'docketed' OR d.id = @deadlineId)
		ORDER BY d.date, d.id`,
		{ eventId, deadlineId: key.deadlineId }
	);
	const items = ids.flatMap(({ id }) => findCheckItem(app, me, id) ?? []);
	return items.length ? { eventId, items } : undefined;
}

const findEventOf = (
	{ db }: Application,
	me: Staff,
	deadlineId: string | null
): string | undefined =>
	maybeOne<{ id: string }>(
		db,
		`SELECT ${SHEET} AS id
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		WHERE d.id = @deadlineId AND ${visible('m')}`,
		{ deadlineId, me: me.id }
	)?.id;
