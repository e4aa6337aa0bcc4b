-- Where a request stands, in words the department chooses; when its writer last read it.
CREATE TABLE request_status (
	id TEXT PRIMARY KEY,
	label TEXT NOT NULL COLLATE NOCASE UNIQUE,
	position INTEGER NOT NULL,
	retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1))
) STRICT;
INSERT INTO request_status (id, label, position)
VALUES
	('rst_looking', 'Being looked at', 1),
	('rst_drafting', 'Being drafted', 2),
	('rst_other', 'With the other side', 3),
	('rst_signing', 'Ready to be signed', 4);
ALTER TABLE request ADD COLUMN status_id TEXT REFERENCES request_status(id);
ALTER TABLE request ADD COLUMN seen_at TEXT;
CREATE INDEX request_matter ON request(matter_id) WHERE matter_id IS NOT NULL;

-- Entries of a logbook that the writer of a request reads too.
ALTER TABLE logbook ADD COLUMN request_id TEXT REFERENCES request(id);
