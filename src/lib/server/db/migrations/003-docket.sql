-- The docket in depth: books of the department's own, orders laid over one matter's rules, dates
-- moved by order, changes that wait for a decision.
-- Every version of a book that was saved here; the shipped books are files. The highest n counts,
-- and replaces a shipped book of the same id.
CREATE TABLE book_version (
	book TEXT NOT NULL,
	n INTEGER NOT NULL,
	yaml TEXT NOT NULL,
	title TEXT NOT NULL,
	reviewed TEXT NOT NULL,
	reason TEXT NOT NULL,
	saved_by TEXT NOT NULL REFERENCES staff(id),
	saved_at TEXT NOT NULL,
	PRIMARY KEY (book, n)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER book_version_kept BEFORE UPDATE ON book_version
BEGIN
	SELECT RAISE(ABORT, 'a version of a book is never changed');
END;

CREATE TRIGGER book_version_stays BEFORE DELETE ON book_version
BEGIN
	SELECT RAISE(ABORT, 'a version of a book is never deleted');
END;

-- Further books of a matter, beside the one of its court.
CREATE TABLE matter_book (
	matter_id TEXT NOT NULL REFERENCES matter(id),
	book TEXT NOT NULL,
	PRIMARY KEY (matter_id, book)
) STRICT, WITHOUT ROWID;

-- A judge's standing order or a scheduling order: rules laid over one book on one matter, in the
-- schema of a book.
CREATE TABLE matter_order (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	book TEXT NOT NULL,
	sort TEXT NOT NULL CHECK (sort IN ('standing order', 'scheduling order')),
	title TEXT NOT NULL,
	dated TEXT NOT NULL,
	document_id TEXT REFERENCES document(id),
	rules TEXT NOT NULL,
	made_by TEXT NOT NULL REFERENCES staff(id),
	made_at TEXT NOT NULL,
	ended_at TEXT,
	ended_reason TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX matter_order_matter ON matter_order(matter_id, book);

-- A date that would change because a book, a closure or an order did: it waits until someone
-- applies it or leaves the date as it was.
CREATE TABLE date_change (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	event_id TEXT NOT NULL REFERENCES event(id),
	deadline_id TEXT REFERENCES deadline(id),
	rule TEXT NOT NULL,
	title TEXT NOT NULL,
	cause TEXT NOT NULL CHECK (cause IN ('book', 'closure', 'order')),
	why TEXT NOT NULL,
	-- was NULL: the rule is new; becomes NULL: the rule is gone.
	was TEXT,
	becomes TEXT,
	becomes_time TEXT,
	trace TEXT NOT NULL,
	authority TEXT NOT NULL,
	act TEXT NOT NULL,
	book_version TEXT NOT NULL,
	state TEXT NOT NULL DEFAULT 'waits' CHECK (state IN ('waits', 'applied', 'left', 'replaced')),
	made_at TEXT NOT NULL,
	decided_by TEXT REFERENCES staff(id),
	decided_at TEXT,
	reason TEXT NOT NULL DEFAULT '',
	CHECK (was IS NOT NULL OR becomes IS NOT NULL),
	CHECK (state IN ('waits', 'replaced') OR decided_by IS NOT NULL)
) STRICT;
CREATE UNIQUE INDEX date_change_waits ON date_change(event_id, rule) WHERE state = 'waits';
CREATE INDEX date_change_matter ON date_change(matter_id, state);
ALTER TABLE event ADD COLUMN source_id TEXT REFERENCES document(id);
ALTER TABLE event ADD COLUMN place TEXT NOT NULL DEFAULT '';
ALTER TABLE event ADD COLUMN link TEXT NOT NULL DEFAULT '';
CREATE INDEX event_book ON event(book);

-- The rule's own date, kept beside the one an order or an agreement gave; NULL where nothing
-- moved it.
ALTER TABLE deadline ADD COLUMN computed TEXT;
ALTER TABLE deadline ADD COLUMN moved_how TEXT CHECK (moved_how IN ('order', 'agreement'));
ALTER TABLE deadline ADD COLUMN moved_reason TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN moved_document TEXT REFERENCES document(id);
ALTER TABLE deadline ADD COLUMN moved_by TEXT REFERENCES staff(id);
ALTER TABLE deadline ADD COLUMN moved_at TEXT;

-- The department's own earlier date.
ALTER TABLE deadline ADD COLUMN internal TEXT CHECK (internal IS NULL OR internal <= date);
ALTER TABLE deadline ADD COLUMN hand_time TEXT;
ALTER TABLE deadline ADD COLUMN place TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN link TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN short TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN long TEXT NOT NULL DEFAULT '';

-- The second person did not agree: what they said, until it is answered.
ALTER TABLE deadline ADD COLUMN returned_by TEXT REFERENCES staff(id);
ALTER TABLE deadline ADD COLUMN returned_at TEXT;
ALTER TABLE deadline ADD COLUMN returned_reason TEXT NOT NULL DEFAULT '';

CREATE INDEX deadline_unchecked
	ON deadline(date, id) WHERE state = 'docketed' AND checked_by IS NULL;

CREATE TABLE date_document (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	document_id TEXT NOT NULL REFERENCES document(id),
	role TEXT NOT NULL CHECK (role IN ('proof', 'linked')),
	PRIMARY KEY (deadline_id, document_id, role)
) STRICT, WITHOUT ROWID;

CREATE TABLE date_exhibit (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	exhibit_id TEXT NOT NULL REFERENCES exhibit(id),
	PRIMARY KEY (deadline_id, exhibit_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX date_exhibit_exhibit ON date_exhibit(exhibit_id);

-- Days on which someone is away: a date that lands on them is warned of.
CREATE TABLE leave (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	from_day TEXT NOT NULL,
	to_day TEXT NOT NULL,
	note TEXT NOT NULL DEFAULT '',
	CHECK (to_day >= from_day)
) STRICT;
CREATE INDEX leave_staff ON leave(staff_id, to_day);

-- Calendars to subscribe to, by a secret address of which only the digest is kept; read with the
-- rights of the one who made it.
CREATE TABLE feed (
	id TEXT PRIMARY KEY,
	digest TEXT NOT NULL UNIQUE,
	sort TEXT NOT NULL CHECK (sort IN ('person', 'matter', 'department')),
	matter_id TEXT REFERENCES matter(id),
	staff_id TEXT NOT NULL REFERENCES staff(id),
	made_at TEXT NOT NULL,
	revoked_at TEXT,
	read_at TEXT,
	CHECK ((sort = 'matter') = (matter_id IS NOT NULL))
) STRICT;
CREATE INDEX feed_staff ON feed(staff_id);

-- One date sent to somebody outside; a job tells them when it changes.
CREATE TABLE invitation (
	id TEXT PRIMARY KEY,
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	name TEXT NOT NULL,
	email TEXT NOT NULL,
	words TEXT NOT NULL DEFAULT '',
	sent_by TEXT NOT NULL REFERENCES staff(id),
	sent_at TEXT NOT NULL,
	said TEXT NOT NULL,
	UNIQUE (deadline_id, email)
) STRICT;

-- Reminders: a ladder of its own for a matter or a date, who was reminded and who has seen it,
-- and what was passed on to a supervisor.
ALTER TABLE staff ADD COLUMN supervisor_id TEXT REFERENCES staff(id);
ALTER TABLE matter ADD COLUMN ladder TEXT;
ALTER TABLE deadline ADD COLUMN ladder TEXT;

CREATE TABLE reminder_to (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	date TEXT NOT NULL,
	rung INTEGER NOT NULL,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	seen_at TEXT,
	PRIMARY KEY (deadline_id, date, rung, staff_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX reminder_to_staff ON reminder_to(staff_id) WHERE seen_at IS NULL;

CREATE TABLE escalation (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	date TEXT NOT NULL,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	PRIMARY KEY (deadline_id, date, staff_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE mute (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	PRIMARY KEY (staff_id, matter_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE digest (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	day TEXT NOT NULL,
	PRIMARY KEY (staff_id, day)
) STRICT, WITHOUT ROWID;
