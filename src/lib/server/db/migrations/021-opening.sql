-- What a colleague is on a matter in the trade's words, and whether they may change it or read it.
ALTER TABLE matter_member ADD COLUMN part TEXT NOT NULL DEFAULT '';
ALTER TABLE matter_member ADD COLUMN access TEXT NOT NULL DEFAULT 'change'
	CHECK (access IN ('change', 'read'));

DROP VIEW matter_team;
CREATE VIEW matter_team AS
SELECT id AS matter_id, responsible_id AS staff_id, 'responsible' AS role, '' AS part, 'change' AS access
FROM matter
UNION ALL
SELECT mm.matter_id, mm.staff_id, mm.role, mm.part, mm.access
FROM matter_member mm
WHERE mm.staff_id <> (SELECT responsible_id FROM matter WHERE id = mm.matter_id);

-- Teams: colleagues who are put on a matter in one act.
CREATE TABLE team (
	id TEXT PRIMARY KEY,
	name TEXT NOT NULL COLLATE NOCASE UNIQUE,
	version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE TABLE team_member (
	team_id TEXT NOT NULL REFERENCES team(id),
	staff_id TEXT NOT NULL REFERENCES staff(id),
	part TEXT NOT NULL DEFAULT '',
	access TEXT NOT NULL DEFAULT 'change' CHECK (access IN ('change', 'read')),
	PRIMARY KEY (team_id, staff_id)
) STRICT, WITHOUT ROWID;

-- From where a matter came, of a list that the department keeps; what it is about; its stage in the
-- words of its kind; how it ended.
CREATE TABLE origin (
	id TEXT PRIMARY KEY,
	label TEXT NOT NULL,
	position INTEGER NOT NULL,
	retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1))
) STRICT;
INSERT INTO origin (id, label, position)
VALUES
	('org_request', 'A request of a business unit', 1),
	('org_served', 'Papers served on the company', 2),
	('org_letter', 'A letter or a call from outside', 3),
	('org_agency', 'An agency', 4),
	('org_insurer', 'The insurer or a claims handler', 5),
	('org_own', 'The department itself', 6);

ALTER TABLE matter ADD COLUMN origin_id TEXT REFERENCES origin(id);
ALTER TABLE matter ADD COLUMN description TEXT NOT NULL DEFAULT '';
ALTER TABLE matter ADD COLUMN stage TEXT NOT NULL DEFAULT '';
ALTER TABLE matter ADD COLUMN stage_from TEXT;
ALTER TABLE matter ADD COLUMN ending TEXT NOT NULL DEFAULT '';

UPDATE kind
SET body = json_set(
	body,
	'$.stages', json('[]'),
	'$.endings', json('["Finished", "Settled", "Ended early", "Withdrawn", "Opened by mistake"]'),
	'$.links', json('[]')
);

-- A matter is found by what it is about.
DROP VIEW search_matter;
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
	) || ' ' || m.description AS body
FROM matter m;
DROP TRIGGER search_matter_up;
CREATE TRIGGER search_matter_up AFTER UPDATE OF title, description ON matter
BEGIN
	DELETE FROM search_text WHERE kind = 'matter' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'matter', id, id, title, body
	FROM search_matter
	WHERE id = NEW.id;
END;
