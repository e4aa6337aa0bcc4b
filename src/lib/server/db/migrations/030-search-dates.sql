-- Dates of the docket are found by search, as hearings are; a proposal is not one yet.
CREATE TRIGGER search_date_in AFTER INSERT ON deadline
WHEN NEW.sort = 'deadline' AND NEW.state <> 'proposed'
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	VALUES ('date', NEW.id, NEW.matter_id, NEW.title, trim(NEW.short || ' ' || NEW.long));
END;
CREATE TRIGGER search_date_up AFTER UPDATE OF title, short, long, state ON deadline
WHEN NEW.sort = 'deadline'
	AND (
		NEW.title <> OLD.title
		OR NEW.short <> OLD.short
		OR NEW.long <> OLD.long
		OR (NEW.state = 'proposed') <> (OLD.state = 'proposed')
	)
BEGIN
	DELETE FROM search_text WHERE kind = 'date' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'date', NEW.id, NEW.matter_id, NEW.title, trim(NEW.short || ' ' || NEW.long)
	WHERE NEW.state <> 'proposed';
END;
INSERT INTO search_text (kind, ref, matter_id, title, body)
SELECT 'date', id, matter_id, title, trim(short || ' ' || long)
FROM deadline
WHERE sort = 'deadline' AND state <> 'proposed';
