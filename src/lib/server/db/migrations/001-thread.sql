-- The first whole. Dates are YYYY-MM-DD, instants UTC ISO 8601 with milliseconds, money cents,
-- time minutes, shares ten-thousandths of a percent.
CREATE TABLE setting (name TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;

CREATE TABLE staff (
	id TEXT PRIMARY KEY,
	login TEXT NOT NULL UNIQUE,
	name TEXT NOT NULL,
	initials TEXT NOT NULL,
	email TEXT NOT NULL,
	role TEXT NOT NULL
		CHECK (role IN (
			'counsel', 'paralegal', 'docket-clerk', 'legal-operations', 'business-partner',
			'administrator'
		)),
	level TEXT NOT NULL,
	password_hash TEXT NOT NULL,
	demo INTEGER NOT NULL DEFAULT 0 CHECK (demo IN (0, 1)),
	active INTEGER NOT NULL DEFAULT 1 CHECK (active IN (0, 1))
) STRICT;

CREATE TABLE session (
	token_hash TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL,
	expires_at TEXT NOT NULL
) STRICT;
CREATE INDEX session_staff ON session(staff_id);

CREATE TABLE sign_in_attempt (
	id INTEGER PRIMARY KEY,
	who TEXT NOT NULL,
	at TEXT NOT NULL
) STRICT;
CREATE INDEX sign_in_attempt_who ON sign_in_attempt(who, at);

CREATE TABLE business_unit (
	id TEXT PRIMARY KEY,
	name TEXT NOT NULL UNIQUE,
	hue INTEGER NOT NULL,
	position INTEGER NOT NULL
) STRICT;

CREATE TABLE cost_center (
	id TEXT PRIMARY KEY,
	unit_id TEXT NOT NULL REFERENCES business_unit(id),
	code TEXT NOT NULL UNIQUE,
	name TEXT NOT NULL
) STRICT;

CREATE TABLE person (
	id TEXT PRIMARY KEY,
	kind TEXT NOT NULL CHECK (kind IN ('person', 'organization')),
	name TEXT NOT NULL,
	folded TEXT NOT NULL,
	former_names TEXT NOT NULL DEFAULT '',
	email TEXT NOT NULL DEFAULT '',
	phone TEXT NOT NULL DEFAULT '',
	note TEXT NOT NULL DEFAULT '',
	created_at TEXT NOT NULL
) STRICT;
CREATE INDEX person_folded ON person(folded);

CREATE TABLE matter (
	id TEXT PRIMARY KEY,
	number TEXT NOT NULL UNIQUE,
	title TEXT NOT NULL,
	kind TEXT NOT NULL,
	status TEXT NOT NULL CHECK (status IN ('proposed', 'open', 'on hold', 'closed')),
	unit_id TEXT NOT NULL REFERENCES business_unit(id),
	responsible_id TEXT NOT NULL REFERENCES staff(id),
	originating_id TEXT NOT NULL REFERENCES staff(id),
	restricted INTEGER NOT NULL DEFAULT 0 CHECK (restricted IN (0, 1)),
	rulebook TEXT,
	court TEXT NOT NULL DEFAULT '',
	case_number TEXT NOT NULL DEFAULT '',
	judge TEXT NOT NULL DEFAULT '',
	caution TEXT NOT NULL DEFAULT '',
	opened_on TEXT NOT NULL,
	closed_on TEXT,
	created_at TEXT NOT NULL
) STRICT;
CREATE INDEX matter_responsible ON matter(responsible_id, status);
CREATE INDEX matter_restricted ON matter(id) WHERE restricted = 1;
CREATE INDEX matter_kind ON matter(kind, number);

CREATE TABLE matter_member (
	matter_id TEXT NOT NULL REFERENCES matter(id),
	staff_id TEXT NOT NULL REFERENCES staff(id),
	role TEXT NOT NULL,
	PRIMARY KEY (matter_id, staff_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX matter_member_staff ON matter_member(staff_id);

CREATE TABLE matter_role (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	person_id TEXT NOT NULL REFERENCES person(id),
	role TEXT NOT NULL,
	note TEXT NOT NULL DEFAULT '',
	UNIQUE (matter_id, person_id, role)
) STRICT;
CREATE INDEX matter_role_person ON matter_role(person_id);

CREATE TABLE number_series (year INTEGER PRIMARY KEY, last INTEGER NOT NULL) STRICT;

CREATE TABLE logbook (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	at TEXT NOT NULL,
	staff_id TEXT REFERENCES staff(id),
	kind TEXT NOT NULL
		CHECK (kind IN (
			'note', 'matter', 'people', 'date', 'task', 'document', 'signing', 'time', 'cost'
		)),
	text TEXT NOT NULL,
	link TEXT
) STRICT;
CREATE INDEX logbook_matter ON logbook(matter_id, at DESC);

CREATE TABLE event (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	event_key TEXT NOT NULL,
	text TEXT NOT NULL,
	name TEXT NOT NULL DEFAULT '',
	book TEXT NOT NULL,
	book_version TEXT NOT NULL,
	date TEXT NOT NULL,
	time TEXT,
	service TEXT,
	answers TEXT NOT NULL DEFAULT '{}',
	ahead TEXT,
	entered_by TEXT NOT NULL REFERENCES staff(id),
	entered_at TEXT NOT NULL,
	version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX event_matter ON event(matter_id, date);
CREATE INDEX event_ahead ON event(ahead, date) WHERE ahead IS NOT NULL;

CREATE TABLE deadline (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	event_id TEXT NOT NULL REFERENCES event(id),
	rule TEXT NOT NULL,
	title TEXT NOT NULL,
	authority TEXT NOT NULL,
	act TEXT NOT NULL CHECK (act IN ('file', 'serve')),
	suggested INTEGER NOT NULL CHECK (suggested IN (0, 1)),
	-- Missed is derived: docketed, and the day has passed.
	state TEXT NOT NULL CHECK (state IN ('proposed', 'docketed', 'met', 'vacated')),
	date TEXT NOT NULL,
	time TEXT,
	trace TEXT NOT NULL,
	book TEXT NOT NULL,
	book_version TEXT NOT NULL,
	docketed_by TEXT REFERENCES staff(id),
	docketed_at TEXT,
	checked_by TEXT REFERENCES staff(id),
	checked_at TEXT,
	closed_by TEXT REFERENCES staff(id),
	closed_at TEXT,
	closed_on TEXT,
	reason TEXT NOT NULL DEFAULT '',
	version INTEGER NOT NULL DEFAULT 1,
	UNIQUE (event_id, rule),
	CHECK (checked_by IS NULL OR checked_by <> docketed_by),
	CHECK (state <> 'vacated' OR reason <> ''),
	CHECK (state = 'proposed' OR docketed_by IS NOT NULL)
) STRICT;
CREATE INDEX deadline_date ON deadline(state, date);
CREATE INDEX deadline_matter ON deadline(matter_id, date);

CREATE TABLE closure (
	id TEXT PRIMARY KEY,
	book TEXT NOT NULL,
	date TEXT NOT NULL,
	kind TEXT NOT NULL CHECK (kind IN ('holiday', 'office')),
	name TEXT NOT NULL,
	UNIQUE (book, date)
) STRICT;

CREATE TABLE task (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	subject TEXT NOT NULL,
	assignee_id TEXT NOT NULL REFERENCES staff(id),
	due TEXT,
	deadline_id TEXT REFERENCES deadline(id),
	offset_days INTEGER,
	offset_unit TEXT CHECK (offset_unit IN ('d', 'cd')),
	state TEXT NOT NULL CHECK (state IN ('open', 'done')),
	created_by TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL,
	done_at TEXT,
	version INTEGER NOT NULL DEFAULT 1,
	CHECK ((deadline_id IS NULL) = (offset_days IS NULL))
) STRICT;
CREATE INDEX task_assignee ON task(assignee_id, state, due);
CREATE INDEX task_matter ON task(matter_id, state);
CREATE INDEX task_deadline ON task(deadline_id) WHERE deadline_id IS NOT NULL;

CREATE TABLE document (
	id TEXT PRIMARY KEY,
	number TEXT NOT NULL UNIQUE,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	name TEXT NOT NULL,
	folder TEXT NOT NULL,
	mark TEXT NOT NULL CHECK (mark IN ('', 'privileged', 'confidential')),
	created_by TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL
) STRICT;
CREATE INDEX document_matter ON document(matter_id);
CREATE INDEX document_created ON document(created_at DESC);

CREATE TABLE document_version (
	document_id TEXT NOT NULL REFERENCES document(id),
	n INTEGER NOT NULL,
	sha256 TEXT NOT NULL,
	media_type TEXT NOT NULL,
	file_name TEXT NOT NULL,
	size INTEGER NOT NULL,
	why TEXT NOT NULL,
	created_by TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL,
	text TEXT NOT NULL DEFAULT '',
	-- Of a sealed version: the stamped pages before certificate and seal, on which a later
	-- signing goes on.
	base_sha256 TEXT,
	PRIMARY KEY (document_id, n)
) STRICT, WITHOUT ROWID;

CREATE TABLE template (
	id TEXT PRIMARY KEY,
	name TEXT NOT NULL UNIQUE,
	description TEXT NOT NULL,
	sha256 TEXT NOT NULL
) STRICT;

CREATE TABLE signing_round (
	id TEXT PRIMARY KEY,
	document_id TEXT NOT NULL REFERENCES document(id),
	version_n INTEGER NOT NULL,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	title TEXT NOT NULL,
	message TEXT NOT NULL,
	in_order INTEGER NOT NULL CHECK (in_order IN (0, 1)),
	wanted_by TEXT,
	expires TEXT,
	withdrawn_at TEXT,
	finished_version INTEGER,
	created_by TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL
) STRICT;
CREATE INDEX signing_round_matter ON signing_round(matter_id);

CREATE TABLE signer (
	id TEXT PRIMARY KEY,
	round_id TEXT NOT NULL REFERENCES signing_round(id),
	position INTEGER NOT NULL,
	name TEXT NOT NULL,
	email TEXT NOT NULL,
	staff_id TEXT REFERENCES staff(id),
	token_hash TEXT UNIQUE,
	state TEXT NOT NULL CHECK (state IN ('waiting', 'signed', 'declined')),
	told_at TEXT,
	opened_at TEXT,
	ended_at TEXT,
	address TEXT,
	agent TEXT,
	consent TEXT,
	reason TEXT
) STRICT;
CREATE INDEX signer_round ON signer(round_id);
CREATE INDEX signer_staff ON signer(staff_id, state) WHERE staff_id IS NOT NULL;

CREATE TABLE signing_field (
	id TEXT PRIMARY KEY,
	signer_id TEXT NOT NULL REFERENCES signer(id),
	kind TEXT NOT NULL CHECK (kind IN ('signature', 'initials', 'name', 'date', 'text', 'check')),
	-- Page from 0; place and size in parts of the page, 0 to 1, from the top left.
	page INTEGER NOT NULL,
	x REAL NOT NULL,
	y REAL NOT NULL,
	w REAL NOT NULL,
	h REAL NOT NULL,
	label TEXT NOT NULL DEFAULT '',
	value TEXT
) STRICT;
CREATE INDEX signing_field_signer ON signing_field(signer_id);

CREATE TABLE mail_out (
	id TEXT PRIMARY KEY,
	matter_id TEXT REFERENCES matter(id),
	recipient TEXT NOT NULL,
	subject TEXT NOT NULL,
	text TEXT NOT NULL,
	attachment_sha256 TEXT,
	attachment_name TEXT,
	queued_at TEXT NOT NULL,
	sent_at TEXT,
	tries INTEGER NOT NULL DEFAULT 0,
	next_try TEXT,
	error TEXT
) STRICT;
CREATE INDEX mail_out_waiting ON mail_out(queued_at) WHERE sent_at IS NULL;

-- The Post room: what the stand-in mail server received.
CREATE TABLE post (
	id TEXT PRIMARY KEY,
	message_id TEXT NOT NULL UNIQUE,
	received_at TEXT NOT NULL,
	sender TEXT NOT NULL,
	recipient TEXT NOT NULL,
	subject TEXT NOT NULL,
	text TEXT NOT NULL,
	raw_sha256 TEXT NOT NULL,
	attachments TEXT NOT NULL DEFAULT '[]'
) STRICT;
CREATE INDEX post_received ON post(received_at DESC);

CREATE TABLE activity_code (
	code TEXT PRIMARY KEY,
	name TEXT NOT NULL,
	matter_work INTEGER NOT NULL CHECK (matter_work IN (0, 1)),
	position INTEGER NOT NULL
) STRICT;

CREATE TABLE time_entry (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	matter_id TEXT REFERENCES matter(id),
	day TEXT NOT NULL,
	minutes INTEGER NOT NULL CHECK (minutes > 0 AND minutes <= 1440),
	narrative TEXT NOT NULL,
	activity TEXT REFERENCES activity_code(code),
	released_at TEXT,
	created_at TEXT NOT NULL,
	version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX time_entry_staff ON time_entry(staff_id, day);
CREATE INDEX time_entry_matter ON time_entry(matter_id, day);
CREATE INDEX time_entry_released ON time_entry(day) WHERE released_at IS NOT NULL;

CREATE TABLE timer (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	words TEXT NOT NULL DEFAULT '',
	started_at TEXT,
	gathered_ms INTEGER NOT NULL DEFAULT 0,
	created_at TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX timer_one_running ON timer(staff_id) WHERE started_at IS NOT NULL;

CREATE TABLE rate (
	id TEXT PRIMARY KEY,
	staff_id TEXT REFERENCES staff(id),
	level TEXT,
	matter_id TEXT REFERENCES matter(id),
	unit_id TEXT REFERENCES business_unit(id),
	from_day TEXT NOT NULL,
	cents_per_hour INTEGER NOT NULL CHECK (cents_per_hour >= 0)
) STRICT;

CREATE TABLE split (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	from_day TEXT NOT NULL,
	UNIQUE (matter_id, from_day)
) STRICT;

CREATE TABLE split_share (
	split_id TEXT NOT NULL REFERENCES split(id),
	position INTEGER NOT NULL,
	unit_id TEXT NOT NULL REFERENCES business_unit(id),
	cost_center_id TEXT REFERENCES cost_center(id),
	share INTEGER NOT NULL CHECK (share > 0 AND share <= 1000000),
	PRIMARY KEY (split_id, position)
) STRICT, WITHOUT ROWID;

CREATE TABLE cost_run (
	id TEXT PRIMARY KEY,
	number TEXT UNIQUE,
	period_from TEXT NOT NULL,
	period_to TEXT NOT NULL,
	cut_off TEXT NOT NULL,
	state TEXT NOT NULL
		CHECK (state IN (
			'draft', 'awaiting approval', 'approved', 'reversed', 'discarded'
		)),
	made_by TEXT NOT NULL REFERENCES staff(id),
	made_at TEXT NOT NULL,
	approved_by TEXT REFERENCES staff(id),
	approved_at TEXT,
	reversed_by TEXT REFERENCES staff(id),
	reversed_at TEXT,
	reason TEXT NOT NULL DEFAULT '',
	CHECK (approved_by IS NULL OR approved_by <> made_by),
	CHECK (state <> 'approved' OR (approved_by IS NOT NULL AND number IS NOT NULL))
) STRICT;

CREATE TABLE cost_line (
	id TEXT PRIMARY KEY,
	run_id TEXT NOT NULL REFERENCES cost_run(id),
	entry_id TEXT NOT NULL REFERENCES time_entry(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	minutes INTEGER NOT NULL,
	cents_per_hour INTEGER NOT NULL,
	rate_say TEXT NOT NULL,
	cents INTEGER NOT NULL,
	late INTEGER NOT NULL CHECK (late IN (0, 1)),
	-- 1 while the run holds the entry, NULL once it is reversed or discarded: an entry is held
	-- by one run at most.
	holds INTEGER CHECK (holds = 1),
	UNIQUE (entry_id, holds)
) STRICT;
CREATE INDEX cost_line_run ON cost_line(run_id);

CREATE TABLE cost_share (
	line_id TEXT NOT NULL REFERENCES cost_line(id),
	position INTEGER NOT NULL,
	unit_id TEXT NOT NULL REFERENCES business_unit(id),
	cost_center_id TEXT REFERENCES cost_center(id),
	share INTEGER NOT NULL,
	cents INTEGER NOT NULL,
	PRIMARY KEY (line_id, position)
) STRICT, WITHOUT ROWID;

-- An allocated entry cannot change.
CREATE TRIGGER time_entry_allocated_update BEFORE UPDATE ON time_entry
WHEN EXISTS (SELECT 1 FROM cost_line WHERE entry_id = OLD.id AND holds = 1)
BEGIN
	SELECT RAISE(ABORT, 'allocated time cannot change');
END;

CREATE TRIGGER time_entry_allocated_delete BEFORE DELETE ON time_entry
WHEN EXISTS (SELECT 1 FROM cost_line WHERE entry_id = OLD.id)
BEGIN
	SELECT RAISE(ABORT, 'time in a cost run cannot be deleted');
END;

-- The audit trail: append-only, chained by hashes.
CREATE TABLE audit (
	seq INTEGER PRIMARY KEY,
	at TEXT NOT NULL,
	actor TEXT NOT NULL,
	action TEXT NOT NULL,
	matter_id TEXT,
	detail TEXT NOT NULL,
	prev_hash TEXT NOT NULL,
	hash TEXT NOT NULL UNIQUE
) STRICT;

CREATE TRIGGER audit_no_update BEFORE UPDATE ON audit
BEGIN
	SELECT RAISE(ABORT, 'the audit trail is append-only');
END;

CREATE TRIGGER audit_no_delete BEFORE DELETE ON audit
BEGIN
	SELECT RAISE(ABORT, 'the audit trail is append-only');
END;

-- Search: one index over matters, people and documents, kept by triggers so that no command can
-- forget it.
CREATE VIRTUAL TABLE search USING fts5(
	kind UNINDEXED, ref UNINDEXED, matter_id UNINDEXED, title, body,
	tokenize = 'unicode61 remove_diacritics 2',
	prefix = '2 3'
);

CREATE TRIGGER search_matter_in AFTER INSERT ON matter
BEGIN
	INSERT INTO search (kind, ref, matter_id, title, body)
	VALUES (
		'matter', NEW.id, NEW.id, NEW.number || ' ' || NEW.title,
		NEW.court || ' ' || NEW.case_number || ' ' || NEW.judge
	);
END;

CREATE TRIGGER search_matter_up AFTER UPDATE OF title, court, case_number, judge ON matter
BEGIN
	DELETE FROM search WHERE kind = 'matter' AND ref = OLD.id;
	INSERT INTO search (kind, ref, matter_id, title, body)
	VALUES (
		'matter', NEW.id, NEW.id, NEW.number || ' ' || NEW.title,
		NEW.court || ' ' || NEW.case_number || ' ' || NEW.judge
	);
END;

CREATE TRIGGER search_person_in AFTER INSERT ON person
BEGIN
	INSERT INTO search (kind, ref, matter_id, title, body)
	VALUES ('person', NEW.id, NULL, NEW.name, NEW.former_names || ' ' || NEW.email);
END;

CREATE TRIGGER search_person_up AFTER UPDATE OF name, former_names, email ON person
BEGIN
	DELETE FROM search WHERE kind = 'person' AND ref = OLD.id;
	INSERT INTO search (kind, ref, matter_id, title, body)
	VALUES ('person', NEW.id, NULL, NEW.name, NEW.former_names || ' ' || NEW.email);
END;

CREATE TRIGGER search_version_in AFTER INSERT ON document_version
BEGIN
	DELETE FROM search WHERE kind = 'document' AND ref = NEW.document_id;
	INSERT INTO search (kind, ref, matter_id, title, body)
	SELECT 'document', d.id, d.matter_id, d.name || ' ' || d.number, NEW.text
	FROM document d
	WHERE d.id = NEW.document_id;
END;
