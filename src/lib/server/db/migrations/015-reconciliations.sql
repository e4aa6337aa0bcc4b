-- The docket is compared with the court's own list: what came out is kept as it was.
CREATE TABLE reconciliation (
	id TEXT PRIMARY KEY,
	staff_id TEXT NOT NULL REFERENCES staff(id),
	at TEXT NOT NULL,
	-- The name of the file, or what it was called.
	source TEXT NOT NULL,
	-- Lines that could not be read, one below the other.
	unread TEXT NOT NULL
) STRICT;
CREATE INDEX reconciliation_at ON reconciliation(at);

CREATE TABLE reconciliation_entry (
	reconciliation_id TEXT NOT NULL REFERENCES reconciliation(id),
	place INTEGER NOT NULL,
	state TEXT NOT NULL CHECK (state IN ('agrees', 'differs', 'missing here', 'missing there', 'no matter')),
	matter_id TEXT REFERENCES matter(id),
	deadline_id TEXT REFERENCES deadline(id),
	-- Ours as it stood then.
	our_title TEXT NOT NULL,
	our_date TEXT,
	our_time TEXT,
	-- The court's.
	their_title TEXT NOT NULL,
	their_date TEXT,
	their_time TEXT,
	case_number TEXT NOT NULL,
	PRIMARY KEY (reconciliation_id, place),
	CHECK ((state = 'no matter') = (matter_id IS NULL)),
	CHECK (our_date IS NOT NULL OR their_date IS NOT NULL)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER reconciliation_kept BEFORE UPDATE ON reconciliation
BEGIN
	SELECT RAISE(ABORT, 'a reconciliation stays as it was');
END;
CREATE TRIGGER reconciliation_entry_kept BEFORE UPDATE ON reconciliation_entry
BEGIN
	SELECT RAISE(ABORT, 'a reconciliation stays as it was');
END;
CREATE TRIGGER reconciliation_not_deleted BEFORE DELETE ON reconciliation
BEGIN
	SELECT RAISE(ABORT, 'a reconciliation is not deleted');
END;
CREATE TRIGGER reconciliation_entry_not_deleted BEFORE DELETE ON reconciliation_entry
BEGIN
	SELECT RAISE(ABORT, 'a reconciliation is not deleted');
END;
