/**
 * Reminders of dates: each rung of a date's ladder is told once to everyone it concerns, in the
 * application and by mail, also through a crash: the row that says it was told and the mail that
 * tells it are written in one transaction.
 */
import { addDays, daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { dayAt } from '#core/dates/zone.ts';
import { isLastRung, readLadder, rungAt } from '#core/reminders/ladder.ts';
import type { Application, Context } from '#server/app/application.ts';
import { all, exists, insertOrIgnore } from '#server/db/sql.ts';
import { listTold } from '#server/docket/date-people.ts';
import { FULL_TITLE } from '#server/docket/list.ts';
import { eachRow, type JobReport } from '#server/app/job.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { queueMail } from '#server/mail/queue.ts';
import { escalate } from './escalate.ts';
import { dateReminder, type RemindedDate } from './messages.ts';
import type { ReminderRow, ReminderToRow } from './rows.ts';

/** A docketed date with its ladder. */
export type LadderDate = RemindedDate & {
	matterId: string;
	responsibleId: string;
	restricted: 0 | 1;
	docketedAt: string;
	ladder: number[];
};
type Row = Omit<LadderDate, 'ladder' | 'left' | 'checked'> & {
	checked: 0 | 1;
	kind: string;
	own: string | null;
	matterLadder: string | null;
};

export const asReminders = (app: Application): Context => ({
	...app,
	actor: { guest: 'reminders' }
});

/**
 * Queues today's reminders that were not queued yet, and passes on those that nobody has seen. A
 * rung passed while the server was down is told when it is back, the nearest one only.
 */
export const sendReminders = (app: Application, held?: ReadonlySet<string>): Promise<JobReport> =>
	eachRow(
		listDates(app),
		({ id }) => id,
		(date) => remind(app, date) + escalate(app, date),
		held
	);

/** No ladder reaches further than this before and after a date. */
const [DAYS_BEFORE, DAYS_AFTER] = [365, 31];

/** Docketed dates near enough for a ladder to reach them, one day after another. */
function* listDates(app: Application): Generator<LadderDate> {
	const kinds = new Map(listKinds(app).map(({ id, ladder }) => [id, ladder]));
	const today = app.clock.today();
	for (let left = -DAYS_AFTER; left <= DAYS_BEFORE; left++)
		for (const { own, matterLadder, kind, ...row } of listDay(app, addDays(today, left))) {
			const ladder = readLadder(own) ?? readLadder(matterLadder) ?? kinds.get(kind) ?? [];
			if (ladder.length > 0) yield { ...row, checked: row.checked === 1, left, ladder };
		}
}

const listDay = (app: Application, day: PlainDate): Row[] =>
	all<Row>(
		app.db,
		`SELECT
			d.id, ${FULL_TITLE} AS title, d.date, coalesce(d.hand_time, d.time) AS time,
			d.matter_id AS matterId, m.number, m.title AS matterTitle, m.kind,
			d.checked_by IS NOT NULL AS checked, d.left_by IS NOT NULL AS isLeft,
			d.rule_gives AS ruleGives, d.docketed_at AS docketedAt, d.ladder AS own,
			m.ladder AS matterLadder, coalesce(d.assignee_id, m.responsible_id) AS responsibleId,
			m.restricted
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		WHERE d.state = 'docketed' AND d.date = @day AND m.status <> 'closed'`,
		{ day }
	);

function remind(app: Application, date: LadderDate): number {
	const rung = rungAt(date.ladder, date.left);
	if (rung === undefined) return 0;
	// A rung that lay behind already when the date was docketed is not told: docketing told everyone.
	const docketedOn = dayAt(date.docketedAt, app.clock.zone);
	if (daysBetween(docketedOn, date.date) <= rung || wasTold(app, date, rung)) return 0;
	return app.db.transaction(() => tellRung(app, date, rung)).immediate();
}

const wasTold = ({ db }: Application, { id, date }: LadderDate, rung: number): boolean =>
	exists(db, 'SELECT 1 FROM reminder WHERE deadline_id = @id AND date = @date AND rung = @rung', {
		id,
		date,
		rung
	});

function tellRung(app: Application, date: LadderDate, rung: number): number {
	const at = app.clock.now();
	const key = { deadline_id: date.id, date: date.date, rung };
	if (!insertOrIgnore<ReminderRow>(app.db, 'reminder', { ...key, at })) return 0;
	const last = isLastRung(date.ladder, rung);
	const message = dateReminder(date, last);
	let mails = 0;
	for (const to of listTold(app, date)) {
		insertOrIgnore<ReminderToRow>(app.db, 'reminder_to', { ...key, staff_id: to.id, at });
		// Nobody can mute the last rungs.
		if (!last && isMuted(app, to.id, date.matterId)) continue;
		queueMail(asReminders(app), { matterId: date.matterId, to, message });
		mails++;
	}
	return mails;
}

const isMuted = ({ db }: Application, staffId: string, matterId: string): boolean =>
	exists(db, 'SELECT 1 FROM mute WHERE staff_id = @staffId AND matter_id = @matterId', {
		staffId,
		matterId
	});
