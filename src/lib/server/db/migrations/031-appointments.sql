-- The department's calendar: appointments, who and what they need, and whose calendar others keep.

ALTER TABLE staff ADD COLUMN office TEXT NOT NULL DEFAULT '';

-- Rooms and things that can be booked.
CREATE TABLE resource (
	id TEXT PRIMARY KEY,
	name TEXT NOT NULL UNIQUE,
	sort TEXT NOT NULL CHECK (sort IN ('room', 'vehicle', 'thing')),
	office TEXT NOT NULL DEFAULT '',
	seats INTEGER CHECK (seats BETWEEN 1 AND 5000),
	active INTEGER NOT NULL DEFAULT 1 CHECK (active IN (0, 1))
) STRICT;

-- What appointments are: the department's own list.
CREATE TABLE appointment_sort (
	id TEXT PRIMARY KEY,
	name TEXT NOT NULL UNIQUE
) STRICT;

-- An appointment, or a series of them, by the clock of its own zone. Minutes are those after
-- midnight; without them it is all day. One occurrence that differs is a row of its own, instead
-- of a day that its series leaves out; a series that differs from a day on continues another.
CREATE TABLE appointment (
	id TEXT PRIMARY KEY,
	subject TEXT NOT NULL,
	matter_id TEXT REFERENCES matter(id),
	sort_id TEXT REFERENCES appointment_sort(id),
	priority TEXT NOT NULL DEFAULT 'normal' CHECK (priority IN ('high', 'normal', 'low')),
	day TEXT NOT NULL,
	from_minute INTEGER CHECK (from_minute BETWEEN 0 AND 1439),
	more_days INTEGER NOT NULL DEFAULT 0 CHECK (more_days BETWEEN 0 AND 60),
	to_minute INTEGER CHECK (to_minute BETWEEN 0 AND 1440),
	zone TEXT NOT NULL,
	rule TEXT NOT NULL DEFAULT '',
	-- The last day it touches, in its own zone: made from the rule, for the index; null: it never ends.
	last_day TEXT,
	place TEXT NOT NULL DEFAULT '',
	link TEXT NOT NULL DEFAULT '',
	whereabouts TEXT NOT NULL DEFAULT '' CHECK (whereabouts IN ('', 'office', 'court', 'home', 'travelling')),
	labels TEXT NOT NULL DEFAULT '',
	notes TEXT NOT NULL DEFAULT '',
	private INTEGER NOT NULL DEFAULT 0 CHECK (private IN (0, 1)),
	state TEXT NOT NULL DEFAULT 'on' CHECK (state IN ('on', 'off')),
	off_reason TEXT NOT NULL DEFAULT '',
	instead_of_id TEXT REFERENCES appointment(id),
	instead_of_day TEXT,
	continues_id TEXT REFERENCES appointment(id),
	created_by TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL,
	changed_by TEXT NOT NULL REFERENCES staff(id),
	changed_at TEXT NOT NULL,
	version INTEGER NOT NULL DEFAULT 1,
	CHECK ((from_minute IS NULL) = (to_minute IS NULL)),
	CHECK (from_minute IS NULL OR more_days > 0 OR to_minute > from_minute),
	CHECK ((instead_of_id IS NULL) = (instead_of_day IS NULL))
) STRICT;
CREATE INDEX appointment_span ON appointment(state, day, last_day);
CREATE INDEX appointment_matter ON appointment(matter_id, day) WHERE matter_id IS NOT NULL;
CREATE INDEX appointment_instead ON appointment(instead_of_id) WHERE instead_of_id IS NOT NULL;
CREATE INDEX appointment_changed ON appointment(changed_at);

-- Colleagues. `told` is what each was last told of it, as JSON; those who were on it stay until
-- they know that they are not.
CREATE TABLE appointment_staff (
	appointment_id TEXT NOT NULL REFERENCES appointment(id),
	staff_id TEXT NOT NULL REFERENCES staff(id),
	gone INTEGER NOT NULL DEFAULT 0 CHECK (gone IN (0, 1)),
	told TEXT,
	PRIMARY KEY (appointment_id, staff_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX appointment_of_staff ON appointment_staff(staff_id, appointment_id);

-- People from outside.
CREATE TABLE appointment_guest (
	id TEXT PRIMARY KEY,
	appointment_id TEXT NOT NULL REFERENCES appointment(id),
	person_id TEXT REFERENCES person(id),
	name TEXT NOT NULL,
	email TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX appointment_of_guest ON appointment_guest(appointment_id);
CREATE INDEX appointment_guest_person ON appointment_guest(person_id) WHERE person_id IS NOT NULL;

CREATE TABLE appointment_resource (
	appointment_id TEXT NOT NULL REFERENCES appointment(id),
	resource_id TEXT NOT NULL REFERENCES resource(id),
	PRIMARY KEY (appointment_id, resource_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX appointment_of_resource ON appointment_resource(resource_id, appointment_id);

-- What those outside were sent of it, so that each change is sent once, and with a higher number.
CREATE TABLE appointment_invitation (
	appointment_id TEXT NOT NULL REFERENCES appointment(id),
	email TEXT NOT NULL,
	name TEXT NOT NULL,
	told TEXT NOT NULL,
	PRIMARY KEY (appointment_id, email)
) STRICT, WITHOUT ROWID;

-- Days of a series on which it is not, or is another appointment instead.
CREATE TABLE appointment_exception (
	appointment_id TEXT NOT NULL REFERENCES appointment(id),
	day TEXT NOT NULL,
	PRIMARY KEY (appointment_id, day)
) STRICT, WITHOUT ROWID;

-- Each change as it can be taken back: the appointments before and after it, as JSON.
CREATE TABLE appointment_change (
	id TEXT PRIMARY KEY,
	appointment_id TEXT NOT NULL REFERENCES appointment(id),
	by_id TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	words TEXT NOT NULL,
	before TEXT NOT NULL,
	after TEXT NOT NULL,
	undone_at TEXT
) STRICT;
CREATE INDEX appointment_change_of ON appointment_change(appointment_id, at);

-- Colleagues whom somebody lets keep their calendar.
CREATE TABLE calendar_keeper (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	keeper_id TEXT NOT NULL REFERENCES staff(id),
	PRIMARY KEY (staff_id, keeper_id),
	CHECK (staff_id <> keeper_id)
) STRICT, WITHOUT ROWID;

-- How each person looks at the calendar.
CREATE TABLE calendar_choice (
	staff_id TEXT PRIMARY KEY REFERENCES staff(id),
	view TEXT NOT NULL DEFAULT 'week',
	days INTEGER NOT NULL DEFAULT 5 CHECK (days IN (3, 5, 7, 14)),
	first_hour INTEGER NOT NULL DEFAULT 8 CHECK (first_hour BETWEEN 0 AND 23),
	last_hour INTEGER NOT NULL DEFAULT 19 CHECK (last_hour BETWEEN 1 AND 24),
	step INTEGER NOT NULL DEFAULT 30 CHECK (step IN (15, 30)),
	CHECK (last_hour > first_hour)
) STRICT;
