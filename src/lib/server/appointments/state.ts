/**
 * An appointment as a whole: its row with the colleagues, guests and resources it needs and the
 * days it leaves out. Changes are made of these, kept as these, and taken back by these.
 */
import { parseRule } from '#core/calendar/rrule.ts';
import { findLastDay } from '#core/calendar/move-series.ts';
import type { Series } from '#core/calendar/occurrences.ts';
import { addDays, plainDate, type PlainDate } from '#core/dates/plain.ts';
import type { Context } from '#server/app/application.ts';
import { newId } from '#server/app/ids.ts';
import type { Db } from '#server/db/open.ts';
import { all, insert, maybeOne, remove, run, update } from '#server/db/sql.ts';
import type {
	AppointmentExceptionRow,
	AppointmentGuestRow,
	AppointmentResourceRow,
	AppointmentRow,
	AppointmentStaffRow
} from './rows.ts';

export type Guest = Pick<AppointmentGuestRow, 'person_id' | 'name' | 'email'>;
export type AppointmentState = Omit<
	AppointmentRow,
	'last_day' | 'created_at' | 'changed_by' | 'changed_at' | 'version'
> & {
	staff: string[];
	guests: Guest[];
	resources: string[];
	/** Days on which the series is not, or is another appointment instead. */
	except: PlainDate[];
};

const readRow = (db: Db, id: string): AppointmentRow | undefined =>
	maybeOne<AppointmentRow>(db, 'SELECT * FROM appointment WHERE id = @id', { id });

/** One that may be there. */
export function findState(db: Db, id: string): AppointmentState | undefined {
	const row = readRow(db, id);
	return row && withParts(db, row);
}

/** Those that are instead of days of a series. */
export const listInstead = (db: Db, id: string): AppointmentState[] =>
	all<AppointmentRow>(db, 'SELECT * FROM appointment WHERE instead_of_id = @id ORDER BY id', {
		id
	}).map((row) => withParts(db, row));

function withParts(db: Db, row: AppointmentRow): AppointmentState {
	const { last_day: _last, created_at: _at, changed_by: _by, changed_at: _when, ...rest } = row;
	const { version: _version, ...kept } = rest;
	const own = { id: row.id };
	const staff = all<{ id: string }>(
		db,
		`SELECT staff_id AS id
		FROM appointment_staff
		WHERE appointment_id = @id AND gone = 0
		ORDER BY staff_id`,
		own
	);
	const resources = all<{ id: string }>(
		db,
		`SELECT resource_id AS id
		FROM appointment_resource
		WHERE appointment_id = @id
		ORDER BY resource_id`,
		own
	);
	const guests = all<Guest>(
		db,
		`SELECT person_id, name, email
		FROM appointment_guest
		WHERE appointment_id = @id
		ORDER BY id`,
		own
	);
	const except = all<{ day: PlainDate }>(
		db,
		'SELECT day FROM appointment_exception WHERE appointment_id = @id ORDER BY day',
		own
	);
	return {
		...kept,
		staff: staff.map(({ id }) => id),
		resources: resources.map(({ id }) => id),
		guests,
		except: except.map(({ day }) => day)
	};
}

/** The last day it touches by the clock of its zone; null where it never ends. */
export function lastDayOf({ day, rule, more_days }: AppointmentState): PlainDate | null {
	const parsed = rule ? parseRule(rule) : null;
	const last = parsed && 'rule' in parsed ? findLastDay(parsed.rule, day) : day;
	return last === null ? null : addDays(last, more_days);
}

/** As the core expands it. */
export function seriesOf(
	one: Pick<
		AppointmentState,
		'id' | 'day' | 'from_minute' | 'more_days' | 'to_minute' | 'zone' | 'rule'
	> & { except: readonly PlainDate[] }
): Series {
	const parsed = one.rule ? parseRule(one.rule) : null;
	return {
		id: one.id,
		day: plainDate(one.day),
		from: one.from_minute,
		moreDays: one.more_days,
		to: one.to_minute,
		zone: one.zone,
		rule: parsed && 'rule' in parsed ? parsed.rule : null,
		except: new Set(one.except)
	};
}

/** Writes one as it shall be: makes it, or changes what is there. */
export function writeState(ctx: Context, state: AppointmentState, by: string): void {
	const { db } = ctx;
	const { staff, guests, resources, except, ...row } = state;
	const before = readRow(db, state.id);
	const now = ctx.clock.now();
	const made = { last_day: lastDayOf(state), changed_by: by, changed_at: now };
	if (before)
		update<AppointmentRow>(
			db,
			'appointment',
			{ id: state.id },
			{ ...row, ...made, version: before.version + 1 }
		);
	else insert<AppointmentRow>(db, 'appointment', { ...row, ...made, created_at: now, version: 1 });
	writeStaff(db, state.id, staff);
	const own = { appointment_id: state.id };
	run(db, 'DELETE FROM appointment_guest WHERE appointment_id = @id', { id: state.id });
	for (const guest of guests)
		insert<AppointmentGuestRow>(db, 'appointment_guest', {
			id: newId('gst'),
			...own,
			...guest
		});
	run(db, 'DELETE FROM appointment_resource WHERE appointment_id = @id', { id: state.id });
	for (const resource_id of resources)
		insert<AppointmentResourceRow>(db, 'appointment_resource', { ...own, resource_id });
	run(db, 'DELETE FROM appointment_exception WHERE appointment_id = @id', { id: state.id });
	for (const day of except)
		insert<AppointmentExceptionRow>(db, 'appointment_exception', { ...own, day });
}

/** Who is not on it any more stays until told, unless nothing of it was ever told. */
function writeStaff(db: Db, id: string, staff: readonly string[]): void {
	const rows = all<AppointmentStaffRow>(
		db,
		'SELECT * FROM appointment_staff WHERE appointment_id = @id',
		{ id }
	);
	const known = new Map(rows.map((row) => [row.staff_id, row]));
	for (const staff_id of staff) {
		const key = { appointment_id: id, staff_id };
		if (known.has(staff_id)) update<AppointmentStaffRow>(db, 'appointment_staff', key, { gone: 0 });
		else insert<AppointmentStaffRow>(db, 'appointment_staff', { ...key, gone: 0, told: null });
	}
	for (const { staff_id, told } of rows) {
		if (staff.includes(staff_id)) continue;
		const key = { appointment_id: id, staff_id };
		if (told === null) remove<AppointmentStaffRow>(db, 'appointment_staff', key);
		else update<AppointmentStaffRow>(db, 'appointment_staff', key, { gone: 1 });
	}
}
