-- Hearings, trials, conferences and depositions are found by search, with their place, who appeared
-- and what came of them.
CREATE TRIGGER search_hearing_in AFTER INSERT ON deadline WHEN NEW.sort <> 'deadline'
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES (
		'hearing', NEW.id, NEW.matter_id, NEW.title,
		trim(NEW.place || ' ' || NEW.long || ' ' || NEW.appeared || ' ' || NEW.outcome)
	);
END;
CREATE TRIGGER search_hearing_up
AFTER UPDATE OF title, place, long, appeared, outcome ON deadline WHEN NEW.sort <> 'deadline'
BEGIN
	DELETE FROM search_text WHERE kind = 'hearing' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES (
		'hearing', NEW.id, NEW.matter_id, NEW.title,
		trim(NEW.place || ' ' || NEW.long || ' ' || NEW.appeared || ' ' || NEW.outcome)
	);
END;
INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'hearing', id, matter_id, title, trim(place || ' ' || long || ' ' || appeared || ' ' || outcome)
FROM deadline
WHERE sort <> 'deadline';
