/**
 * A last rung that was told on a day before today and that nobody has seen goes to the supervisor
 * of who is responsible, once for each date.
 */
import { dayAt } from '#core/dates/zone.ts';
import { formatDate } from '#core/format/dates.ts';
import { isLastRung } from '#core/reminders/ladder.ts';
import { listTeam } from '#server/access/team.ts';
import type { Application, Context } from '#server/app/application.ts';
import { writeLog } from '#server/app/record.ts';
import { all, insertOrIgnore } from '#server/db/sql.ts';
import { queueMail, type Recipient } from '#server/mail/queue.ts';
import { nobodyHasSeen } from './messages.ts';
import type { EscalationRow } from './rows.ts';
import type { LadderDate } from './send.ts';

/** Passes a date on where it must be; how many mails. */
export function escalate(app: Application, date: LadderDate): number {
	// Before its last rungs nothing can have been passed over.
	const lastRungs = date.ladder.filter((rung) => isLastRung(date.ladder, rung));
	if (date.left > Math.max(...lastRungs) || !wasPassedOver(app, date)) return 0;
	return app.db.transaction(() => passOn(app, date)).immediate();
}

function wasPassedOver(app: Application, date: LadderDate): boolean {
	const told = all<{ rung: number; at: string; seen: number }>(
		app.db,
		`SELECT rung, min(at) AS at, count(seen_at) AS seen
		FROM reminder_to
		WHERE deadline_id = @id AND date = @date
		GROUP BY rung`,
		{ id: date.id, date: date.date }
	).filter(({ rung }) => isLastRung(date.ladder, rung));
	const today = app.clock.today();
	return (
		told.some(({ at }) => dayAt(at, app.clock.zone) < today) && told.every(({ seen }) => seen === 0)
	);
}

function passOn(app: Application, date: LadderDate): number {
	const ctx: Context = { ...app, actor: { guest: 'reminders' } };
	const message = nobodyHasSeen(date);
	const told = listSupervisors(app, date).filter((to) =>
		insertOrIgnore<EscalationRow>(app.db, 'escalation', {
			deadline_id: date.id,
			date: date.date,
			staff_id: to.id,
			at: app.clock.now()
		})
	);
	for (const to of told) queueMail(ctx, { matterId: date.matterId, to, message });
	if (told.length)
		writeLog(
			ctx,
			date.matterId,
			'date',
			`Nobody has seen the reminders of ${date.title}, ${formatDate(date.date)}: passed on to the supervisor.`
		);
	return told.length;
}

type Person = Recipient & { id: string };
/**
 * Whom it is passed on to: the supervisor, or the docket clerks; of a restricted matter only those
 * who are on it.
 */
function listSupervisors(app: Application, date: LadderDate): Person[] {
	const [supervisor] = all<Person>(
		app.db,
		`SELECT id, name, email
		FROM staff
		WHERE active = 1 AND id = (SELECT supervisor_id FROM staff WHERE id = @responsibleId)`,
		date
	);
	const whom = supervisor ? [supervisor] : listDocketClerks(app);
	if (!date.restricted) return whom;
	const team = listTeam(app.db, date.matterId);
	const inside = whom.filter(({ id }) => team.some((member) => member.id === id));
	return inside.length ? inside : team;
}

const listDocketClerks = ({ db }: Application): Person[] =>
	all(db, "SELECT id, name, email FROM staff WHERE active = 1 AND role = 'docket-clerk'");
