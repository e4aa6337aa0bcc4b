-- What a job could not do with one row, until it works again or somebody settles it. An empty row is
-- the job as a whole.
CREATE TABLE job_failure (
	job TEXT NOT NULL,
	row_id TEXT NOT NULL,
	-- What was to be done, in words, and where it belongs.
	what TEXT NOT NULL,
	path TEXT NOT NULL,
	matter_id TEXT REFERENCES matter(id),
	-- Whom it concerns beside who is responsible for the matter; where there is neither, whoever looks
	-- after the house.
	staff_id TEXT REFERENCES staff(id),
	error TEXT NOT NULL,
	tries INTEGER NOT NULL CHECK (tries > 0),
	first_at TEXT NOT NULL,
	last_at TEXT NOT NULL,
	next_try TEXT NOT NULL,
	settled_at TEXT,
	settled_by TEXT REFERENCES staff(id),
	reason TEXT,
	PRIMARY KEY (job, row_id),
	CHECK ((settled_at IS NULL) = (settled_by IS NULL)),
	CHECK ((settled_at IS NULL) = (reason IS NULL))
) STRICT, WITHOUT ROWID;
CREATE INDEX job_failure_matter ON job_failure(matter_id);
CREATE INDEX job_failure_staff ON job_failure(staff_id);
