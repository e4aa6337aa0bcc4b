-- What else a card holds: the name as it is printed, the industry, fields of the department's own.
ALTER TABLE person ADD COLUMN printed TEXT NOT NULL DEFAULT '';
ALTER TABLE person ADD COLUMN industry TEXT NOT NULL DEFAULT '';

CREATE TABLE card_field (
	key TEXT PRIMARY KEY,
	body TEXT NOT NULL CHECK (json_valid(body)),
	position INTEGER NOT NULL
) STRICT;
CREATE TABLE person_field (
	person_id TEXT NOT NULL REFERENCES person(id),
	field TEXT NOT NULL REFERENCES card_field(key),
	value TEXT NOT NULL,
	more TEXT NOT NULL DEFAULT '',
	PRIMARY KEY (person_id, field)
) STRICT, WITHOUT ROWID;

-- Who does what for an organization: receives its statements, signs for it.
CREATE TABLE person_function (
	id TEXT PRIMARY KEY,
	person_id TEXT NOT NULL REFERENCES person(id),
	function TEXT NOT NULL,
	contact_id TEXT NOT NULL REFERENCES person(id),
	position INTEGER NOT NULL,
	UNIQUE (person_id, function, contact_id)
) STRICT;
CREATE INDEX person_function_contact ON person_function(contact_id);

-- A business unit's insurer, bank or broker, and the number by which it knows the unit.
CREATE TABLE unit_relation (
	id TEXT PRIMARY KEY,
	person_id TEXT NOT NULL REFERENCES person(id),
	unit_id TEXT NOT NULL REFERENCES business_unit(id),
	relation TEXT NOT NULL,
	reference TEXT NOT NULL DEFAULT '',
	position INTEGER NOT NULL,
	UNIQUE (person_id, unit_id, relation, reference)
) STRICT;
CREATE INDEX unit_relation_unit ON unit_relation(unit_id);

-- Identity numbers lie encrypted and apart: nothing that is searched, listed or exported reads this
-- table.
CREATE TABLE identity_number (
	id TEXT PRIMARY KEY,
	person_id TEXT NOT NULL REFERENCES person(id),
	sort TEXT NOT NULL CHECK (sort IN ('social security', 'driver''s license', 'passport', 'tax', 'other')),
	issuer TEXT NOT NULL DEFAULT '',
	expires_on TEXT,
	sealed BLOB NOT NULL,
	tail TEXT NOT NULL,
	added_by TEXT NOT NULL REFERENCES staff(id),
	added_at TEXT NOT NULL
) STRICT;
CREATE INDEX identity_number_person ON identity_number(person_id);

-- A note or a reminder that belongs to no matter: on a card, or on nothing.
CREATE TABLE memo (
	id TEXT PRIMARY KEY,
	person_id TEXT REFERENCES person(id),
	by_id TEXT NOT NULL REFERENCES staff(id),
	for_id TEXT NOT NULL REFERENCES staff(id),
	text TEXT NOT NULL,
	remind_on TEXT,
	at TEXT NOT NULL,
	done_at TEXT
) STRICT;
CREATE INDEX memo_person ON memo(person_id);
CREATE INDEX memo_open ON memo(for_id, remind_on) WHERE done_at IS NULL;
CREATE INDEX memo_by ON memo(by_id);

-- A card is found by all of its names and its own fields.
DROP VIEW search_person;
CREATE VIEW search_person AS
SELECT
	p.id, p.name AS title,
	concat_ws(
		' ',
		p.printed, p.industry, p.note,
		(SELECT group_concat(n.name, ' ') FROM person_name n WHERE n.person_id = p.id),
		(SELECT group_concat(c.value, ' ') FROM person_contact c WHERE c.person_id = p.id),
		(SELECT group_concat(f.value || ' ' || f.more, ' ') FROM person_field f WHERE f.person_id = p.id),
		(SELECT group_concat(u.reference, ' ') FROM unit_relation u WHERE u.person_id = p.id)
	) AS body,
	p.made_for
FROM person p
WHERE p.merged_into IS NULL;

-- Entries that stand in the logbook beside the matter's own course: what happened to a card is no
-- activity on the matter.
ALTER TABLE logbook ADD COLUMN aside INTEGER NOT NULL DEFAULT 0 CHECK (aside IN (0, 1));
CREATE INDEX logbook_activity ON logbook(matter_id, at DESC) WHERE aside = 0;
UPDATE logbook SET aside = 1 WHERE kind = 'people' AND text LIKE '%their cards were merged.';

DROP VIEW matter_derived;
CREATE VIEW matter_derived AS
SELECT
	m.id AS matter_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT d.id
			FROM deadline d
			WHERE d.matter_id = m.id AND d.state = 'docketed' AND d.sort = 'deadline'
			ORDER BY d.date, d.id
			LIMIT 1
		)
	END AS next_deadline_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT d.id
			FROM deadline d
			WHERE d.matter_id = m.id
				AND d.state = 'docketed'
				AND d.sort <> 'deadline'
				AND d.date >= today()
			ORDER BY d.date, d.time, d.id
			LIMIT 1
		)
	END AS next_hearing_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT min(d.date)
			FROM deadline d
			WHERE d.matter_id = m.id
				AND d.state = 'docketed'
				AND d.sort = 'trial'
				AND d.date >= today()
		)
	END AS next_trial,
	CAST(julianday(coalesce(m.closed_on, today())) - julianday(m.opened_on) AS INTEGER) AS age_days,
	coalesce(
		(SELECT max(l.at) FROM logbook l WHERE l.matter_id = m.id AND l.aside = 0), m.created_at
	) AS last_activity,
	(SELECT coalesce(sum(t.minutes), 0) FROM time_entry t WHERE t.matter_id = m.id) AS minutes,
	(
		SELECT coalesce(sum(c.cents), 0)
		FROM cost_line c
		WHERE c.matter_id = m.id AND c.holds = 1
	) AS cents,
	(SELECT count(*) FROM task t WHERE t.matter_id = m.id AND t.state = 'open') AS open_tasks
FROM matter m;
