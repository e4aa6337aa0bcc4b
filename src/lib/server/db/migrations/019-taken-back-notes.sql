-- A note can be taken back by its writer on the day it was written: the entry stays and says so,
-- without its words.
ALTER TABLE logbook ADD COLUMN taken_back_at TEXT;

CREATE TRIGGER search_log_taken_back AFTER UPDATE OF taken_back_at ON logbook
WHEN NEW.kind = 'note' AND NEW.taken_back_at IS NOT NULL
BEGIN
	DELETE FROM search_text WHERE kind = 'note' AND ref = NEW.id;
END;

-- Warnings that no law sets are called early warnings everywhere.
UPDATE deadline
SET authority = 'early warning of the department, not from law'
WHERE suggested = 1 AND authority = 'suggested by the department, not from law';
