-- An import can be done anew: the rows it was made from are kept, as they were mended, with what
-- was said of those whose name was there already.
ALTER TABLE import_batch ADD COLUMN file_sha256 TEXT;
ALTER TABLE import_batch ADD COLUMN decisions TEXT NOT NULL DEFAULT '{}';

-- Time, dates and documents are imported too.
CREATE TABLE import_batch_new (
	id TEXT PRIMARY KEY,
	what TEXT NOT NULL CHECK (what IN ('units', 'people', 'matters', 'dates', 'documents', 'time')),
	file_name TEXT NOT NULL,
	rows INTEGER NOT NULL,
	made INTEGER NOT NULL,
	by TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	undone_at TEXT,
	state TEXT NOT NULL DEFAULT 'done'
		CHECK (state IN ('running', 'done', 'undoing', 'undone')),
	ended_at TEXT,
	file_sha256 TEXT,
	decisions TEXT NOT NULL DEFAULT '{}'
) STRICT;
INSERT INTO import_batch_new
SELECT
	id, what, file_name, rows, made, by, at, undone_at, state, ended_at, file_sha256, decisions
FROM import_batch;
DROP TABLE import_batch;
ALTER TABLE import_batch_new RENAME TO import_batch;
