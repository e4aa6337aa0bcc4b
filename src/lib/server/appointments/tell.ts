/**
 * Tells colleagues of what changed in their calendars: once, a moment after the last change, so
 * that what is taken back at once or moved three times is one message or none.
 */
import { contextFor, type Application } from '#server/app/application.ts';
import { eachRow, type JobReport } from '#server/app/job.ts';
import { all, remove, update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import { findStaff } from '#server/staff/queries.ts';
import { appointmentTold, type Told } from './messages.ts';
import type { AppointmentStaffRow } from './rows.ts';
import { findState, lastDayOf, listInstead, type AppointmentState } from './state.ts';

/** So long nothing of it has changed. */
export const QUIET_MS = 60_000;

type Untold = {
	key: string;
	appointment_id: string;
	staff_id: string;
	gone: 0 | 1;
	told: string | null;
	by: string;
};

/** Those of whom something may have to be told, of appointments that are at rest. */
const listUntold = (app: Application): Untold[] =>
	all(
		app.db,
		`SELECT
			s.appointment_id || ' ' || s.staff_id AS key,
			s.appointment_id, s.staff_id, s.gone, s.told, a.changed_by AS "by"
		FROM appointment a
		JOIN appointment_staff s ON s.appointment_id = a.id
		WHERE a.changed_at <= @rested
			AND (s.told IS NULL OR json_extract(s.told, '$.version') <> a.version OR s.gone = 1)
		ORDER BY a.changed_at
		LIMIT 500`,
		{ rested: new Date(Date.parse(app.clock.now()) - QUIET_MS).toISOString() }
	);

/** Whoever acted is told nothing; of what is over, nobody is. */
export const tellAppointments = (
	app: Application,
	held?: ReadonlySet<string>
): Promise<JobReport> =>
	eachRow(
		listUntold(app),
		({ key }) => key,
		(one) => tellOne(app, one),
		held
	);

const toldOf = (app: Application, state: AppointmentState, isGone: boolean): Told => {
	const moved = new Set(listInstead(app.db, state.id).map((one) => one.instead_of_day));
	return {
		// What is sent can be read in the Post room: of a private one no word.
		subject: state.private ? 'a private appointment' : state.subject,
		day: state.day,
		from_minute: state.from_minute,
		more_days: state.more_days,
		to_minute: state.to_minute,
		rule: state.rule,
		place: state.private ? '' : state.place,
		isOn: state.state === 'on' && !isGone,
		// A day that is another appointment instead is told of by that.
		out: state.except.filter((day) => !moved.has(day))
	};
};

/** What they would have been told of the series, for one of its days. */
function toldBefore(app: Application, state: AppointmentState, staffId: string): Told | null {
	const series = state.instead_of_id ? findState(app.db, state.instead_of_id) : undefined;
	if (!series || !state.instead_of_day || !series.staff.includes(staffId)) return null;
	return {
		...toldOf(app, series, false),
		day: state.instead_of_day,
		rule: '',
		out: [],
		isOn: true
	};
}

function tellOne(app: Application, { appointment_id, staff_id, gone, told, by }: Untold): number {
	const tell = app.db.transaction(() => {
		const state = findState(app.db, appointment_id);
		const actor = findStaff(app, by);
		const to = findStaff(app, staff_id);
		const key = { appointment_id, staff_id };
		if (!state) return 0;
		const now = toldOf(app, state, gone === 1);
		const before = told === null ? toldBefore(app, state, staff_id) : (JSON.parse(told) as Told);
		const isOver = (lastDayOf(state) ?? app.clock.today()) < app.clock.today();
		const message =
			to && actor && to.id !== actor.id && !isOver
				? appointmentTold(appointment_id, actor.name, before, now)
				: null;
		if (message && to && actor)
			queueMail(contextFor(app, actor), { matterId: state.matter_id, to, message });
		if (gone) remove<AppointmentStaffRow>(app.db, 'appointment_staff', key);
		else {
			const version = versionOf(app, appointment_id);
			const known = JSON.stringify({ ...now, version });
			update<AppointmentStaffRow>(app.db, 'appointment_staff', key, { told: known });
		}
		return message ? 1 : 0;
	});
	return tell.immediate();
}

const versionOf = (app: Application, id: string): number =>
	all<{ version: number }>(app.db, 'SELECT version FROM appointment WHERE id = @id', { id })[0]
		?.version ?? 0;
