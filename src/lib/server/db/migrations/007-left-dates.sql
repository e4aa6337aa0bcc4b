-- A date that was left where it stood when its event, a book or a closure changed: by whose decision,
-- why, and the day the rule gives instead (null where no rule sets it any more).
ALTER TABLE deadline ADD COLUMN left_by TEXT REFERENCES staff(id);
ALTER TABLE deadline ADD COLUMN left_at TEXT CHECK ((left_at IS NULL) = (left_by IS NULL));
ALTER TABLE deadline ADD COLUMN left_reason TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN rule_gives TEXT CHECK (rule_gives IS NULL OR left_by IS NOT NULL);
CREATE INDEX deadline_left ON deadline(matter_id) WHERE left_by IS NOT NULL;

-- The version of each book by which the house's dates were last counted: where a shipped book has a
-- newer one, they are counted again and what differs waits for a decision.
CREATE TABLE counted_book (
	book TEXT PRIMARY KEY,
	version TEXT NOT NULL,
	counted_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
