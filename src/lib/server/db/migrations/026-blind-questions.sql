-- Where a name lies in a restricted matter: known to the house, shown to nobody but who is asked.
CREATE TABLE interest_hidden (
	check_id TEXT NOT NULL REFERENCES interest_check(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	name TEXT NOT NULL,
	PRIMARY KEY (check_id, matter_id, name)
) STRICT, WITHOUT ROWID;

-- The question to whoever is responsible there, and what they answered. The asker never learns the
-- matter.
CREATE TABLE interest_question (
	id TEXT PRIMARY KEY,
	check_id TEXT NOT NULL REFERENCES interest_check(id),
	matter_id TEXT NOT NULL REFERENCES matter(id),
	asked_by TEXT NOT NULL REFERENCES staff(id),
	asked_at TEXT NOT NULL,
	answer TEXT CHECK (answer IN ('no conflict', 'speak to me')),
	answered_by TEXT REFERENCES staff(id),
	answered_at TEXT,
	UNIQUE (check_id, matter_id),
	CHECK ((answer IS NULL) = (answered_by IS NULL))
) STRICT;
CREATE INDEX interest_question_open ON interest_question(matter_id) WHERE answer IS NULL;
