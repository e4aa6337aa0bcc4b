-- A date that was met after its day: why, and a second person's word on it. It stays among the missed.
ALTER TABLE deadline ADD COLUMN late_reason TEXT NOT NULL DEFAULT '';
ALTER TABLE deadline ADD COLUMN late_by TEXT REFERENCES staff(id);
ALTER TABLE deadline ADD COLUMN late_at TEXT CHECK ((late_at IS NULL) = (late_by IS NULL));
ALTER TABLE deadline ADD COLUMN late_word TEXT NOT NULL DEFAULT '';
CREATE INDEX deadline_late ON deadline(date) WHERE state = 'met' AND closed_on > date;

-- A proposal that was decided against, with its reason, and not taken off later.
ALTER TABLE deadline ADD COLUMN set_aside INTEGER NOT NULL DEFAULT 0 CHECK (set_aside IN (0, 1));

-- An event that was entered by mistake: kept to be read, with what it had set.
ALTER TABLE event ADD COLUMN withdrawn_by TEXT REFERENCES staff(id);
ALTER TABLE event ADD COLUMN withdrawn_at TEXT
	CHECK ((withdrawn_at IS NULL) = (withdrawn_by IS NULL));
ALTER TABLE event ADD COLUMN withdrawn_reason TEXT NOT NULL DEFAULT '';
