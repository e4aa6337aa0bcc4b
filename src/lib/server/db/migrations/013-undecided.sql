-- When somebody was told that a proposal has waited longer than the department allows.
ALTER TABLE deadline ADD COLUMN undecided_told_at TEXT;
CREATE INDEX deadline_undecided ON deadline(event_id)
	WHERE state = 'proposed' AND undecided_told_at IS NULL;
