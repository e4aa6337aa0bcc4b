-- From a request to a complete matter: kinds with facts, people with many names and addresses,
-- requests, interest checks, imports, views.
-- Search is kept in one plain table with an index over it, so that one text can be found by what
-- it belongs to and
-- changed without reading all others. The index is filled by triggers, so that no command can
-- forget it.
DROP TRIGGER search_matter_in;
DROP TRIGGER search_matter_up;
DROP TRIGGER search_person_in;
DROP TRIGGER search_person_up;
DROP TRIGGER search_version_in;
DROP TABLE search;

CREATE TABLE search_text (
	id INTEGER PRIMARY KEY AUTOINCREMENT,
	kind TEXT NOT NULL,
	ref TEXT NOT NULL,
	matter_id TEXT,
	title TEXT NOT NULL,
	body TEXT NOT NULL,
	UNIQUE (kind, ref)
) STRICT;
CREATE INDEX search_text_matter ON search_text(matter_id);
CREATE VIRTUAL TABLE search USING fts5(
	title, body,
	content = 'search_text', content_rowid = 'id',
	tokenize = 'unicode61 remove_diacritics 2',
	prefix = '2 3'
);
INSERT INTO search (search, rank) VALUES ('rank', 'bm25(8.0, 1.0)');

CREATE TRIGGER search_text_in AFTER INSERT ON search_text
BEGIN
	INSERT INTO search (rowid, title, body) VALUES (NEW.id, NEW.title, NEW.body);
END;

CREATE TRIGGER search_text_out AFTER DELETE ON search_text
BEGIN
	INSERT INTO search (search, rowid, title, body) VALUES ('delete', OLD.id, OLD.title, OLD.body);
END;

-- Kinds: the pattern a matter is opened from, edited in the application; the body is checked by
-- core/matters/kind.ts.
CREATE TABLE kind (
	id TEXT PRIMARY KEY,
	name TEXT NOT NULL UNIQUE,
	position INTEGER NOT NULL,
	active INTEGER NOT NULL DEFAULT 1 CHECK (active IN (0, 1)),
	body TEXT NOT NULL,
	version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE matter_fact (
	matter_id TEXT NOT NULL REFERENCES matter(id),
	fact TEXT NOT NULL,
	row INTEGER NOT NULL DEFAULT 0,
	value TEXT NOT NULL,
	more TEXT NOT NULL DEFAULT '',
	PRIMARY KEY (matter_id, fact, row)
) STRICT, WITHOUT ROWID;
CREATE INDEX matter_fact_value ON matter_fact(value);

INSERT INTO matter_fact (matter_id, fact, value)
SELECT id, 'court', court
FROM matter
WHERE court <> '';

INSERT INTO matter_fact (matter_id, fact, value)
SELECT id, 'case-number', case_number
FROM matter
WHERE case_number <> '';

INSERT INTO matter_fact (matter_id, fact, value)
SELECT id, 'judge', judge
FROM matter
WHERE judge <> '';

CREATE TABLE matter_caution (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	text TEXT NOT NULL
) STRICT;
CREATE INDEX matter_caution_matter ON matter_caution(matter_id);

INSERT INTO matter_caution (id, matter_id, text)
SELECT 'cau_' || substr(id, 5), id, caution
FROM matter
WHERE caution <> '';

ALTER TABLE matter DROP COLUMN court;
ALTER TABLE matter DROP COLUMN case_number;
ALTER TABLE matter DROP COLUMN judge;
ALTER TABLE matter DROP COLUMN caution;

ALTER TABLE matter ADD COLUMN priority TEXT
	NOT NULL DEFAULT 'normal' CHECK (priority IN ('high', 'normal', 'low'));

ALTER TABLE matter ADD COLUMN status_reason TEXT NOT NULL DEFAULT '';
ALTER TABLE matter ADD COLUMN status_from TEXT;
ALTER TABLE matter ADD COLUMN retain_until TEXT;
ALTER TABLE matter ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
CREATE INDEX matter_status ON matter(status, number);
CREATE INDEX matter_unit ON matter(unit_id, status);
CREATE INDEX matter_opened ON matter(opened_on);
CREATE INDEX matter_closed ON matter(closed_on) WHERE closed_on IS NOT NULL;

-- The numbers others use for it: court, insurer, outside counsel, agency.
CREATE TABLE matter_reference (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	whose TEXT NOT NULL,
	number TEXT NOT NULL,
	UNIQUE (matter_id, whose, number)
) STRICT;

CREATE TABLE matter_link (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	name TEXT NOT NULL,
	url TEXT NOT NULL
) STRICT;
CREATE INDEX matter_link_matter ON matter_link(matter_id);

-- Stored once; read from both sides.
CREATE TABLE matter_relation (
	a_id TEXT NOT NULL REFERENCES matter(id),
	b_id TEXT NOT NULL REFERENCES matter(id),
	how TEXT NOT NULL,
	PRIMARY KEY (a_id, b_id),
	CHECK (a_id <> b_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX matter_relation_b ON matter_relation(b_id);
UPDATE matter_member SET role = 'owner' WHERE role = 'opened it';

-- What a closing settled, so that reopening can bring it back.
CREATE TABLE closing_item (
	matter_id TEXT NOT NULL REFERENCES matter(id),
	what TEXT NOT NULL CHECK (what IN ('deadline', 'task', 'round')),
	ref TEXT NOT NULL,
	was TEXT NOT NULL,
	did TEXT NOT NULL,
	PRIMARY KEY (matter_id, what, ref)
) STRICT, WITHOUT ROWID;

CREATE TABLE pinned (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	PRIMARY KEY (staff_id, matter_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE recent (
	staff_id TEXT NOT NULL REFERENCES staff(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	at TEXT NOT NULL,
	PRIMARY KEY (staff_id, matter_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE saved_view (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	shared INTEGER NOT NULL CHECK (shared IN (0, 1)),
	name TEXT NOT NULL,
	query TEXT NOT NULL,
	UNIQUE (staff_id, name)
) STRICT;

CREATE TABLE task_new (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	subject TEXT NOT NULL,
	assignee_id TEXT NOT NULL REFERENCES staff(id),
	due TEXT,
	deadline_id TEXT REFERENCES deadline(id),
	offset_days INTEGER,
	offset_unit TEXT CHECK (offset_unit IN ('d', 'cd')),
	state TEXT NOT NULL CHECK (state IN ('open', 'done', 'dropped')),
	created_by TEXT NOT NULL REFERENCES staff(id),
	created_at TEXT NOT NULL,
	done_at TEXT,
	version INTEGER NOT NULL DEFAULT 1,
	CHECK ((deadline_id IS NULL) = (offset_days IS NULL))
) STRICT;

INSERT INTO task_new SELECT * FROM task;
DROP TABLE task;
ALTER TABLE task_new RENAME TO task;
CREATE INDEX task_assignee ON task(assignee_id, state, due);
CREATE INDEX task_matter ON task(matter_id, state);
CREATE INDEX task_deadline ON task(deadline_id) WHERE deadline_id IS NOT NULL;

-- Each rung of a date's reminder ladder is told once, also after a crash.
CREATE TABLE reminder (
	deadline_id TEXT NOT NULL REFERENCES deadline(id),
	date TEXT NOT NULL,
	rung INTEGER NOT NULL,
	at TEXT NOT NULL,
	PRIMARY KEY (deadline_id, date, rung)
) STRICT, WITHOUT ROWID;

-- People: any number of names, addresses, categories; a parent; and how they stand.
ALTER TABLE person ADD COLUMN status TEXT
	NOT NULL DEFAULT 'active' CHECK (status IN ('active', 'inactive', 'do not contact'));

ALTER TABLE person ADD COLUMN parent_id TEXT REFERENCES person(id);

-- A card made in place for a restricted matter is part of it until it has a role elsewhere.
ALTER TABLE person ADD COLUMN made_for TEXT REFERENCES matter(id);
ALTER TABLE person ADD COLUMN merged_into TEXT REFERENCES person(id);
ALTER TABLE person ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
CREATE INDEX person_parent ON person(parent_id) WHERE parent_id IS NOT NULL;

CREATE TABLE person_name (
	id TEXT PRIMARY KEY,
	person_id TEXT NOT NULL REFERENCES person(id),
	kind TEXT NOT NULL CHECK (kind IN ('former', 'alias')),
	name TEXT NOT NULL,
	folded TEXT NOT NULL,
	UNIQUE (person_id, folded)
) STRICT;
CREATE INDEX person_name_folded ON person_name(folded);

INSERT INTO person_name (id, person_id, kind, name, folded)
SELECT 'nam_' || substr(id, 5), id, 'former', former_names, lower(former_names)
FROM person
WHERE former_names <> '';

CREATE TABLE person_contact (
	id TEXT PRIMARY KEY,
	person_id TEXT NOT NULL REFERENCES person(id),
	kind TEXT NOT NULL CHECK (kind IN ('mail', 'phone', 'address', 'web')),
	label TEXT NOT NULL DEFAULT '',
	value TEXT NOT NULL,
	position INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE INDEX person_contact_person ON person_contact(person_id, kind, position);

INSERT INTO person_contact (id, person_id, kind, value)
SELECT 'con_m' || substr(id, 5), id, 'mail', email
FROM person
WHERE email <> '';

INSERT INTO person_contact (id, person_id, kind, value)
SELECT 'con_p' || substr(id, 5), id, 'phone', phone
FROM person
WHERE phone <> '';

ALTER TABLE person DROP COLUMN former_names;
ALTER TABLE person DROP COLUMN email;
ALTER TABLE person DROP COLUMN phone;

CREATE TABLE person_category (
	person_id TEXT NOT NULL REFERENCES person(id),
	category TEXT NOT NULL,
	PRIMARY KEY (person_id, category)
) STRICT, WITHOUT ROWID;
CREATE INDEX person_category_category ON person_category(category);
ALTER TABLE matter_role ADD COLUMN from_day TEXT;
ALTER TABLE matter_role ADD COLUMN to_day TEXT;

CREATE TABLE person_merge (
	id TEXT PRIMARY KEY,
	kept_id TEXT NOT NULL REFERENCES person(id),
	gone_id TEXT NOT NULL REFERENCES person(id),
	moved TEXT NOT NULL,
	by TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	undone_at TEXT,
	CHECK (kept_id <> gone_id)
) STRICT;
CREATE INDEX person_merge_kept ON person_merge(kept_id);

-- The logbook: questions and answers, mentions, hashtags.
ALTER TABLE logbook ADD COLUMN asks INTEGER NOT NULL DEFAULT 0;
ALTER TABLE logbook ADD COLUMN answers TEXT REFERENCES logbook(id);
CREATE INDEX logbook_answers ON logbook(answers) WHERE answers IS NOT NULL;

CREATE TABLE logbook_mention (
	log_id TEXT NOT NULL REFERENCES logbook(id),
	staff_id TEXT NOT NULL REFERENCES staff(id),
	PRIMARY KEY (log_id, staff_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX logbook_mention_staff ON logbook_mention(staff_id);

CREATE TABLE logbook_tag (
	log_id TEXT NOT NULL REFERENCES logbook(id),
	tag TEXT NOT NULL,
	PRIMARY KEY (log_id, tag)
) STRICT, WITHOUT ROWID;
CREATE INDEX logbook_tag_tag ON logbook_tag(tag);

-- Requests of business partners.
CREATE TABLE request (
	id TEXT PRIMARY KEY,
	number TEXT UNIQUE,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	unit_id TEXT REFERENCES business_unit(id),
	about TEXT NOT NULL,
	words TEXT NOT NULL DEFAULT '',
	counterparty TEXT NOT NULL DEFAULT '',
	urgency TEXT NOT NULL DEFAULT 'normal' CHECK (urgency IN ('normal', 'soon', 'urgent')),
	wanted_by TEXT,
	state TEXT NOT NULL
		CHECK (state IN (
			'draft', 'sent', 'taken', 'asked', 'turned down', 'withdrawn', 'matter'
		)),
	taken_by TEXT REFERENCES staff(id),
	matter_id TEXT REFERENCES matter(id),
	reason TEXT NOT NULL DEFAULT '',
	created_at TEXT NOT NULL,
	sent_at TEXT,
	ended_at TEXT,
	version INTEGER NOT NULL DEFAULT 1,
	CHECK (state <> 'turned down' OR reason <> ''),
	CHECK ((state = 'matter') = (matter_id IS NOT NULL)),
	CHECK (state = 'draft' OR number IS NOT NULL)
) STRICT;
CREATE INDEX request_staff ON request(staff_id, state);
CREATE INDEX request_state ON request(state, sent_at);

CREATE TABLE request_series (year INTEGER PRIMARY KEY, last INTEGER NOT NULL) STRICT;

CREATE TABLE request_word (
	id TEXT PRIMARY KEY,
	request_id TEXT NOT NULL REFERENCES request(id),
	at TEXT NOT NULL,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	kind TEXT NOT NULL CHECK (kind IN ('question', 'answer', 'state')),
	text TEXT NOT NULL
) STRICT;
CREATE INDEX request_word_request ON request_word(request_id, at);

CREATE TABLE request_file (
	id TEXT PRIMARY KEY,
	request_id TEXT NOT NULL REFERENCES request(id),
	sha256 TEXT NOT NULL,
	media_type TEXT NOT NULL,
	file_name TEXT NOT NULL,
	size INTEGER NOT NULL,
	text TEXT NOT NULL DEFAULT '',
	at TEXT NOT NULL,
	staff_id TEXT NOT NULL REFERENCES staff(id)
) STRICT;
CREATE INDEX request_file_request ON request_file(request_id);

-- Interest checks: the report is frozen as it was seen.
CREATE TABLE interest_check (
	id TEXT PRIMARY KEY,
	matter_id TEXT REFERENCES matter(id),
	request_id TEXT REFERENCES request(id),
	names TEXT NOT NULL,
	report TEXT NOT NULL,
	made_by TEXT NOT NULL REFERENCES staff(id),
	made_at TEXT NOT NULL,
	decision TEXT CHECK (decision IN ('clear', 'waived', 'declined')),
	reason TEXT NOT NULL DEFAULT '',
	decided_by TEXT REFERENCES staff(id),
	decided_at TEXT,
	CHECK (decision IS NULL OR (decided_by IS NOT NULL AND reason <> ''))
) STRICT;
CREATE INDEX interest_check_matter ON interest_check(matter_id);
CREATE INDEX interest_check_made ON interest_check(made_at DESC);

CREATE TRIGGER interest_check_frozen
BEFORE UPDATE OF names, report, made_by, made_at ON interest_check
BEGIN
	SELECT RAISE(ABORT, 'a report stays as it was');
END;

CREATE TRIGGER interest_check_kept BEFORE DELETE ON interest_check
BEGIN
	SELECT RAISE(ABORT, 'a report stays as it was');
END;

-- The trial view.
CREATE TABLE exhibit (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	number TEXT NOT NULL,
	side TEXT NOT NULL CHECK (side IN ('ours', 'theirs', 'joint')),
	title TEXT NOT NULL,
	document_id TEXT REFERENCES document(id),
	offered_on TEXT,
	ruling TEXT CHECK (ruling IN ('admitted', 'excluded')),
	ruled_on TEXT,
	position INTEGER NOT NULL,
	UNIQUE (matter_id, number),
	CHECK ((ruling IS NULL) = (ruled_on IS NULL)),
	CHECK (ruling IS NULL OR offered_on IS NOT NULL)
) STRICT;

CREATE TABLE witness (
	id TEXT PRIMARY KEY,
	matter_id TEXT NOT NULL REFERENCES matter(id),
	person_id TEXT NOT NULL REFERENCES person(id),
	side TEXT NOT NULL CHECK (side IN ('ours', 'theirs')),
	about TEXT NOT NULL DEFAULT '',
	minutes INTEGER,
	heard_on TEXT,
	position INTEGER NOT NULL,
	UNIQUE (matter_id, person_id)
) STRICT;

-- Imports: what each made, so that a whole import can be taken back while nothing hangs on it.
CREATE TABLE import_batch (
	id TEXT PRIMARY KEY,
	what TEXT NOT NULL CHECK (what IN ('units', 'people', 'matters')),
	file_name TEXT NOT NULL,
	rows INTEGER NOT NULL,
	made INTEGER NOT NULL,
	by TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	undone_at TEXT
) STRICT;

CREATE TABLE import_made (
	batch_id TEXT NOT NULL REFERENCES import_batch(id),
	n INTEGER NOT NULL,
	place TEXT NOT NULL,
	ref TEXT NOT NULL,
	PRIMARY KEY (batch_id, n)
) STRICT, WITHOUT ROWID;

CREATE TABLE import_mapping (
	what TEXT NOT NULL,
	header TEXT NOT NULL,
	mapping TEXT NOT NULL,
	PRIMARY KEY (what, header)
) STRICT, WITHOUT ROWID;

-- What is searched: matters with their facts, people with all names, documents, the logbook's
-- words, tasks, time, roles' notes, requests.
CREATE VIEW search_matter AS
SELECT m.id, m.number || ' ' || m.title AS title,
	coalesce(
		(
			SELECT group_concat(f.value || ' ' || f.more, ' ')
			FROM matter_fact f
			WHERE f.matter_id = m.id AND f.value NOT LIKE 'per\_%' ESCAPE '\'
		),
		''
	) || ' ' || coalesce(
		(SELECT group_concat(r.number, ' ') FROM matter_reference r WHERE r.matter_id = m.id), ''
	) || ' ' || coalesce(
		(SELECT group_concat(c.text, ' ') FROM matter_caution c WHERE c.matter_id = m.id), ''
	) AS body
FROM matter m;

CREATE VIEW search_person AS
SELECT p.id, p.name AS title,
	coalesce(
		(SELECT group_concat(n.name, ' ') FROM person_name n WHERE n.person_id = p.id), ''
	) || ' ' || coalesce(
		(SELECT group_concat(c.value, ' ') FROM person_contact c WHERE c.person_id = p.id), ''
	) || ' ' || p.note AS body,
	p.made_for
FROM person p
WHERE p.merged_into IS NULL;

CREATE TRIGGER search_matter_in AFTER INSERT ON matter
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.id;
END;

CREATE TRIGGER search_matter_up AFTER UPDATE OF title ON matter
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.id;
END;

CREATE TRIGGER search_matter_out AFTER DELETE ON matter
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = OLD.id;
END;

CREATE TRIGGER search_fact_in AFTER INSERT ON matter_fact
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = NEW.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.matter_id;
END;

CREATE TRIGGER search_fact_up AFTER UPDATE ON matter_fact
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = NEW.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.matter_id;
END;

CREATE TRIGGER search_fact_out AFTER DELETE ON matter_fact
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = OLD.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = OLD.matter_id;
END;

CREATE TRIGGER search_reference_in AFTER INSERT ON matter_reference
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = NEW.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.matter_id;
END;

CREATE TRIGGER search_reference_out AFTER DELETE ON matter_reference
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = OLD.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = OLD.matter_id;
END;

CREATE TRIGGER search_caution_in AFTER INSERT ON matter_caution
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = NEW.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.matter_id;
END;

CREATE TRIGGER search_caution_out AFTER DELETE ON matter_caution
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = OLD.matter_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = OLD.matter_id;
END;

CREATE TRIGGER search_person_in AFTER INSERT ON person
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id = NEW.id;
END;

CREATE TRIGGER search_person_up AFTER UPDATE OF name, note, merged_into ON person
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id = NEW.id;
END;

CREATE TRIGGER search_person_out AFTER DELETE ON person
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref = OLD.id;
END;

CREATE TRIGGER search_name_in AFTER INSERT ON person_name
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref = NEW.person_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id = NEW.person_id;
END;

CREATE TRIGGER search_name_up AFTER UPDATE OF person_id ON person_name
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref IN (OLD.person_id, NEW.person_id);
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id IN (OLD.person_id, NEW.person_id);
END;

CREATE TRIGGER search_name_out AFTER DELETE ON person_name
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref = OLD.person_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id = OLD.person_id;
END;

CREATE TRIGGER search_contact_in AFTER INSERT ON person_contact
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref = NEW.person_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id = NEW.person_id;
END;

CREATE TRIGGER search_contact_up AFTER UPDATE OF person_id ON person_contact
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref IN (OLD.person_id, NEW.person_id);
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id IN (OLD.person_id, NEW.person_id);
END;

CREATE TRIGGER search_contact_out AFTER DELETE ON person_contact
BEGIN
	DELETE FROM search_text WHERE kind = 'person' AND ref = OLD.person_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'person', id, NULL, title, body
	FROM search_person
	WHERE id = OLD.person_id;
END;

CREATE TRIGGER search_version_in AFTER INSERT ON document_version
BEGIN
	DELETE FROM search_text WHERE kind = 'document' AND ref = NEW.document_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'document', d.id, d.matter_id, d.name || ' ' || d.number, NEW.text
	FROM document d
	WHERE d.id = NEW.document_id;
END;

CREATE TRIGGER search_log_in AFTER INSERT ON logbook WHEN NEW.kind = 'note'
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES ('note', NEW.id, NEW.matter_id, '', NEW.text);
END;

CREATE TRIGGER search_task_in AFTER INSERT ON task
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES ('task', NEW.id, NEW.matter_id, NEW.subject, '');
END;

CREATE TRIGGER search_task_up AFTER UPDATE OF subject, matter_id ON task
BEGIN
	DELETE FROM search_text WHERE kind = 'task' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES ('task', NEW.id, NEW.matter_id, NEW.subject, '');
END;

CREATE TRIGGER search_task_out AFTER DELETE ON task
BEGIN
	DELETE FROM search_text WHERE kind = 'task' AND ref = OLD.id;
END;

CREATE TRIGGER search_time_in AFTER INSERT ON time_entry WHEN NEW.matter_id IS NOT NULL
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES ('time', NEW.id, NEW.matter_id, '', NEW.narrative);
END;

CREATE TRIGGER search_time_up AFTER UPDATE OF narrative, matter_id ON time_entry
BEGIN
	DELETE FROM search_text WHERE kind = 'time' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'time', NEW.id, NEW.matter_id, '', NEW.narrative
	WHERE NEW.matter_id IS NOT NULL;
END;

CREATE TRIGGER search_time_out AFTER DELETE ON time_entry
BEGIN
	DELETE FROM search_text WHERE kind = 'time' AND ref = OLD.id;
END;

CREATE TRIGGER search_role_in AFTER INSERT ON matter_role WHEN NEW.note <> ''
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES ('role', NEW.id, NEW.matter_id, '', NEW.note);
END;

CREATE TRIGGER search_role_up AFTER UPDATE OF note ON matter_role
BEGIN
	DELETE FROM search_text WHERE kind = 'role' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'role', NEW.id, NEW.matter_id, '', NEW.note
	WHERE NEW.note <> '';
END;

CREATE TRIGGER search_role_out AFTER DELETE ON matter_role
BEGIN
	DELETE FROM search_text WHERE kind = 'role' AND ref = OLD.id;
END;

CREATE TRIGGER search_request_in AFTER UPDATE OF state ON request WHEN NEW.state <> 'draft'
BEGIN
	DELETE FROM search_text WHERE kind = 'request' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES (
		'request', NEW.id, NEW.matter_id, NEW.number || ' ' || NEW.about,
		NEW.words || ' ' || NEW.counterparty
	);
END;

INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'matter', id, id, title, body
FROM search_matter;

INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'person', id, NULL, title, body
FROM search_person;

INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'document', d.id, d.matter_id, d.name || ' ' || d.number, v.text
FROM document d
JOIN document_version v ON v.document_id = d.id
	AND v.n = (SELECT max(n) FROM document_version x WHERE x.document_id = d.id);

INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'note', id, matter_id, '', text
FROM logbook
WHERE kind = 'note';

INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'task', id, matter_id, subject, ''
FROM task;

INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'time', id, matter_id, '', narrative
FROM time_entry
WHERE matter_id IS NOT NULL;
