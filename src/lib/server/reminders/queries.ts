/** Reminders that one has not said one saw. */
import type { PlainDate } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';

export type ReminderView = {
	deadlineId: string;
	date: PlainDate;
	rung: number;
	title: string;
	matterNumber: string;
	matterTitle: string;
	/** One of the last rungs. */
	last: boolean;
	/** Initials of those who have seen it. */
	others: string;
};
const SHOWN = 60;

/** The nearest rung of each date that is still docketed. */
export const listMyReminders = ({ db }: Reader, me: Staff): ReminderView[] =>
	all<Omit<ReminderView, 'last'> & { last: 0 | 1 }>(
		db,
		`SELECT
			r.deadline_id AS deadlineId, r.date, min(r.rung) AS rung, d.title,
			m.number AS matterNumber, m.title AS matterTitle, min(r.rung) <= 1 AS last,
			coalesce(
				(
					SELECT group_concat(s.initials, ', ')
					FROM reminder_to o
					JOIN staff s ON s.id = o.staff_id
					WHERE o.deadline_id = r.deadline_id
						AND o.date = r.date
						AND o.rung = (
							SELECT min(rung)
							FROM reminder_to x
							WHERE x.deadline_id = r.deadline_id AND x.date = r.date
						)
						AND o.seen_at IS NOT NULL
				),
				''
			) AS others
		FROM reminder_to r
		JOIN deadline d ON d.id = r.deadline_id AND d.date = r.date AND d.state = 'docketed'
		JOIN matter m ON m.id = d.matter_id
		WHERE r.staff_id = @me
			AND r.seen_at IS NULL
			AND m.status <> 'closed'
			AND ${visible('m')}
			AND (
				d.date <= date(today(), '+1 day')
				OR NOT EXISTS (SELECT 1 FROM mute u WHERE u.staff_id = @me AND u.matter_id = m.id)
			)
		GROUP BY r.deadline_id, r.date
		ORDER BY r.date, r.deadline_id
		LIMIT ${SHOWN}`,
		{ me: me.id }
	).map((row) => ({ ...row, last: row.last === 1 }));
