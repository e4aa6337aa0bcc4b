/**
 * Appointments sent to those outside who are at them, as invitations (RFC 5546): a REQUEST, each
 * change the same UID with a higher SEQUENCE, a CANCEL where it falls away. Sent when it is at
 * rest, as colleagues are told. Of a private one nothing is sent: what is sent others can read.
 */
import type { Application, Staff } from '#server/app/application.ts';
import { contextFor } from '#server/app/application.ts';
import { eachRow, type JobReport } from '#server/app/job.ts';
import { makeCalendar } from '#server/calendar/write.ts';
import { all, insert, maybeOne, remove } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import { findStaff } from '#server/staff/queries.ts';
import { appointmentItem } from './calendar-items.ts';
import { appointmentInvitation } from './messages.ts';
import type { AppointmentInvitationRow, AppointmentRow } from './rows.ts';
import { findState, lastDayOf, type AppointmentState } from './state.ts';
import { QUIET_MS } from './tell.ts';

type Due = { key: string; id: string; email: string; name: string; isGuest: 0 | 1 };

/** Those who are at one that is at rest, and those who were sent one before. */
const listDue = (app: Application): Due[] =>
	all(
		app.db,
		`SELECT a.id || ' ' || w.email AS key, a.id, w.email, w.name, max(w.isGuest) AS isGuest
		FROM appointment a
		JOIN (
			SELECT appointment_id, lower(email) AS email, name, 1 AS isGuest
			FROM appointment_guest
			WHERE email <> ''
			UNION ALL
			SELECT appointment_id, email, name, 0 FROM appointment_invitation
		) w ON w.appointment_id = a.id
		LEFT JOIN appointment_invitation i ON i.appointment_id = a.id AND i.email = w.email
		WHERE a.changed_at <= @rested
			AND (i.told IS NULL OR json_extract(i.told, '$.version') <> a.version)
		GROUP BY a.id, w.email
		ORDER BY a.changed_at
		LIMIT 500`,
		{ rested: new Date(Date.parse(app.clock.now()) - QUIET_MS).toISOString() }
	);

export const inviteGuests = (app: Application, held?: ReadonlySet<string>): Promise<JobReport> =>
	eachRow(
		listDue(app),
		({ key }) => key,
		(due) => (inviteOne(app, due) ? 1 : 0),
		held
	);

/** What they learn of it, without the number of the change. */
const factsOf = (state: AppointmentState): string =>
	JSON.stringify([
		...[state.subject, state.day, state.from_minute, state.more_days, state.to_minute],
		...[state.rule, state.place, state.link, state.except]
	]);

function inviteOne(app: Application, { id, email, name, isGuest }: Due): boolean {
	const send = app.db.transaction(() => {
		const state = findState(app.db, id);
		const row = maybeOne<AppointmentRow>(app.db, 'SELECT * FROM appointment WHERE id = @id', {
			id
		});
		const key = { appointment_id: id, email };
		const before = maybeOne<AppointmentInvitationRow>(
			app.db,
			'SELECT * FROM appointment_invitation WHERE appointment_id = @id AND email = @email',
			{ id, email }
		);
		const from = row && findStaff(app, row.changed_by);
		if (!state || !row || !from) return false;
		const isOn = state.state === 'on' && isGuest === 1 && state.private === 0;
		const facts = factsOf(state);
		const told = before ? (JSON.parse(before.told) as { facts: string }).facts : null;
		const isNews = isOn ? told !== facts : told !== null;
		const isSent = isNews && !isOver(app, state);
		if (isSent) sendOne(app, { row, state, isOn }, { name, email }, from);
		keepTold(app, { ...key, name }, isOn ? JSON.stringify({ facts, version: row.version }) : null);
		return isSent;
	});
	return send.immediate();
}

const isOver = (app: Application, state: AppointmentState): boolean => {
	const last = lastDayOf(state);
	return last !== null && last < app.clock.today();
};

/** Keeps what somebody knows of it; null: nothing any more. */
function keepTold(
	{ db }: Application,
	to: Omit<AppointmentInvitationRow, 'told'>,
	told: string | null
): void {
	const { name, ...key } = to;
	remove<AppointmentInvitationRow>(db, 'appointment_invitation', key);
	if (told !== null)
		insert<AppointmentInvitationRow>(db, 'appointment_invitation', { ...key, name, told });
}

/** They learn what it is about, when and where: no notes, no matter, no address of ours. */
function sendOne(
	app: Application,
	{ row, state, isOn }: { row: AppointmentRow; state: AppointmentState; isOn: boolean },
	to: { name: string; email: string },
	from: Staff
): void {
	const item = {
		...appointmentItem('', { ...row, except: state.except }, null),
		...{ description: '', url: state.link, cancelled: !isOn, isPrivate: false }
	};
	const ics = makeCalendar([item], {
		name: '',
		method: isOn ? 'REQUEST' : 'CANCEL',
		now: app.clock.now(),
		attendee: to,
		organizer: from
	});
	queueMail(contextFor(app, from), {
		matterId: state.matter_id,
		to: { name: to.name.replace(/[<>"\r\n]/g, ''), email: to.email },
		message: appointmentInvitation(state, { isOn, from: from.name }),
		attachment: {
			sha256: app.files.put(Buffer.from(ics)),
			name: isOn ? 'appointment.ics' : 'cancelled.ics'
		}
	});
}
