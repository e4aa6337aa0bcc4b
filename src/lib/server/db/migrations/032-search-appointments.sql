-- Appointments are found by search and by interest checks, with who is at them from outside; what is
-- private stands in no index.
CREATE VIEW appointment_text AS
SELECT
	a.id,
	a.matter_id,
	a.subject,
	trim(
		a.place || ' ' || a.labels || ' ' || a.notes || ' ' || ifnull((
			SELECT group_concat(g.name, ' ') FROM appointment_guest g WHERE g.appointment_id = a.id
		), '')
	) AS body
FROM appointment a
WHERE a.private = 0 AND a.state = 'on';

CREATE TRIGGER search_appointment_in AFTER INSERT ON appointment
BEGIN
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'appointment', id, matter_id, subject, body FROM appointment_text WHERE id = NEW.id;
END;
CREATE TRIGGER search_appointment_up
AFTER UPDATE OF subject, place, labels, notes, matter_id, private, state ON appointment
BEGIN
	DELETE FROM search_text WHERE kind = 'appointment' AND ref = NEW.id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'appointment', id, matter_id, subject, body FROM appointment_text WHERE id = NEW.id;
END;
CREATE TRIGGER search_appointment_guest_in AFTER INSERT ON appointment_guest
BEGIN
	DELETE FROM search_text WHERE kind = 'appointment' AND ref = NEW.appointment_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'appointment', id, matter_id, subject, body
	FROM appointment_text
	WHERE id = NEW.appointment_id;
END;
CREATE TRIGGER search_appointment_guest_out AFTER DELETE ON appointment_guest
BEGIN
	DELETE FROM search_text WHERE kind = 'appointment' AND ref = OLD.appointment_id;
	INSERT INTO search_text (kind, ref, matter_id, title, body)
	SELECT 'appointment', id, matter_id, subject, body
	FROM appointment_text
	WHERE id = OLD.appointment_id;
END;
