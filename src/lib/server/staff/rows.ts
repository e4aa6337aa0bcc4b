/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `staff`. */
export type StaffRow = {
	id: string;
	login: string;
	name: string;
	initials: string;
	email: string;
	role:
		| 'counsel'
		| 'paralegal'
		| 'docket-clerk'
		| 'legal-operations'
		| 'business-partner'
		| 'administrator';
	level: string;
	password_hash: string;
	demo: 0 | 1;
	active: 0 | 1;
	supervisor_id: string | null;
	office: string;
};

/** Table `leave`. */
export type LeaveRow = {
	id: string;
	staff_id: string;
	from_day: PlainDate;
	to_day: PlainDate;
	note: string;
};

/** Table `team`. */
export type TeamRow = {
	id: string;
	name: string;
	version: number;
};

/** Table `team_member`. */
export type TeamMemberRow = {
	team_id: string;
	staff_id: string;
	part: string;
	access: 'change' | 'read';
};
