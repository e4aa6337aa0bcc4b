/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `resource`. */
export type ResourceRow = {
	id: string;
	name: string;
	sort: 'room' | 'vehicle' | 'thing';
	office: string;
	seats: number | null;
	active: 0 | 1;
};

/** Table `appointment_sort`. */
export type AppointmentSortRow = {
	id: string;
	name: string;
};

/** Table `appointment`. */
export type AppointmentRow = {
	id: string;
	subject: string;
	matter_id: string | null;
	sort_id: string | null;
	priority: 'high' | 'normal' | 'low';
	day: PlainDate;
	from_minute: number | null;
	more_days: number;
	to_minute: number | null;
	zone: string;
	rule: string;
	last_day: PlainDate | null;
	place: string;
	link: string;
	whereabouts: '' | 'office' | 'court' | 'home' | 'travelling';
	labels: string;
	notes: string;
	private: 0 | 1;
	state: 'on' | 'off';
	off_reason: string;
	instead_of_id: string | null;
	instead_of_day: PlainDate | null;
	continues_id: string | null;
	created_by: string;
	created_at: string;
	changed_by: string;
	changed_at: string;
	version: number;
};

/** Table `appointment_staff`. */
export type AppointmentStaffRow = {
	appointment_id: string;
	staff_id: string;
	gone: 0 | 1;
	told: string | null;
};

/** Table `appointment_guest`. */
export type AppointmentGuestRow = {
	id: string;
	appointment_id: string;
	person_id: string | null;
	name: string;
	email: string;
};

/** Table `appointment_resource`. */
export type AppointmentResourceRow = {
	appointment_id: string;
	resource_id: string;
};

/** Table `appointment_invitation`. */
export type AppointmentInvitationRow = {
	appointment_id: string;
	email: string;
	name: string;
	told: string;
};

/** Table `appointment_exception`. */
export type AppointmentExceptionRow = {
	appointment_id: string;
	day: PlainDate;
};

/** Table `appointment_change`. */
export type AppointmentChangeRow = {
	id: string;
	appointment_id: string;
	by_id: string;
	at: string;
	words: string;
	before: string;
	after: string;
	undone_at: string | null;
};

/** Table `calendar_keeper`. */
export type CalendarKeeperRow = {
	staff_id: string;
	keeper_id: string;
};

/** Table `calendar_choice`. */
export type CalendarChoiceRow = {
	staff_id: string;
	view: string;
	days: number;
	first_hour: number;
	last_hour: number;
	step: number;
};
