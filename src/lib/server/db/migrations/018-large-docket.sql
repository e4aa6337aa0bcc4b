-- At the size of a large department: lists of dates are read in the order of their index until a page
-- is full, and what is rare among many has an index of its own.
CREATE INDEX deadline_day ON deadline(date, id);
CREATE INDEX deadline_returned ON deadline(date, id)
	WHERE state = 'docketed' AND returned_by IS NOT NULL;
CREATE INDEX deadline_occasion ON deadline(date, id) WHERE sort <> 'deadline';
CREATE INDEX deadline_proposed ON deadline(event_id) WHERE state = 'proposed';
CREATE INDEX event_entered ON event(entered_at);

-- The same view as before; asked through the view of a matter's people, every date of a restricted
-- matter read all matters of the house.
DROP VIEW date_people;
-- Whose a date is, and who holds it today: the stand-in, while the other is not here.
CREATE VIEW date_people AS
SELECT
	p.deadline_id,
	p.assignee_id,
	p.stand_in_id,
	CASE
		WHEN p.stand_in_id IS NOT NULL
			AND NOT EXISTS (SELECT 1 FROM staff_here h WHERE h.id = p.assignee_id)
			AND EXISTS (SELECT 1 FROM staff_here h WHERE h.id = p.stand_in_id)
			THEN p.stand_in_id
		ELSE p.assignee_id
	END AS holder_id
FROM (
	SELECT
		o.deadline_id,
		coalesce(o.assignee_id, o.responsible_id) AS assignee_id,
		nullif(coalesce(o.stand_in_id, o.matter_stand_in), coalesce(o.assignee_id, o.responsible_id))
			AS stand_in_id
	FROM (
		-- On a restricted matter nobody is responsible who is not on it.
		SELECT
			d.id AS deadline_id,
			m.responsible_id,
			CASE
				WHEN m.restricted = 0
					OR m.responsible_id = m.stand_in_id
					OR EXISTS (
						SELECT 1 FROM matter_member mm WHERE mm.matter_id = m.id AND mm.staff_id = m.stand_in_id
					)
					THEN m.stand_in_id
			END AS matter_stand_in,
			CASE
				WHEN m.restricted = 0
					OR m.responsible_id = d.assignee_id
					OR EXISTS (
						SELECT 1 FROM matter_member mm WHERE mm.matter_id = m.id AND mm.staff_id = d.assignee_id
					)
					THEN d.assignee_id
			END AS assignee_id,
			CASE
				WHEN m.restricted = 0
					OR m.responsible_id = d.stand_in_id
					OR EXISTS (
						SELECT 1 FROM matter_member mm WHERE mm.matter_id = m.id AND mm.staff_id = d.stand_in_id
					)
					THEN d.stand_in_id
			END AS stand_in_id
		FROM deadline d
		JOIN matter m ON m.id = d.matter_id
	) o
) p;
