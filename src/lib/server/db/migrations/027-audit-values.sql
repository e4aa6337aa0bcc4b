-- What each entry of the audit trail changed, row by row: what was and what is. The entry's hash
-- covers it.
ALTER TABLE audit ADD COLUMN changes TEXT;
