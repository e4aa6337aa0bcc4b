-- What is derived stands once, as views: caption, list, merge fields, digest and Day sheet read the
-- same. today() is the department's day; the program lends it to the database.

-- Who works on a matter: the responsible lawyer and the members.
CREATE VIEW matter_team AS
SELECT id AS matter_id, responsible_id AS staff_id, 'responsible' AS role
FROM matter
UNION ALL
SELECT mm.matter_id, mm.staff_id, mm.role
FROM matter_member mm
WHERE mm.staff_id <> (SELECT responsible_id FROM matter WHERE id = mm.matter_id);

-- Each column is worked out only where a query asks for it.
CREATE VIEW matter_derived AS
SELECT
	m.id AS matter_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT d.id
			FROM deadline d
			WHERE d.matter_id = m.id AND d.state = 'docketed'
			ORDER BY d.date, d.id
			LIMIT 1
		)
	END AS next_deadline_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT e.id
			FROM event e
			WHERE e.matter_id = m.id AND e.ahead IN ('hearing', 'trial') AND e.date >= today()
			ORDER BY e.date, e.time, e.id
			LIMIT 1
		)
	END AS next_hearing_id,
	CASE
		WHEN m.status <> 'closed' THEN (
			SELECT min(e.date)
			FROM event e
			WHERE e.matter_id = m.id AND e.ahead = 'trial' AND e.date >= today()
		)
	END AS next_trial,
	CAST(julianday(coalesce(m.closed_on, today())) - julianday(m.opened_on) AS INTEGER) AS age_days,
	coalesce((SELECT max(l.at) FROM logbook l WHERE l.matter_id = m.id), m.created_at)
		AS last_activity,
	(SELECT coalesce(sum(t.minutes), 0) FROM time_entry t WHERE t.matter_id = m.id) AS minutes,
	(
		SELECT coalesce(sum(c.cents), 0)
		FROM cost_line c
		WHERE c.matter_id = m.id AND c.holds = 1
	) AS cents,
	(SELECT count(*) FROM task t WHERE t.matter_id = m.id AND t.state = 'open') AS open_tasks
FROM matter m;

-- Of which a hearing is named as people say it.
CREATE VIEW hearing AS
SELECT
	id, matter_id, date, time, ahead, place,
	text || CASE WHEN name = '' THEN '' ELSE ', ' || name END AS title
FROM event
WHERE ahead IN ('hearing', 'trial');

-- Whose hand was last on something of a matter.
CREATE INDEX audit_matter ON audit(matter_id, seq) WHERE matter_id IS NOT NULL;

-- What a business unit receives from an approved cost run: made once, filed by its hash.
CREATE TABLE cost_statement (
	run_id TEXT NOT NULL REFERENCES cost_run(id),
	unit_id TEXT NOT NULL REFERENCES business_unit(id),
	sha256 TEXT NOT NULL,
	made_at TEXT NOT NULL,
	PRIMARY KEY (run_id, unit_id)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER cost_statement_kept BEFORE UPDATE ON cost_statement
BEGIN
	SELECT RAISE(ABORT, 'a statement stays as it was made');
END;

-- Why the words of a file are not searched, where they are not; shown where the file is.
ALTER TABLE document_version ADD COLUMN unread TEXT NOT NULL DEFAULT '';
ALTER TABLE request_file ADD COLUMN unread TEXT NOT NULL DEFAULT '';

-- What an import asks of everything it made, before it is taken back.
CREATE INDEX person_merge_gone ON person_merge(gone_id);
CREATE INDEX import_made_ref ON import_made(ref);

-- An import is worked off in pieces, so that nobody waits for it.
ALTER TABLE import_batch ADD COLUMN state TEXT NOT NULL DEFAULT 'done'
	CHECK (state IN ('running', 'done', 'undoing', 'undone'));
ALTER TABLE import_batch ADD COLUMN ended_at TEXT;
UPDATE import_batch SET state = 'undone' WHERE undone_at IS NOT NULL;

-- How the jobs stand: when each last worked, and what went wrong last, until it goes well again.
CREATE TABLE job_state (
	name TEXT PRIMARY KEY,
	label TEXT NOT NULL,
	worked_at TEXT,
	error TEXT,
	error_at TEXT,
	failed_rows INTEGER NOT NULL DEFAULT 0
) STRICT, WITHOUT ROWID;
